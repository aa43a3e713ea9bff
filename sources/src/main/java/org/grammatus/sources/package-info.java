/** Reading rows: each table of a dataset once, into columns, in one transaction on a read-only connection. */
package org.grammatus.sources;
