/**
 * What a dataset's data is like: the values of a field and how often each occurs, how they spread, and how joins match. Nothing here
 * depends on a report.
 */
package org.grammatus.core.profile;
