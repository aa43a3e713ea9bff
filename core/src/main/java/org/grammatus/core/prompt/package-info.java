/**
 * What is asked when a report runs and what was answered: periods in their written forms, resolved against the business date,
 * and said in words. No answer restricts nothing.
 */
package org.grammatus.core.prompt;
