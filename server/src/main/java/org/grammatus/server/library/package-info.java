/** The reports on record, and the datasets they stand on. */
package org.grammatus.server.library;
