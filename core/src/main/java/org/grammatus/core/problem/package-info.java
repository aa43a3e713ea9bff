/**
 * What is wrong with something a person gave us, and where. Everything else in core may use this package; it uses nothing.
 *
 * <p>A {@link org.grammatus.core.problem.Problem} is one finding with a place; a
 * {@link org.grammatus.core.problem.ProblemException} carries all the findings of one step at once.
 */
package org.grammatus.core.problem;
