package org.grammatus.core.plan.planner;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.dataset.NumberClasses;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.expression.ArithmeticOperator;
import org.grammatus.core.expression.Comparator;
import org.grammatus.core.expression.DatePart;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.Expressions;
import org.grammatus.core.expression.ScalarFunction;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.planner.condition.FilterCondition;
import org.grammatus.core.plan.planner.condition.FilterScope;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;
import org.grammatus.core.words.Words;

/**
 * What a reader narrows a report to: the rows of a group, wherever it stands, or all others; or the rows with some values of a field.
 *
 * @param id of the filter that it becomes
 * @param dataset of the block in which it was pointed at
 * @param condition what a row must meet
 * @param asked the values that are wanted, where the condition compares with such
 * @param words the same, for people
 */
public record Narrowing(
        String id, DatasetModel dataset, Expression condition, List<ResolvedPrompt> asked, String words) {

    /** What conditions call the values that are wanted. */
    private static final String WANTED = "wanted";

    private static final int DAYS_OF_WEEK = 7;
    private static final LocalDate A_MONDAY = LocalDate.of(2001, 1, 1);

    /** Id of the filter that a field's narrowing becomes. */
    public static String idOf(String field) {
        return "view-narrow-" + field;
    }

    /**
     * A narrowing to some values of a field that a table prints.
     *
     * @throws ProblemException if the table prints no such field, or the values do not fit it
     */
    static Narrowing of(ReaderView.Narrow narrow, TablePlan table) {
        PrintedField field = field(narrow, table);
        ResolvedPrompt wanted = wanted(narrow, field, table);
        FilterScope scope = new FilterScope(
                table.dataset(), List.of(field.prompt(WANTED)), table.inputs().datasets());
        return new Narrowing(
                idOf(field.id()),
                table.dataset(),
                FilterCondition.of(field.filter(WANTED), scope),
                List.of(wanted),
                Words.of(table.locale()).only(field.label() + ": " + wanted.inWords(table.locale())));
    }

    /**
     * The values that a table is narrowed to, as an answer.
     *
     * @throws ProblemException if the table prints no such field, or the values do not fit it
     */
    public static ResolvedPrompt wanted(ReaderView.Narrow narrow, TablePlan table) {
        return wanted(narrow, field(narrow, table), table);
    }

    private static PrintedField field(ReaderView.Narrow narrow, TablePlan table) {
        String at = "/view/narrow/" + narrow.field();
        narrow.block().filter(block -> !block.equals(table.id())).ifPresent(block -> {
            throw new ProblemException(Problem.error(
                    at, "the report has no table \"" + block + "\"; narrow the whole report or one of its own"));
        });
        List<PrintedField> printed = PrintedField.of(table);
        return printed.stream()
                .filter(one -> one.id().equals(narrow.field()))
                .findFirst()
                .orElseThrow(() -> new ProblemException(Problem.error(
                        at,
                        "\"" + FilterWords.label(narrow.field(), table.dataset())
                                + "\" is not printed here, so that nothing is narrowed by it; choose one of: "
                                + printed.stream().map(PrintedField::label).collect(Collectors.joining(", ")))));
    }

    private static ResolvedPrompt wanted(ReaderView.Narrow narrow, PrintedField field, TablePlan table) {
        ReportPrompt prompt = field.prompt(WANTED);
        Problems problems = new Problems();
        ResolvedPrompt wanted = new Answers(Map.of(WANTED, narrow.values()))
                .resolve(List.of(prompt), table.context(), ReportDatasets.of(table.dataset()), table.locale(), problems)
                .getFirst();
        if (problems.hasErrors()) {
            throw new ProblemException(problems.found().stream()
                    .map(problem -> Problem.error("/view/narrow/" + narrow.field(), problem.message()))
                    .toList());
        }
        return wanted;
    }

    /**
     * A narrowing to a group of a table, or to all others.
     *
     * @throws ProblemException if the table has no such level, or its groups no such key
     */
    static Narrowing of(ReaderView.Only only, TablePlan table) {
        LevelPlan level = ReaderView.level(table, only.level(), "/view/only", "narrow to a group of");
        Expression inside = inGroup(level, only);
        Expression key = level.keys().expression();
        Expression others = only.key().isEmpty()
                ? Expressions.isNotNull(key)
                // Rows without a key are among the others.
                : Expressions.or(Expressions.not(inside), Expressions.isNull(key));
        return new Narrowing(
                "view-only-" + level.id() + only.key().map(value -> ":" + value).orElse(""),
                table.dataset(),
                only.except() ? others : inside,
                List.of(),
                words(only, level.name(), Words.of(table.locale())));
    }

    private static String words(ReaderView.Only only, String level, Words words) {
        String group = only.key().map(key -> level + " " + key).orElseGet(() -> words.withoutValue(level));
        return only.except() ? words.allBut(group) : words.only(group);
    }

    /** A table with some narrowings on top of its filters, as far as they are about its dataset. */
    static TablePlan applied(List<Narrowing> narrowings, TablePlan table) {
        TablePlan narrowed = table;
        for (Narrowing narrowing : narrowings) {
            if (table.dataset().includes(narrowing.dataset)) {
                narrowed = narrowing.applied(narrowed);
            }
        }
        return narrowed;
    }

    private TablePlan applied(TablePlan table) {
        return Typing.restriction(
                        condition, PlanNames.of(table, asked.isEmpty() ? table.prompts() : asked), Typing.Place.ROW)
                .map(typed -> table.narrowed(new FilterPlan(id, typed, Optional.empty(), words)))
                .orElse(table);
    }

    /** What a row must meet to lie in the group. */
    private static Expression inGroup(LevelPlan level, ReaderView.Only only) {
        Expression key = level.keys().expression();
        if (only.key().isEmpty()) {
            return Expressions.isNull(key);
        }
        Type type = level.keys().type();
        try {
            Scalar value = ScalarText.parse(only.key().get(), type);
            return level.keys()
                    .coarsening()
                    .map(coarsening -> switch (coarsening) {
                        case DateBucket bucket -> inBucket(key, bucket, value);
                        case NumberClasses classes -> inClass(key, classes, value);
                    })
                    .orElseGet(() -> Expressions.compare(key, Comparator.EQUAL, Expressions.literal(value)));
        } catch (IllegalArgumentException e) {
            throw new ProblemException(Problem.error("/view/only", e.getMessage()));
        }
    }

    private static Expression inClass(Expression key, NumberClasses classes, Scalar value) {
        long number = ((Scalar.Number) value).value().longValue();
        if (number < 1 || number > classes.count()) {
            throw new IllegalArgumentException("found class " + number + ", expected 1 to " + classes.count());
        }
        List<Expression> edges = new ArrayList<>();
        classes.above(number).ifPresent(edge -> edges.add(compared(key, Comparator.GREATER, edge)));
        classes.upTo(number).ifPresent(edge -> edges.add(compared(key, Comparator.LESS_OR_EQUAL, edge)));
        return edges.isEmpty() ? Expressions.isNotNull(key) : Expressions.all(edges);
    }

    private static Expression compared(Expression key, Comparator operator, BigDecimal edge) {
        return Expressions.compare(key, operator, Expressions.literal(Scalar.Number.decimal(edge)));
    }

    private static Expression inBucket(Expression key, DateBucket bucket, Scalar value) {
        if (!bucket.isCyclic()) {
            long start = bucket.key(((Scalar.Date) value).value().toEpochDay());
            return Expressions.and(
                    Expressions.compare(key, Comparator.GREATER_OR_EQUAL, day(start)),
                    Expressions.compare(key, Comparator.LESS, day(bucket.next(start))));
        }
        long number = ((Scalar.Number) value).value().longValue();
        return switch (bucket.bucket()) {
            case QUARTER_OF_YEAR -> hasPart(key, DatePart.QUARTER, number);
            case MONTH_OF_YEAR -> hasPart(key, DatePart.MONTH, number);
            case FISCAL_MONTH -> hasPart(key, DatePart.MONTH, bucket.calendarMonth(number));
            default -> isWeekday(key, number);
        };
    }

    private static Expression hasPart(Expression key, DatePart part, long number) {
        return Expressions.compare(
                new Expression.Extract(part, key, Expressions.NOWHERE), Comparator.EQUAL, Expressions.number(number));
    }

    /** Days since a Monday, which leave 0 on Mondays before and after it. */
    private static Expression isWeekday(Expression key, long number) {
        Expression week = Expressions.number(DAYS_OF_WEEK);
        Expression days = new Expression.Arithmetic(
                ArithmeticOperator.SUBTRACT,
                new Expression.Cast(key, Type.DATE, Expressions.NOWHERE),
                day(A_MONDAY.toEpochDay()),
                Expressions.NOWHERE);
        Expression fromMonday = new Expression.Arithmetic(
                ArithmeticOperator.ADD, Expressions.call(ScalarFunction.MOD, days, week), week, Expressions.NOWHERE);
        return Expressions.compare(
                Expressions.call(ScalarFunction.MOD, fromMonday, week),
                Comparator.EQUAL,
                Expressions.number(number - 1));
    }

    private static Expression day(long epochDay) {
        return Expressions.literal(new Scalar.Date(LocalDate.ofEpochDay(epochDay)));
    }
}
