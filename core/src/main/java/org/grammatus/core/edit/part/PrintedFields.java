package org.grammatus.core.edit.part;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.value.Kind;

/** Which field of a dataset an expression is about, as far as it is about one alone. */
public final class PrintedFields {

    /** The aggregates that have the value of one row. */
    private static final Set<AggregateFunction> ONE_VALUE =
            EnumSet.of(AggregateFunction.MIN, AggregateFunction.MAX, AggregateFunction.FIRST, AggregateFunction.LAST);

    private PrintedFields() {}

    /** All fields, calculated fields and measures that are offered, measures last. */
    public static Stream<Proposals.Subject> offered(DatasetModel dataset) {
        return Stream.concat(
                        dataset.rowNames().stream(), dataset.measures().stream().map(DatasetModel.NamedValue::id))
                .filter(id -> !isHidden(id, dataset))
                .map(id -> Proposals.Subject.of(id, dataset));
    }

    private static boolean isHidden(String id, DatasetModel dataset) {
        return dataset.field(id) != null
                ? dataset.field(id).isHidden()
                : dataset.named(id).hidden();
    }

    /** The field that an expression names, of a row. */
    public static Optional<Proposals.Subject> fieldOf(String expression, DatasetModel dataset) {
        return parsed(expression)
                .flatMap(PrintedFields::name)
                .filter(dataset.rowNames()::contains)
                .map(id -> Proposals.Subject.of(id, dataset));
    }

    /** The field or measure that an expression names, or is the sum or the like of. */
    public static Optional<String> fieldIn(String expression) {
        return parsed(expression)
                .flatMap(tree -> tree instanceof Expression.Aggregate aggregate
                                && aggregate.filter().isEmpty()
                                && aggregate.function() != AggregateFunction.COUNT
                        ? aggregate.argument().flatMap(PrintedFields::name)
                        : name(tree));
    }

    /** The field or measure that a column shows, or that is totalled under it. */
    public static Optional<String> ofColumn(TableBlock table, ReportColumn column) {
        return column.value()
                .filter(LevelForm::printsInRows)
                .or(() -> table.totals().stream()
                        .filter(total -> total.column().equals(column.id()))
                        .findFirst()
                        .map(ReportTotal::value))
                .flatMap(PrintedFields::fieldIn);
    }

    /** The kind of a total: of one value where it is one, of a measure by its name, else a number. */
    public static Kind kindOfTotal(String total, DatasetModel dataset) {
        return parsed(total)
                .flatMap(tree ->
                        tree instanceof Expression.Aggregate aggregate && ONE_VALUE.contains(aggregate.function())
                                ? aggregate.argument().flatMap(PrintedFields::name)
                                : name(tree))
                .filter(id -> dataset.field(id) != null || dataset.named(id) != null)
                .map(id -> Proposals.Subject.of(id, dataset).type().kind())
                .orElse(Kind.DECIMAL);
    }

    private static Optional<String> name(Expression tree) {
        return tree instanceof Expression.Name name ? Optional.of(name.name()) : Optional.empty();
    }

    private static Optional<Expression> parsed(String text) {
        try {
            return Optional.of(ExpressionParser.parse(text));
        } catch (ProblemException e) {
            // It is being written: it is about no field yet.
            return Optional.empty();
        }
    }
}
