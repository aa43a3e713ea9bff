package org.grammatus.core.plan.planner.condition;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.definition.FilterComparison;
import org.grammatus.core.definition.FilterKind;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.expression.Comparator;
import org.grammatus.core.expression.Connective;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.ExpressionPrinter;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;

/**
 * What a typed filter is as a built one, where it means the same row for row: blanks among them, and the whole day that a day stands for on
 * moments. AND and OR become groups, of which a part that has no built form stays typed.
 */
public final class BuiltForm {

    private static final String NOTHING_ESCAPED = "[^%_\\\\]*";

    private final FilterScope scope;
    private final Supplier<String> ids;

    private BuiltForm(FilterScope scope, Supplier<String> ids) {
        this.scope = scope;
        this.ids = ids;
    }

    /**
     * The built form of a typed filter.
     *
     * @param ids gives every part an id of its own
     * @return none where it has none
     * @throws org.grammatus.core.problem.ProblemException if it cannot be parsed
     */
    public static Optional<ReportFilter> of(ReportFilter.Typed typed, FilterScope scope, Supplier<String> ids) {
        BuiltForm built = new BuiltForm(scope, ids);
        return built.filter(ExpressionParser.parse(typed.where()), typed.id())
                .map(filter -> built.reaching(filter, typed));
    }

    /** The same with the reach of the typed one. */
    private ReportFilter reaching(ReportFilter filter, ReportFilter.Typed typed) {
        return switch (filter) {
            case ReportFilter.Condition c ->
                new ReportFilter.Condition(
                        c.id(),
                        c.field(),
                        c.comparison(),
                        c.values(),
                        c.other(),
                        c.ignoreCase(),
                        c.prompt(),
                        typed.blocks(),
                        c.also(),
                        typed.off());
            case ReportFilter.OfPeriod p ->
                new ReportFilter.OfPeriod(p.id(), p.field(), p.prompt(), typed.blocks(), p.also(), typed.off());
            case ReportFilter.Several s ->
                new ReportFilter.Several(s.id(), s.kind(), s.filters(), typed.blocks(), typed.off());
            default -> filter;
        };
    }

    private Optional<ReportFilter> filter(Expression e, String id) {
        return leaf(e, id)
                .or(() -> e instanceof Expression.Logic logic ? Optional.of(several(logic, id)) : Optional.empty());
    }

    private ReportFilter several(Expression.Logic logic, String id) {
        List<ReportFilter> parts = joined(logic, logic.connective())
                .map(part -> {
                    String own = ids.get();
                    return filter(part, own)
                            .orElseGet(() -> new ReportFilter.Typed(
                                    own, ExpressionPrinter.print(part), Optional.empty(), Optional.empty()));
                })
                .toList();
        FilterKind kind = logic.connective() == Connective.AND ? FilterKind.ALL : FilterKind.ANY;
        return new ReportFilter.Several(id, kind, parts, Optional.empty(), Optional.empty());
    }

    private static Stream<Expression> joined(Expression e, Connective by) {
        return e instanceof Expression.Logic logic && logic.connective() == by
                ? Stream.concat(joined(logic.left(), by), joined(logic.right(), by))
                : Stream.of(e);
    }

    private Optional<ReportFilter> leaf(Expression e, String id) {
        return switch (e) {
            case Expression.Compare c -> compared(c, id);
            case Expression.In in
            when !in.negated() && isField(in.value()) && !isMoment(in.value()) ->
                values(in.value(), in.list())
                        .map(values -> condition(id, in.value(), FilterComparison.IS, values))
                        .or(() -> asked(id, in.value(), FilterComparison.IS, in.list()));
            case Expression.Between b
            when !b.negated() && isField(b.value()) && !isMoment(b.value()) ->
                values(b.value(), List.of(b.low(), b.high()))
                        .map(values -> condition(id, b.value(), FilterComparison.BETWEEN, values));
            case Expression.IsNull n
            when isField(n.value()) ->
                Optional.of(condition(
                        id, n.value(), n.negated() ? FilterComparison.NOT_BLANK : FilterComparison.BLANK, List.of()));
            case Expression.Like like when !like.negated() && isField(like.value()) -> part(like, id);
            case Expression.Logic logic -> exclusion(logic, id).or(() -> period(logic, id));
            case Expression.Not not -> exclusionOfSeveral(not, id);
            default -> Optional.empty();
        };
    }

