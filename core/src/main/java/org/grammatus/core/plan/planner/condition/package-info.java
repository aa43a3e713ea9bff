/** The condition that a filter of a definition stands for, and the built filter that a typed condition can become. */
package org.grammatus.core.plan.planner.condition;
