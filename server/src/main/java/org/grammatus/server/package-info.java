/**
 * The HTTP interface and the command line over {@code runs}: sign-in and roles, records, jobs. {@link
 * org.grammatus.server.Grammatus} goes to the command line before Spring is loaded.
 */
package org.grammatus.server;
