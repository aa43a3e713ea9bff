/** What is made of figures once groups stand in order: shares, ranks, running figures, steps over groups, other times. */
package org.grammatus.core.group.window;