    /** {@code f NOT IN (…) OR f IS NULL}: a built exclusion keeps blanks. */
    private Optional<ReportFilter> exclusion(Expression.Logic logic, String id) {
        return logic.connective() == Connective.OR
                        && logic.left() instanceof Expression.In in
                        && in.negated()
                        && logic.right() instanceof Expression.IsNull blank
                        && !blank.negated()
                        && isField(in.value())
                        && !isMoment(in.value())
                        && field(in.value()).equals(field(blank.value()))
                ? values(in.value(), in.list())
                        .map(values -> condition(id, in.value(), FilterComparison.IS_NOT, values))
                        .or(() -> asked(id, in.value(), FilterComparison.IS_NOT, in.list())
                                .filter(built -> !asksForSeveral(in)))
                : Optional.empty();
    }

    /** {@code NOT COALESCE(f IN (:p), FALSE)}: all rows but those that meet an answer of several values. */
    private Optional<ReportFilter> exclusionOfSeveral(Expression.Not not, String id) {
        return not.operand() instanceof Expression.Coalesce coalesce
                        && coalesce.values().size() == 2
                        && coalesce.values().getFirst() instanceof Expression.In in
                        && !in.negated()
                        && coalesce.values().getLast() instanceof Expression.Literal literal
                        && literal.value().equals(new Scalar.Bool(false))
                        && isField(in.value())
                        && asksForSeveral(in)
                ? asked(id, in.value(), FilterComparison.IS_NOT, in.list())
                : Optional.empty();
    }

    private boolean asksForSeveral(Expression.In in) {
        return in.list().getFirst() instanceof Expression.Prompt prompt
                && scope.prompts().stream()
                        .anyMatch(p -> p.name().equals(prompt.name()) && p.type() == PromptType.CHOICES);
    }

    /** What the typed form of a period filter is. */
    private Optional<ReportFilter> period(Expression.Logic logic, String id) {
        return logic.left() instanceof Expression.Compare from && isField(from.left())
                ? scope.prompts().stream()
                        .filter(prompt -> prompt.type() == PromptType.PERIOD)
                        .map(prompt -> new ReportFilter.OfPeriod(
                                id,
                                field(from.left()),
                                prompt.name(),
                                Optional.empty(),
                                Optional.empty(),
                                Optional.empty()))
                        .filter(built ->
                                FilterCondition.text(built, scope).equals(ExpressionPrinter.print(quoted(logic))))
                        .findFirst()
                        .map(ReportFilter.class::cast)
                : Optional.empty();
    }

    /** The same with its field's name in quotes, as the typed form of a built filter has it. */
    private static Expression quoted(Expression e) {
        return switch (e) {
            case Expression.Logic l ->
                new Expression.Logic(l.connective(), quoted(l.left()), quoted(l.right()), l.position());
            case Expression.Compare c ->
                new Expression.Compare(c.operator(), quoted(c.left()), c.right(), c.position());
            case Expression.Name n -> new Expression.Name(n.name(), true, n.position());
            default -> e;
        };
    }

    private Optional<ReportFilter> compared(Expression.Compare c, String id) {
        if (!isField(c.left())) {
            return Optional.empty();
        }
        Optional<FilterComparison> comparison = switch (c.operator()) {
            case EQUAL -> Optional.of(FilterComparison.IS);
            case LESS -> Optional.of(FilterComparison.LESS);
            case LESS_OR_EQUAL -> Optional.of(FilterComparison.AT_MOST);
            case GREATER -> Optional.of(FilterComparison.MORE);
            case GREATER_OR_EQUAL -> Optional.of(FilterComparison.AT_LEAST);
            // It drops blanks, which a built exclusion keeps.
            case NOT_EQUAL -> Optional.empty();
        };
        // On moments, a day stands for all of it but where it is compared with from its beginning.
        boolean same =
                !isMoment(c.left()) || c.operator() == Comparator.LESS || c.operator() == Comparator.GREATER_OR_EQUAL;
        return comparison
                .filter(one -> same)
                .flatMap(one -> values(c.left(), List.of(c.right()))
                        .map(values -> condition(id, c.left(), one, values))
                        .or(() -> asked(id, c.left(), one, List.of(c.right())))
                        .or(() -> other(id, c.left(), one, c.right())));
    }

