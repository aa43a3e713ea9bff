/**
 * The documents people write: a report and a dataset, each one JSON document of format version 1.
 *
 * <p>The published JSON Schemas beside this package's resources are the format's first authority; {@link
 * org.grammatus.core.definition.Definitions} reads and writes documents and adds what a schema cannot say: ids are unique
 * and references lead somewhere. This is the one package of core that knows JSON.
 */
package org.grammatus.core.definition;
