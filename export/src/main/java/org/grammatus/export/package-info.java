/** Painters of core's pages, and writers of its logical result. Each writes what core decided and decides nothing itself. */
package org.grammatus.export;
