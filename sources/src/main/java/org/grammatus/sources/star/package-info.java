/** From the tables of one or several sources to the rows of a dataset: keys found, rows linked, joins tried. */
package org.grammatus.sources.star;
