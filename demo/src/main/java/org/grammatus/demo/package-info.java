/**
 * The scenario: Merrowdale Hive Supply, an invented wholesale cooperative for beekeepers. A seeded generator makes its orders;
 * starter datasets and reports show what can be asked of them.
 */
package org.grammatus.demo;
