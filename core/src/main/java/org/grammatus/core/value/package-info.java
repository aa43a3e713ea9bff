/**
 * The values a report computes with, as {@code docs/meaning.md} 1 lays down: six kinds, exact decimals, and a period of
 * dates. Uses {@code problem} only.
 */
package org.grammatus.core.value;
