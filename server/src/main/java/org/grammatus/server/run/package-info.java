/** Runs over HTTP: started, followed, cancelled, read page by page, taken away as files. The work itself is in {@code runs}. */
package org.grammatus.server.run;
