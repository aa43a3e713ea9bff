/** Making datasets out of the tables of sources: which tables there are, how they could be joined, and how that would match. */
package org.grammatus.runs.modelling;
