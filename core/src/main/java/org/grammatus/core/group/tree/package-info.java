/** Which groups there are: their nodes numbered level by level, their keys, which have no rows, and where they stand once they are in order. */
package org.grammatus.core.group.tree;
