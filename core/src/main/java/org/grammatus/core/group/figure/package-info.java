/** What is computed of groups: aggregates, the values of their first rows, sums of rounded lines, and the order of siblings by them. */
package org.grammatus.core.group.figure;
