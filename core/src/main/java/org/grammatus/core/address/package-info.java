/**
 * Addresses of what a result holds: of a group by its keys, and of a figure by its group and its part of the definition. Their text form is
 * read and written here alone; the HTTP interface, the screens and files use the same.
 */
package org.grammatus.core.address;
