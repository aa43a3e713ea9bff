package org.grammatus.core.edit;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.RelatedFilter;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.TextBlock;

/** What every kind of filter has, changed; and lists of filters with one of them changed, wherever it stands. */
final class FilterParts {

    private FilterParts() {}

    static ReportFilter withId(ReportFilter filter, String id) {
        return switch (filter) {
            case ReportFilter.OfPeriod f -> f.withId(id);
            case ReportFilter.Condition f -> f.withId(id);
            case ReportFilter.Typed f -> f.withId(id);
            case ReportFilter.Several f -> f.withId(id);
            case ReportFilter.Top f -> f.withId(id);
            case RelatedFilter f -> f.withId(id);
        };
    }

    static ReportFilter switched(ReportFilter filter, boolean on) {
        Optional<Boolean> off = on ? Optional.empty() : Optional.of(true);
        return switch (filter) {
            case ReportFilter.OfPeriod f -> f.withOff(off);
            case ReportFilter.Condition f -> f.withOff(off);
            case ReportFilter.Typed f -> f.withOff(off);
            case ReportFilter.Several f -> f.withOff(off);
            case ReportFilter.Top f -> f.withOff(off);
            case RelatedFilter f -> f.withOff(off);
        };
    }

    static ReportFilter reaching(ReportFilter filter, Optional<List<String>> blocks) {
        return switch (filter) {
            case ReportFilter.OfPeriod f -> f.withBlocks(blocks);
            case ReportFilter.Condition f -> f.withBlocks(blocks);
            case ReportFilter.Typed f -> f.withBlocks(blocks);
            case ReportFilter.Several f -> f.withBlocks(blocks);
            case ReportFilter.Top f -> f.withBlocks(blocks);
            case RelatedFilter f -> f.withBlocks(blocks);
        };
    }

    /** A filter over another field in blocks of other datasets; one without a field of its own stays. */
    static ReportFilter elsewhere(ReportFilter filter, Optional<List<ReportFilter.FieldElsewhere>> also) {
        return switch (filter) {
            case ReportFilter.OfPeriod f -> f.withAlso(also);
            case ReportFilter.Condition f -> f.withAlso(also);
            case ReportFilter.Top f -> f.withAlso(also);
            default -> filter;
        };
    }

    /** A block with other filters of its own. */
    static ReportBlock withFilters(ReportBlock block, Optional<List<ReportFilter>> filters) {
        return switch (block) {
            case TableBlock table -> table.withFilters(filters);
            case FiguresBlock figures -> figures.withFilters(filters);
            case TextBlock text -> text.withFilters(filters);
        };
    }

    /** A filter once a block is gone; none where it reached that block alone. */
    static Optional<ReportFilter> withoutBlock(ReportFilter filter, String block) {
        if (filter.blocks().isEmpty()) {
            return Optional.of(filter);
        }
        List<String> left =
                filter.blocks().get().stream().filter(id -> !id.equals(block)).toList();
        return left.isEmpty() ? Optional.empty() : Optional.of(reaching(filter, Optional.of(left)));
    }

    /** A filter and its parts, each under another id, outermost first. */
    static ReportFilter renamed(ReportFilter filter, UnaryOperator<String> id) {
        ReportFilter own = withId(filter, id.apply(filter.id()));
        return switch (own) {
            case ReportFilter.Several several ->
                several.of(several.filters().stream()
                        .map(part -> renamed(part, id))
                        .toList());
            case RelatedFilter related ->
                related.withFilters(related.filters()
                        .map(parts ->
                                parts.stream().map(part -> renamed(part, id)).toList()));
            default -> own;
        };
    }

    /** The field that a filter compares. */
    static Optional<String> field(ReportFilter filter) {
        return switch (filter) {
            case ReportFilter.OfPeriod asked -> Optional.of(asked.field());
            case ReportFilter.Condition condition -> Optional.of(condition.field());
            case ReportFilter.Top top -> Optional.of(top.field());
            default -> Optional.empty();
        };
    }

    /** The prompt that a filter reads. */
    static Optional<String> prompt(ReportFilter filter) {
        return switch (filter) {
            case ReportFilter.OfPeriod asked -> Optional.of(asked.prompt());
            case ReportFilter.Condition condition -> condition.prompt();
            default -> Optional.empty();
        };
    }

    /** Filters with one put into other words wherever it stands; into none, to take it out. */
    static List<ReportFilter> within(
            List<ReportFilter> filters, String id, Function<ReportFilter, List<ReportFilter>> change) {
        return each(filters, filter -> filter.id().equals(id) ? Optional.of(change.apply(filter)) : Optional.empty());
    }

    /**
     * Filters with some put into other words, wherever they stand.
     *
     * @param change what comes in a filter's place; none where the filter stays, its parts perhaps not
     */
    static List<ReportFilter> each(
            List<ReportFilter> filters, Function<ReportFilter, Optional<List<ReportFilter>>> change) {
        return filters.stream()
                .flatMap(filter -> change.apply(filter)
                        .map(List::stream)
                        .orElseGet(() -> Stream.of(
                                filter instanceof ReportFilter.Several several
                                        ? several.of(each(several.filters(), change))
                                        : filter)))
                .toList();
    }
}
