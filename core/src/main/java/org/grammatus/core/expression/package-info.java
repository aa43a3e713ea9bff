/**
 * The one expression language of reports: scalar and aggregate expressions of standard SQL (ISO/IEC 9075).
 *
 * <p>Text is parsed into a positioned {@link org.grammatus.core.expression.Expression}, an immutable tree that {@link
 * org.grammatus.core.expression.ExpressionPrinter} prints back; {@link org.grammatus.core.expression.Typing} turns it into a
 * {@link org.grammatus.core.expression.Typed} tree in which every name is resolved and every part has a type. Nothing here
 * computes: that is the work of {@code table}.
 */
package org.grammatus.core.expression;
