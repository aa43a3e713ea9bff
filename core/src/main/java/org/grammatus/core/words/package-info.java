/** The words that the program itself puts on pages, a catalogue for each language. */
package org.grammatus.core.words;
