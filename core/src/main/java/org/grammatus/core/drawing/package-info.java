/** Drawings: shapes that a page shows at any size, and the part of SVG that they are read from. */
package org.grammatus.core.drawing;
