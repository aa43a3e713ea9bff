/** People taking turns: what one person has going on and waiting never keeps the others from theirs. */
package org.grammatus.runs.turns;
