/** The sources that datasets read: who may add them, where they may be, and how their passwords are kept. */
package org.grammatus.server.source;
