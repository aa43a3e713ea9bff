/** Failures as answers: RFC 9457, with every problem and its place. */
package org.grammatus.server.problem;
