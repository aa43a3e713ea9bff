package org.grammatus.core.dataset;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import org.grammatus.core.definition.RelatedFilter;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.problem.ProblemException;

/**
 * The datasets that a report's blocks are over, or its filters look into. Immutable.
 *
 * @param main the report's own
 * @param others those besides, by id
 */
public record ReportDatasets(DatasetModel main, Map<String, DatasetModel> others) {

    public ReportDatasets {
        others = Map.copyOf(others);
    }

    /** Those of a report whose blocks are all over one. */
    public static ReportDatasets of(DatasetModel main) {
        return new ReportDatasets(main, Map.of());
    }

    /**
     * Those of a report, as far as they are there.
     *
     * @param find finds one by its id
     */
    public static ReportDatasets of(Report report, DatasetModel main, Function<String, Optional<DatasetModel>> find) {
        Map<String, DatasetModel> others = new HashMap<>();
        namedBy(report).stream()
                .filter(id -> !id.equals(report.dataset()))
                .forEach(id -> find.apply(id).ifPresent(model -> others.put(id, model)));
        return new ReportDatasets(main, others);
    }

    /**
     * Ids of all datasets that a report reads: those of its blocks, its own first, those in which its filters look for rows, and those of
     * which its prompts offer values.
     */
    public static List<String> namedBy(Report report) {
        Stream<ReportFilter> filters = Stream.concat(
                report.filters().stream(), report.blocks().stream().flatMap(block -> block.ownFilters().stream()));
        Stream<String> prompts = report.prompts().stream()
                .flatMap(prompt ->
                        prompt instanceof ReportPrompt.Choice choice ? choice.dataset().stream() : Stream.empty());
        return Stream.of(
                        report.datasets().stream(),
                        filters.flatMap(ReportFilter::withParts).flatMap(ReportDatasets::lookedInto),
                        prompts)
                .flatMap(ids -> ids)
                .distinct()
                .toList();
    }

    private static Stream<String> lookedInto(ReportFilter filter) {
        return switch (filter) {
            case RelatedFilter related ->
                Stream.concat(
                        Stream.of(related.dataset()),
                        related.filters().orElse(List.of()).stream()
                                .flatMap(ReportFilter::withParts)
                                .flatMap(ReportDatasets::lookedInto));
            case ReportFilter.Typed typed -> {
                try {
                    yield ExpressionParser.parse(typed.where()).lookedInto();
                } catch (ProblemException e) {
                    // It is told where the report is planned.
                    yield Stream.empty();
                }
            }
            default -> Stream.empty();
        };
    }

    /** All of them, the report's first. */
    public List<DatasetModel> all() {
        return Stream.concat(Stream.of(main), others.values().stream()).toList();
    }

    /** The dataset of an id, as far as it is there. */
    public Optional<DatasetModel> byId(String id) {
        return id.equals(main.id()) ? Optional.of(main) : Optional.ofNullable(others.get(id));
    }

    /** The dataset whose values a prompt offers, as far as it is there; the report's unless it names one. */
    public Optional<DatasetModel> of(ReportPrompt.Choice prompt) {
        return prompt.dataset().map(this::byId).orElse(Optional.of(main));
    }

    /**
     * The dataset of a block of the report.
     *
     * @param own the one that the block names; the report's where it names none
     * @return none where it is not there
     */
    public Optional<DatasetModel> of(Report report, Optional<String> own) {
        String id = own.orElse(report.dataset());
        return id.equals(report.dataset()) ? Optional.of(main) : Optional.ofNullable(others.get(id));
    }
}
