/**
 * Why a result is what it is: a figure's formula, scope and rows, and an order's terms with the values compared, all in words.
 */
package org.grammatus.core.explain;
