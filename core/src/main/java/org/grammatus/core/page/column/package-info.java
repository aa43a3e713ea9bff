/** Where columns stand and how wide they are: type as it is set, what is printed measured, places fitted to the paper. */
package org.grammatus.core.page.column;
