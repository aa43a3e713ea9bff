package org.grammatus.core.plan;

import java.util.Optional;
import org.grammatus.core.expression.Typed;

/**
 * A condition on rows.
 *
 * @param period name of the prompt whose period it keeps, where it keeps one
 * @param words what it keeps, for people
 */
public record FilterPlan(String id, Typed condition, Optional<String> period, String words) {}
