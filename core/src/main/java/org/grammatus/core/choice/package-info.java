/**
 * The choices that a definition makes and every later step reads: directions, places, looks. They stand on nothing, so that no step after
 * planning needs the definition to know them.
 */
package org.grammatus.core.choice;
