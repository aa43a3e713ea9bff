/** Orders of whole numbers that stand for rows or groups: by the values of a column, texts in the locale's order, by several terms. */
package org.grammatus.core.order;
