/** Making datasets: what tables look like, how they can be joined, and what their columns probably mean. */
package org.grammatus.core.modelling;
