package org.grammatus.core.plan;

import org.grammatus.core.choice.Look;
import org.grammatus.core.expression.Typed;

/**
 * A rule that marks rows.
 *
 * @param pointer where it stands in the definition
 * @param text its condition as its author wrote it
 * @param overScope whether it is computed over the rows of a group printed as a line
 */
public record HighlightPlan(
        String id, String label, Look look, String pointer, String text, Typed when, boolean overScope) {}
