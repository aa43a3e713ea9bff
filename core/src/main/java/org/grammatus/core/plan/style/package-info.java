/** How pages look: house styles, and what reports say otherwise, laid over each other. */
package org.grammatus.core.plan.style;
