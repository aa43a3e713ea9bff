/**
 * Where everything stands on paper. One pass over the bands measures heights and finds the page breaks; a page is made only
 * when somebody looks at it. A page is data: texts in explicit places, each with the group and the part of the definition it
 * comes from. Lengths are whole hundredths of a point from the page's top left corner.
 */
package org.grammatus.core.page;
