package org.grammatus.runs.modelling;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.modelling.ColumnSample;
import org.grammatus.core.modelling.Draft;
import org.grammatus.core.modelling.JoinSuggestion;
import org.grammatus.core.modelling.TableShape;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.sources.MissingInSourceException;
import org.grammatus.sources.ReadLimits;
import org.grammatus.sources.Source;
import org.grammatus.sources.SourceView;
import org.grammatus.sources.star.JoinTrial;

/** Makes datasets out of the tables of sources, step by step. Thread-safe. */
public final class Composer {

    private final Function<Optional<String>, Source> sources;
    private final ReadLimits limits;

    /** @param sources finds a source by its id; none is the usual one */
    public Composer(Function<Optional<String>, Source> sources, ReadLimits limits) {
        this.sources = sources;
        this.limits = limits;
    }

    /**
     * A to-one join that could be made.
     *
     * @param from id of the dataset's table that points
     * @param columns of it
     * @param source id of the new table's source; none is the usual one
     * @param table the new table's name in its source
     * @param key its columns, in the same order
     */
    public record JoinPlan(
            String from, List<String> columns, Optional<String> source, String table, List<String> key) {}

    /** A join that is suggested, with what speaks for it. */
    public record Suggested(JoinPlan join, JoinSuggestion.Reason reason) {}

    /**
     * A table of which several rows belong to one of a dataset's table, so that it cannot hang on it.
     *
     * @param table the table's name in its source
     * @param to id of the dataset's table
     */
    public record Many(String table, String to) {}

    /** Tables that could hang on a dataset, and some that could not. */
    public record Suggestions(List<Suggested> joins, List<Many> many) {}

    /** The names of a source's tables. */
    public List<String> tables(Optional<String> source) {
        try (SourceView view = sources.apply(source).glance()) {
            return view.tables();
        }
    }

    /** A table's columns as its source describes them. */
    public TableShape table(Optional<String> source, String table) {
        try (SourceView view = sources.apply(source).glance()) {
            return shape(view, source, table);
        }
    }

    /** A dataset whose rows are those of a table. */
    public Dataset start(String id, Optional<String> source, String table) {
        return Draft.of(id, sampled(source, table));
    }

    /** What tables of a source could hang on a dataset's own, the best reasons first. */
    public Suggestions suggestions(Dataset dataset, Optional<String> source) {
        List<Suggested> joins = new ArrayList<>();
        List<Many> many = new ArrayList<>();
        Map<Optional<String>, SourceView> open = new HashMap<>();
        try {
            SourceView view =
                    open.computeIfAbsent(source, id -> sources.apply(id).glance());
            List<TableShape> candidates = view.tables().stream()
                    .map(name -> view.table(name).orElseThrow())
                    .toList();
            for (Dataset.Table table : dataset.tables()) {
                TableShape shape = open.computeIfAbsent(
                                table.source(), id -> sources.apply(id).glance())
                        .table(table.table())
                        .orElse(null);
                if (shape == null) {
                    continue;
                }
                for (TableShape candidate : candidates) {
                    for (JoinSuggestion found : JoinSuggestion.between(shape, candidate)) {
                        JoinPlan plan =
                                new JoinPlan(table.id(), found.columns(), source, candidate.name(), found.key());
                        if (!isThere(plan, dataset)) {
                            joins.add(new Suggested(plan, found.reason()));
                        }
                    }
                    boolean among = isAmong(source, candidate.name(), dataset);
                    if (!among && pointsTo(candidate, shape)) {
                        many.add(new Many(candidate.name(), table.id()));
                    }
                }
            }
        } finally {
            open.values().forEach(SourceView::close);
        }
        joins.sort(Comparator.comparing(Suggested::reason));
        return new Suggestions(joins, many);
    }

    private static boolean pointsTo(TableShape candidate, TableShape shape) {
        return JoinSuggestion.between(candidate, shape).stream()
                .anyMatch(found -> found.reason() != JoinSuggestion.Reason.SAME_NAME);
    }

