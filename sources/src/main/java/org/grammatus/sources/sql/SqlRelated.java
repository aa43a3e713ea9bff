package org.grammatus.sources.sql;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.modelling.TableShape;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Type;

/**
 * Whether rows of another dataset of the same source belong to a row, as SQL. There is SQL only where the source certainly understands
 * every part as the engine does; where it may see a cell of the other dataset otherwise, the whole is NULL.
 */
final class SqlRelated {

    private final Typed.SemiJoin has;
    private final SqlJoins joins;
    private final SqlExpressions expressions;

    /**
     * @param other the dataset that is looked into
     * @param columns finds a table's columns, by name
     * @param places a table's name as SQL has it
     */
    SqlRelated(
            Typed.SemiJoin has,
            DatasetModel other,
            Dialect dialect,
            Function<String, Optional<Map<String, TableShape.Column>>> columns,
            Function<String, String> places) {
        this.has = has;
        this.joins = new SqlJoins(other, dialect, columns, places);
        this.expressions = new SqlExpressions(other, dialect, columns, table -> true, true);
    }

    /**
     * The condition.
     *
     * @param own a value of the row that is kept, NULL where the source may see it otherwise
     */
    Optional<Sql> condition(Function<Typed, Optional<Sql>> own) {
        List<Optional<Sql>> ours = has.keys().stream().map(own).toList();
        List<Optional<Sql>> theirs =
                has.otherKeys().stream().map(expressions::value).toList();
        Optional<Sql> condition = has.condition().map(expressions::exact).orElse(Optional.of(Sql.of("TRUE")));
        Optional<Sql> counted = has.counted().map(expressions::value).orElse(Optional.of(Sql.of("1")));
        Optional<String> from = joins.from(tables());
        boolean known =
                ours.stream().allMatch(Optional::isPresent) && theirs.stream().allMatch(Optional::isPresent) && alike();
        if (!known || condition.isEmpty() || counted.isEmpty() || from.isEmpty()) {
            return Optional.empty();
        }
        List<Sql> keys = theirs.stream().map(Optional::get).toList();
        String rows = from.get().replace("%", "%%");
        List<Sql> where = new ArrayList<>(List.of(condition.get()));
        keys.forEach(key -> where.add(Sql.of("%s IS NOT NULL", key)));
        Sql found = Sql.of(
                "SELECT %s FROM " + rows + " WHERE %s%s",
                Sql.joined(keys, ", "),
                Sql.joined(where, " AND "),
                enough(keys, counted.get()));
        Sql row = Sql.joined(ours.stream().map(Optional::get).toList(), ", ");
        Sql among = Sql.of(keys.size() == 1 ? "%s IN (%s)" : "(%s) IN (%s)", row, found);
        return Optional.of(
                expressions.odd().isEmpty()
                        ? among
                        : Sql.of(
                                "CASE WHEN NOT EXISTS (SELECT 1 FROM " + rows + " WHERE (%s)) THEN %s END",
                                Sql.joined(List.copyOf(expressions.odd()), ") OR ("),
                                among));
    }

    /** What groups of rows of one key must meet to be enough; nothing where any row is. */
    private Sql enough(List<Sql> keys, Sql counted) {
        if (has.least() == 1 && has.counted().isEmpty()) {
            return Sql.of("");
        }
        String count = has.counted().isPresent() ? "COUNT(DISTINCT %s)" : "COUNT(%s)";
        return Sql.of(" GROUP BY %s HAVING " + count + " >= " + has.least(), Sql.joined(keys, ", "), counted);
    }

    /** Whether keys of both sides are of one type, and of a kind that is compared as it is written. */
    private boolean alike() {
        for (int i = 0; i < has.keys().size(); i++) {
            Type type = has.keys().get(i).type();
            boolean plain = type.kind() == Kind.TEXT || type.kind() == Kind.INTEGER || type.kind() == Kind.DATE;
            if (!plain || !type.equals(has.otherKeys().get(i).type())) {
                return false;
            }
        }
        return true;
    }

    private Set<Integer> tables() {
        Set<Integer> tables = new TreeSet<>(Set.of(DatasetModel.GRAIN));
        has.otherFields().forEach(field -> tables.add(joins.tableOf(field)));
        return tables;
    }
}
