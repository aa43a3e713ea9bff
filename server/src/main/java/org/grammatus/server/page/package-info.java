/** What the browser loads: the program's own pages, and the faces that reports are set in. */
package org.grammatus.server.page;
