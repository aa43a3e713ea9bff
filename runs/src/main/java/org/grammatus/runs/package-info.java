/**
 * Running a report: one straight way from definition and answers to pages, as a job that can be followed and cancelled. Server
 * and command line both come through here. No Spring, no HTTP.
 */
package org.grammatus.runs;
