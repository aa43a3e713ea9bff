/** A dataset's data for people who want to know it before they report on it: profiles, rows, and where a text stands. */
package org.grammatus.runs.profile;
