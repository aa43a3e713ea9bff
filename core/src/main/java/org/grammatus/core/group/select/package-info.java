/** Which groups and rows are shown, and what becomes of the others. */
package org.grammatus.core.group.select;