    private static boolean isAmong(Optional<String> source, String table, Dataset dataset) {
        return dataset.tables().stream()
                .anyMatch(t -> t.source().equals(source) && t.table().equals(table));
    }

    private static boolean isThere(JoinPlan plan, Dataset dataset) {
        return dataset.joins().stream()
                .filter(join ->
                        join.from().equals(plan.from()) && join.columns().equals(plan.columns()))
                .anyMatch(join -> dataset.tables().stream()
                        .anyMatch(t -> t.id().equals(join.to())
                                && t.source().equals(plan.source())
                                && t.table().equals(plan.table())));
    }

    /**
     * How a join would match.
     *
     * @throws ProblemException if the dataset has no such table, or the sides do not fit
     */
    public JoinTrial trial(Dataset dataset, JoinPlan join) {
        Dataset.Table from = from(dataset, join);
        return JoinTrial.of(
                new JoinTrial.Side(from.source(), from.table(), join.columns()),
                new JoinTrial.Side(join.source(), join.table(), join.key()),
                sources,
                limits);
    }

    /**
     * A dataset with one more table.
     *
     * @param whole the same dataset with all it is built on
     * @throws ProblemException if the dataset has no such table, the sides do not fit, or rows would be repeated
     */
    public Dataset joined(Dataset dataset, Dataset whole, JoinPlan join, Optional<Dataset.Keep> keep) {
        JoinTrial trial = trial(whole, join);
        if (trial.repeats() > 0) {
            throw new ProblemException(Problem.error(
                    "/key",
                    "%,d rows of %s have the same %s as another, so the join would repeat rows; join by columns that tell its rows apart"
                            .formatted(trial.repeats(), join.table(), String.join(" and ", join.key()))));
        }
        return Draft.joined(
                dataset, whole, join.from(), join.columns(), sampled(join.source(), join.table()), join.key(), keep);
    }

    private static Dataset.Table from(Dataset dataset, JoinPlan join) {
        if (join.columns().isEmpty() || join.columns().size() != join.key().size()) {
            throw new ProblemException(Problem.error(
                    "/columns",
                    "found " + join.columns().size() + " columns on one side and "
                            + join.key().size() + " on the other, expected as many and at least one"));
        }
        return dataset.tables().stream()
                .filter(table -> table.id().equals(join.from()))
                .findFirst()
                .orElseThrow(() -> {
                    List<String> ids =
                            dataset.tables().stream().map(Dataset.Table::id).toList();
                    return new ProblemException(Problem.error(
                            "/from",
                            "unknown table \"" + join.from() + "\", expected one of " + String.join(", ", ids)
                                    + Suggestion.inWords(join.from(), ids)));
                });
    }

    private Draft.SampledTable sampled(Optional<String> source, String table) {
        try (SourceView view = sources.apply(source).glance()) {
            TableShape shape = shape(view, source, table);
            List<String> columns = shape.columns().stream()
                    .filter(column -> column.type().isPresent())
                    .map(TableShape.Column::name)
                    .toList();
            Map<String, List<String>> values = new HashMap<>();
            columns.forEach(column -> values.put(column, new ArrayList<>()));
            view.sample(table, columns, ColumnSample.ROWS, row -> {
                for (int i = 0; i < row.length; i++) {
                    values.get(columns.get(i)).add(row[i] == null ? null : row[i].toString());
                }
            });
            Map<String, ColumnSample> samples = new HashMap<>();
            values.forEach((column, found) -> samples.put(column, new ColumnSample(found)));
            return new Draft.SampledTable(source, shape, samples);
        }
    }

    private TableShape shape(SourceView view, Optional<String> source, String table) {
        return view.table(table)
                .orElseThrow(() -> new MissingInSourceException(sources.apply(source)
                                .name() + " has no table " + table + Suggestion.inWords(table, view.tables())));
    }
}
