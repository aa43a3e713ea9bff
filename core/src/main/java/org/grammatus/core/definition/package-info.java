/**
 * The documents people write: a report and a dataset, each one JSON document of format version 1.
 *
 * <p>The published JSON Schemas beside this package's resources are the format's first authority; the package
 * {@code document} reads and writes them and adds what a schema cannot say: ids are unique and references lead somewhere. These are the
 * packages of core that know JSON.
 */
package org.grammatus.core.definition;
