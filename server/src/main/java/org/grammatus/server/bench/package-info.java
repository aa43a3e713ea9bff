/** Editing a report on its own page: previews of unsaved definitions. */
package org.grammatus.server.bench;
