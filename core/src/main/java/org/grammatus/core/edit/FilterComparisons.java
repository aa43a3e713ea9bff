package org.grammatus.core.edit;

import java.util.List;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.FilterComparison;
import org.grammatus.core.value.Kind;

/** How filters can compare a field. */
public final class FilterComparisons {

    private FilterComparisons() {}

    /** How a field is mostly compared: numbers and days by a range, texts and numbers that name something by their values. */
    static FilterComparison usual(Proposals.Subject field) {
        boolean isMeasured = field.type().isNumber() && field.role() != Dataset.Role.IDENTIFIER;
        return isMeasured || field.type().isTime() ? FilterComparison.BETWEEN : FilterComparison.IS;
    }

    /** What fits a kind of field. */
    public static List<FilterComparison> of(Kind kind) {
        return switch (kind) {
            case TEXT ->
                List.of(
                        FilterComparison.IS,
                        FilterComparison.IS_NOT,
                        FilterComparison.CONTAINS,
                        FilterComparison.DOES_NOT_CONTAIN,
                        FilterComparison.STARTS_WITH,
                        FilterComparison.BLANK,
                        FilterComparison.NOT_BLANK);
            case BOOLEAN ->
                List.of(
                        FilterComparison.IS,
                        FilterComparison.IS_NOT,
                        FilterComparison.BLANK,
                        FilterComparison.NOT_BLANK);
            default ->
                List.of(
                        FilterComparison.IS,
                        FilterComparison.IS_NOT,
                        FilterComparison.LESS,
                        FilterComparison.AT_MOST,
                        FilterComparison.MORE,
                        FilterComparison.AT_LEAST,
                        FilterComparison.BETWEEN,
                        FilterComparison.BLANK,
                        FilterComparison.NOT_BLANK);
        };
    }
}
