/** How parts of a report are laid out: choices that definitions make and pages follow. */
package org.grammatus.core.choice.layout;
