package org.grammatus.core.group;

import org.grammatus.core.value.Scalar;

/**
 * What a key that a reader chose is called.
 *
 * @param format how its name is printed
 * @param name its name in the data
 */
public record AnswerName(String format, Scalar name) {}
