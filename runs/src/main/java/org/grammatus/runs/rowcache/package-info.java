/** Rows that were read once and are kept for whoever asks for them next: in memory within a budget, beyond it in column files. */
package org.grammatus.runs.rowcache;
