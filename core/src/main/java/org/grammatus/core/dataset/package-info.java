/**
 * What a dataset means: how its tables hang on its grain, which table is the home of a field or an expression, and how its
 * calendar names fiscal years.
 */
package org.grammatus.core.dataset;
