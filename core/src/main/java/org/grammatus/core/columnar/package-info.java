/**
 * Rows as columns of primitives, and the computing of expressions over them, a whole column at a time.
 *
 * <p>A {@link org.grammatus.core.columnar.Star} holds the grain's rows and, once each, the rows of the smaller tables that it
 * points to; an expression is computed at its home table, so that what belongs to an order is computed once per order.
 */
package org.grammatus.core.columnar;
