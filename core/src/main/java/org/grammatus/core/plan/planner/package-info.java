/**
 * From a definition and answers to a plan: the one step that knows both. A block is planned by its kind over a {@link
 * org.grammatus.core.plan.planner.BlockScope}, which says what its expressions may name and which of the report's filters reach it.
 */
package org.grammatus.core.plan.planner;
