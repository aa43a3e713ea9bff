/** The rules of highlights: those that are ready, and those that are put together of one comparison. */
package org.grammatus.core.edit.rule;
