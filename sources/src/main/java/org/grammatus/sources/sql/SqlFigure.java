package org.grammatus.sources.sql;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.modelling.TableShape;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Scalar;
import org.grammatus.sources.FigureQuestion;

/**
 * A figure as one plain SQL statement over the dataset's tables. There is one only where the source certainly understands every
 * part as the engine does; whether it also reads every cell so, a second statement tells.
 *
 * @param ask gives two numbers: the sum, count, smallest or largest in units of the argument's last digit, and how many values there were
 * @param odd counts the rows in which the source may see a cell otherwise than the engine; none where it never does
 */
public record SqlFigure(FigureQuestion question, Sql ask, Optional<Sql> odd) {

    /** @param places a table's name as SQL has it */
    public static Optional<SqlFigure> of(
            FigureQuestion question,
            Dialect dialect,
            Function<String, Optional<Map<String, TableShape.Column>>> columns,
            Function<String, String> places) {
        return new Writing(question, dialect, columns, places).figure();
    }

    private static final class Writing {
        private final FigureQuestion question;
        private final DatasetModel dataset;
        private final SqlJoins joins;
        private final SqlExpressions expressions;
        private final int home;

        Writing(
                FigureQuestion question,
                Dialect dialect,
                Function<String, Optional<Map<String, TableShape.Column>>> columns,
                Function<String, String> places) {
            this.question = question;
            this.dataset = question.dataset();
            this.joins = new SqlJoins(dataset, dialect, columns, places);
            this.expressions = new SqlExpressions(dataset, dialect, columns, table -> true, true);
            this.home = new Homes(dataset).orGrain(question.aggregate());
        }

        Optional<SqlFigure> figure() {
            Typed.Aggregate aggregate = question.aggregate();
            Optional<Sql> value = aggregate.argument().map(expressions::value).orElse(Optional.of(Sql.of("1")));
            Optional<String> function = function(aggregate);
            List<Typed> all = new ArrayList<>(question.conditions());
            aggregate.filter().ifPresent(all::add);
            List<Optional<Sql>> conditions =
                    all.stream().map(expressions::exact).toList();
            Set<Integer> tables = new TreeSet<>(Set.of(home));
            all.forEach(condition -> note(condition, tables));
            aggregate.argument().ifPresent(argument -> note(argument, tables));
            Optional<String> from = joins.from(tables);
            if (value.isEmpty()
                    || function.isEmpty()
                    || from.isEmpty()
                    || conditions.stream().anyMatch(Optional::isEmpty)) {
                return Optional.empty();
            }
            List<Sql> where =
                    new ArrayList<>(conditions.stream().map(Optional::get).toList());
            if (home != DatasetModel.GRAIN) {
                where.add(Sql.of(keys().getFirst() + " IS NOT NULL"));
            }
            Sql rows = Sql.of(" FROM " + from.get().replace("%", "%%") + "%s", where(where));
            Sql ask = home == DatasetModel.GRAIN
                    ? Sql.of("SELECT " + function.get() + ", COUNT(%s)%s", value.get(), value.get(), rows)
                    : Sql.of(
                            "SELECT " + function.get().replace("%s", "v") + ", COUNT(v) FROM (SELECT DISTINCT "
                                    + String.join(", ", keys()).replace("%", "%%") + ", %s AS v%s) AS rows_of_home",
                            value.get(),
                            rows);
            return Optional.of(new SqlFigure(question, ask, odd(from.get())));
        }

        private Optional<Sql> odd(String from) {
            return expressions.odd().isEmpty()
                    ? Optional.empty()
                    : Optional.of(Sql.of(
                            "SELECT COUNT(*) FROM " + from.replace("%", "%%") + " WHERE (%s)",
                            Sql.joined(List.copyOf(expressions.odd()), ") OR (")));
        }

        private static Sql where(List<Sql> conditions) {
            return conditions.isEmpty() ? Sql.of("") : Sql.of(" WHERE %s", Sql.joined(conditions, " AND "));
        }

        /** The aggregate, with a place for its argument. */
        private static Optional<String> function(Typed.Aggregate aggregate) {
            boolean number = aggregate.type().isNumber();
            String argument = aggregate.distinct() ? "(DISTINCT %s)" : "(%s)";
            return switch (aggregate.function()) {
                case COUNT -> Optional.of("COUNT" + argument);
                case SUM -> Optional.of("SUM" + argument);
                case AVG -> aggregate.distinct() ? Optional.empty() : Optional.of("SUM(%s)");
                case MIN, MAX -> number ? Optional.of(aggregate.function() + "(%s)") : Optional.empty();
                case MEDIAN, FIRST, LAST -> Optional.empty();
            };
        }

        private List<String> keys() {
            return dataset.table(home).key().stream()
                    .map(key -> SqlExpressions.cell(home, key))
                    .toList();
        }

        private void note(Typed value, Set<Integer> tables) {
            if (value instanceof Typed.Field field) {
                tables.add(dataset.field(field.id()).table());
            }
            value.operands().forEach(operand -> note(operand, tables));
        }
    }

    /** The figure that the answers stand for; none where a number became too large for the source to be exact. */
    public Optional<Scalar> value(Object figure, long values) {
        Typed.Aggregate aggregate = question.aggregate();
        if (figure == null) {
            return Optional.of(new Scalar.Null(aggregate.type()));
        }
        if (figure instanceof Double || figure instanceof Float) {
            return Optional.empty();
        }
        int scale =
                aggregate.argument().map(argument -> argument.type().scale()).orElse(0);
        BigDecimal units = new BigDecimal(figure.toString());
        BigDecimal number = switch (aggregate.function()) {
            case COUNT -> units;
            case AVG ->
                SqlExpressions.number(units, scale)
                        .divide(BigDecimal.valueOf(values), aggregate.type().scale(), Decimals.ROUNDING);
            default -> SqlExpressions.number(units.setScale(0), scale);
        };
        return Optional.of(
                new Scalar.Number(number.setScale(aggregate.type().scale(), Decimals.ROUNDING), aggregate.type()));
    }
}
