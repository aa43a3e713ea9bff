package org.grammatus.sources.sql;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Comparator;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.modelling.TableShape;
import org.grammatus.sources.PushedRows;

/**
 * Conditions on rows as SQL, values as bound parameters. What the source may see differently than the engine becomes NULL, the truth value
 * of what is not known, and a row is left out only where a condition is FALSE all the same: so no row is lost that the engine would keep.
 * Used once.
 */
public final class SqlConditions {

    private static final String UNKNOWN = "NULL";

    private final DatasetModel dataset;
    private final Map<String, DatasetModel> others;
    private final Function<String, String> places;
    private final Dialect dialect;
    private final Function<String, Optional<Map<String, TableShape.Column>>> columns;
    private final SqlJoins joins;
    private final List<Object> parameters = new ArrayList<>();

    /**
     * Conditions on one source's tables.
     *
     * @param wanted the conditions, and the datasets that they look into
     * @param columns finds a table's columns, by name
     * @param places a table's name as SQL has it
     */
    public SqlConditions(
            PushedRows wanted,
            Dialect dialect,
            Function<String, Optional<Map<String, TableShape.Column>>> columns,
            Function<String, String> places) {
        this.dataset = wanted.dataset();
        this.others = wanted.others();
        this.places = places;
        this.dialect = dialect;
        this.columns = columns;
        this.joins = new SqlJoins(dataset, dialect, columns, places);
    }

    /** Values of the parameters, in their order. */
    public List<Object> parameters() {
        return parameters;
    }

    /**
     * A table with the condition on its rows, as it follows FROM: of the grain, those that conditions may let through; of another, those
     * that such rows lead to.
     *
     * @return none where the source may see differently where rows lead
     */
    public Optional<String> from(int table, List<Typed> conditions) {
        if (table == DatasetModel.GRAIN) {
            String where = conditions.stream()
                    .flatMap(condition -> of(condition).stream())
                    .collect(Collectors.joining(" AND "));
            return Optional.of(joins.place(table) + (where.isEmpty() ? "" : " WHERE " + where));
        }
        // A subquery rather than a join: it repeats no row, and databases make a set of it once.
        return joins.on(table)
                .flatMap(join -> from(dataset.pointedFrom(table), conditions))
                .map(pointing -> joins.place(table) + " WHERE " + joins.key(table) + " IN (SELECT "
                        + joins.pointers(table) + " FROM " + pointing + ")");
    }

    private Optional<String> of(Typed condition) {
        Set<Integer> tables = new HashSet<>();
        note(condition, tables);
        int before = parameters.size();
        int table = tables.size() == 1 ? tables.iterator().next() : DatasetModel.GRAIN;
        Optional<String> path = table == DatasetModel.GRAIN ? Optional.of("") : path(table);
        if (path.isPresent()) {
            String sql = sql(condition, table);
            if (!isUnknown(sql)) {
                return Optional.of(
                        table == DatasetModel.GRAIN
                                ? "(" + sql + ") IS NOT FALSE"
                                : "NOT EXISTS (SELECT 1 FROM " + path.get() + " AND (" + sql + ") IS FALSE)");
            }
        }
        parameters.subList(before, parameters.size()).clear();
        return Optional.empty();
    }

    /** Whether nothing at all is known of a condition, so that it leaves out no row. */
    private static boolean isUnknown(String sql) {
        return sql.replaceAll("NULL|NOT|AND|OR|[() ]", "").isEmpty();
    }

    private void note(Typed value, Set<Integer> tables) {
        if (value instanceof Typed.Field field) {
            tables.add(dataset.field(field.id()).table());
        }
        value.operands().forEach(operand -> note(operand, tables));
    }

    /** The tables on the way from the grain to one, joined as the dataset joins them; none where the way leads out of the source. */
    private Optional<String> path(int table) {
        Deque<Integer> way = new ArrayDeque<>();
        for (int t = table; t != DatasetModel.GRAIN; t = dataset.pointedFrom(t)) {
            way.push(t);
        }
        List<String> from = new ArrayList<>();
        List<String> on = new ArrayList<>();
        for (int t : way) {
            Optional<String> join = joins.on(t);
            if (join.isEmpty()) {
                return Optional.empty();
            }
            from.add(joins.place(t));
            on.add(join.get());
        }
        return Optional.of(String.join(", ", from) + " WHERE " + String.join(" AND ", on));
    }

    private static String cell(int table, String column) {
        return SqlExpressions.cell(table, column);
    }

    private String sql(Typed condition, int table) {
        return switch (condition.unnamed()) {
            case Typed.Logic l ->
                "(" + sql(l.left(), table) + " " + l.connective().name() + " " + sql(l.right(), table) + ")";
            case Typed.Not n -> "(NOT " + sql(n.operand(), table) + ")";
            case Typed.Compare c ->
                comparison(c, table).or(() -> other(c, table)).orElse(UNKNOWN);
            case Typed.SemiJoin h -> related(h, table).orElse(UNKNOWN);
            default -> other(condition, table).orElse(UNKNOWN);
        };
    }

    private Optional<String> related(Typed.SemiJoin has, int table) {
        SqlExpressions own = new SqlExpressions(dataset, dialect, columns, t -> t == table, false);
        Optional<String> source = dataset.table(DatasetModel.GRAIN).source();
        return Optional.ofNullable(others.get(has.dataset()))
                .filter(other -> other.table(DatasetModel.GRAIN).source().equals(source))
                .flatMap(other -> new SqlRelated(has, other, dialect, columns, places).condition(own::value))
                .map(sql -> {
                    parameters.addAll(sql.parameters());
                    return "(" + sql.text() + ")";
                });
    }

    /** What indexes do not help with anyway. */
    private Optional<String> other(Typed condition, int table) {
        return new SqlExpressions(dataset, dialect, columns, t -> t == table, false)
                .condition(condition)
                .map(sql -> {
                    parameters.addAll(sql.parameters());
                    return "(" + sql.text() + ")";
                });
    }

    private boolean isOf(Typed.Field field, int table) {
        return dataset.field(field.id()).table() == table;
    }

    private Optional<String> comparison(Typed.Compare c, int table) {
        Typed left = c.left().unnamed();
        Typed right = c.right().unnamed();
        if (left instanceof Typed.Field field && right instanceof Typed.Constant constant) {
            return comparison(field, c.operator(), constant, table);
        }
        if (left instanceof Typed.Constant constant && right instanceof Typed.Field field) {
            return comparison(field, turned(c.operator()), constant, table);
        }
        return Optional.empty();
    }

    private Optional<String> comparison(Typed.Field field, Comparator operator, Typed.Constant constant, int table) {
        if (!isOf(field, table)) {
            return Optional.empty();
        }
        DatasetModel.FieldInfo info = dataset.field(field.id());
        String column = info.definition().column();
        return columns.apply(dataset.table(table).table())
                .map(all -> all.get(column))
                .flatMap(shape -> dialect.comparison(
                        cell(table, column), shape, info.type(), operator.symbol(), constant.value()))
                .map(bound -> {
                    parameters.add(bound.parameter());
                    return bound.sql();
                });
    }

    private static Comparator turned(Comparator operator) {
        return switch (operator) {
            case EQUAL, NOT_EQUAL -> operator;
            case LESS -> Comparator.GREATER;
            case LESS_OR_EQUAL -> Comparator.GREATER_OR_EQUAL;
            case GREATER -> Comparator.LESS;
            case GREATER_OR_EQUAL -> Comparator.LESS_OR_EQUAL;
        };
    }
}