    private Optional<ReportFilter> other(String id, Expression field, FilterComparison comparison, Expression right) {
        return isField(right)
                ? Optional.of(new ReportFilter.Condition(
                        id,
                        field(field),
                        comparison,
                        Optional.empty(),
                        Optional.of(field(right)),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty()))
                : Optional.empty();
    }

    private Optional<ReportFilter> asked(
            String id, Expression field, FilterComparison comparison, List<Expression> list) {
        return list.size() == 1
                        && list.getFirst() instanceof Expression.Prompt prompt
                        && scope.prompts().stream().anyMatch(p -> isComparable(p, prompt.name()))
                ? Optional.of(new ReportFilter.Condition(
                        id,
                        field(field),
                        comparison,
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.of(prompt.name()),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty()))
                : Optional.empty();
    }

    private static boolean isComparable(ReportPrompt prompt, String name) {
        return prompt.name().equals(name) && !prompt.type().hasEnds();
    }

    private Optional<ReportFilter> part(Expression.Like like, String id) {
        if (!(like.pattern() instanceof Expression.Literal literal)
                || !(literal.value() instanceof Scalar.Text(String pattern))
                || !pattern.endsWith("%")) {
            return Optional.empty();
        }
        boolean anywhere = pattern.startsWith("%") && pattern.length() > 1;
        String sought = pattern.substring(anywhere ? 1 : 0, pattern.length() - 1);
        return !sought.isEmpty() && sought.matches(NOTHING_ESCAPED)
                ? Optional.of(condition(
                        id,
                        like.value(),
                        anywhere ? FilterComparison.CONTAINS : FilterComparison.STARTS_WITH,
                        List.of(sought)))
                : Optional.empty();
    }

    private static ReportFilter condition(
            String id, Expression field, FilterComparison comparison, List<String> values) {
        return new ReportFilter.Condition(
                id,
                field(field),
                comparison,
                values.isEmpty() ? Optional.empty() : Optional.of(values),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    /** Values as conditions write them; none where one is no plain value of the field. */
    private Optional<List<String>> values(Expression field, List<Expression> list) {
        List<String> values = new ArrayList<>();
        for (Expression item : list) {
            if (!(item instanceof Expression.Literal literal)
                    || literal.value() instanceof Scalar.Null
                    || !fits(field, literal.value())) {
                return Optional.empty();
            }
            values.add(ScalarText.write(literal.value()));
        }
        return Optional.of(values);
    }

    private boolean fits(Expression field, Scalar value) {
        Kind kind = scope.typeOf(field(field)).kind();
        boolean tooFine = kind == Kind.INTEGER
                && value instanceof Scalar.Number n
                && n.value().scale() > 0;
        return !tooFine
                && switch (value) {
                    case Scalar.Number n -> kind == Kind.INTEGER || kind == Kind.DECIMAL;
                    case Scalar.Date d -> kind == Kind.DATE || kind == Kind.TIMESTAMP;
                    case Scalar.Text t -> kind == Kind.TEXT;
                    case Scalar.Bool b -> kind == Kind.BOOLEAN;
                    default -> false;
                };
    }

    private boolean isField(Expression e) {
        return e instanceof Expression.Name name && scope.dataset().rowNames().contains(name.name());
    }

    private boolean isMoment(Expression field) {
        return scope.typeOf(field(field)).kind() == Kind.TIMESTAMP;
    }

    private static String field(Expression e) {
        return e instanceof Expression.Name name ? name.name() : "";
    }
}
