/** Files that people take away: made by run workers, sent as fast as each browser takes them, and deleted then. */
package org.grammatus.server.file;
