/** Our figures beside an anchor's, in the same run on the same rows. Only the ratios mean anything: machines differ. */
package org.grammatus.benchmarks;
