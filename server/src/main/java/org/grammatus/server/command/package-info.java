/** The command line. Only {@code serve} and {@code demo} load Spring, and only once their options are checked. */
package org.grammatus.server.command;
