/** Which rows of a table a report is about: those that its conditions keep, or those of another time. */
package org.grammatus.core.rows;
