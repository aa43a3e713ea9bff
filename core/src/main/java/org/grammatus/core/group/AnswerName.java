package org.grammatus.core.group;

import org.grammatus.core.expression.Typed;
import org.grammatus.core.value.Scalar;

/**
 * What a key that a reader chose is called.
 *
 * @param by the field that names it
 * @param name its name in the data
 */
public record AnswerName(Typed by, Scalar name) {}
