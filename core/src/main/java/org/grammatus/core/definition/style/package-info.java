/** House styles: how the pages of all reports look, as documents of their own. */
package org.grammatus.core.definition.style;
