/**
 * What is printed: the groups' result as a straight list of bands, with every text and figure in its final form, but not yet a
 * place on paper.
 */
package org.grammatus.core.band;
