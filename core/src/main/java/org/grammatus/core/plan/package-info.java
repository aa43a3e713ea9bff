/**
 * Definition and answers become a plan: every name resolved, every expression typed, every format chosen, the fields to read
 * known. Nothing has been read yet.
 */
package org.grammatus.core.plan;
