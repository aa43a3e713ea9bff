package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.List;
import java.util.Optional;

/**
 * A condition on rows, before they are grouped. A {@code period} filter keeps the rows whose field lies in a period prompt's
 * answer; a {@code condition} filter compares a field with values or with a choice prompt's answer; an {@code expression}
 * filter keeps the rows for which its condition is true.
 *
 * @param values what is compared with, as people write it: {@code 12.5}, {@code 2026-01-31}
 * @param off whether the filter is kept but does not apply
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"id", "kind", "field", "comparison", "values", "prompt", "where", "off"})
public record ReportFilter(
        String id,
        FilterKind kind,
        Optional<String> field,
        Optional<FilterComparison> comparison,
        Optional<List<String>> values,
        Optional<String> prompt,
        Optional<String> where,
        Optional<Boolean> off) {}
