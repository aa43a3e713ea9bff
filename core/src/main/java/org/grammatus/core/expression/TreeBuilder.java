package org.grammatus.core.expression;

import static org.grammatus.core.expression.ExpressionParser.fault;
import static org.grammatus.core.expression.ExpressionParser.position;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import org.antlr.v4.runtime.ParserRuleContext;
import org.antlr.v4.runtime.Token;
import org.grammatus.core.expression.grammar.SqlBaseVisitor;
import org.grammatus.core.expression.grammar.SqlParser;
import org.grammatus.core.problem.Problem.Position;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.value.Days;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** Turns the parser's tree into ours. */
final class TreeBuilder extends SqlBaseVisitor<Expression> {

    @Override
    public Expression visitNegation(SqlParser.NegationContext c) {
        return new Expression.Not(visit(c.expression()), at(c));
    }

    @Override
    public Expression visitConjunction(SqlParser.ConjunctionContext c) {
        return new Expression.Logic(Connective.AND, visit(c.left), visit(c.right), at(c));
    }

    @Override
    public Expression visitDisjunction(SqlParser.DisjunctionContext c) {
        return new Expression.Logic(Connective.OR, visit(c.left), visit(c.right), at(c));
    }

    @Override
    public Expression visitCondition(SqlParser.ConditionContext c) {
        Expression value = visit(c.operand());
        return switch (c.comparisonTail()) {
            case null -> value;
            case SqlParser.ComparisonContext t ->
                new Expression.Compare(comparator(t.comparator().getText()), value, visit(t.right), at(c));
            case SqlParser.BetweenContext t ->
                new Expression.Between(t.NOT() != null, value, visit(t.low), visit(t.high), at(c));
            case SqlParser.MembershipContext t ->
                new Expression.In(
                        t.NOT() != null,
                        value,
                        t.operand().stream().map(this::visit).toList(),
                        at(c));
            case SqlParser.LikenessContext t ->
                new Expression.Like(
                        t.NOT() != null,
                        value,
                        visit(t.pattern),
                        Optional.ofNullable(t.TEXT()).map(text -> escape(text.getSymbol())),
                        at(c));
            case SqlParser.NullTestContext t -> new Expression.IsNull(t.NOT() != null, value, at(c));
            default -> throw new IllegalStateException("Unknown comparison " + c.getText());
        };
    }

    @Override
    public Expression visitQualified(SqlParser.QualifiedContext c) {
        return new Expression.Qualified(name(c.qualifier), name(c.name(1)), at(c));
    }

    @Override
    public Expression visitExists(SqlParser.ExistsContext c) {
        SqlParser.HavingClauseContext having = c.havingClause();
        return new Expression.Exists(
                name(c.dataset),
                Optional.ofNullable(c.alias).map(TreeBuilder::name),
                visit(c.expression()),
                Optional.ofNullable(having)
                        .flatMap(clause -> Optional.ofNullable(clause.counted))
                        .map(this::visit),
                having == null ? 1 : least(having.least),
                at(c));
    }

    private static int least(Token number) {
        try {
            int least = Integer.parseInt(number.getText());
            if (least > 0) {
                return least;
            }
        } catch (NumberFormatException e) {
            // Told below, with what is right.
        }
        throw fault(position(number), "found " + number.getText() + ", expected a whole number of rows from 1 on");
    }

    @Override
    public Expression visitSigned(SqlParser.SignedContext c) {
        Expression operand = visit(c.operand());
        return c.sign.getType() == SqlParser.PLUS ? operand : new Expression.Negate(operand, at(c));
    }

    @Override
    public Expression visitProduct(SqlParser.ProductContext c) {
        var operator = c.operator.getType() == SqlParser.STAR ? ArithmeticOperator.MULTIPLY : ArithmeticOperator.DIVIDE;
        return new Expression.Arithmetic(operator, visit(c.left), visit(c.right), at(c));
    }

    @Override
    public Expression visitSum(SqlParser.SumContext c) {
        Expression left = visit(c.left);
        Expression right = visit(c.right);
        return switch (c.operator.getType()) {
            case SqlParser.PLUS -> new Expression.Arithmetic(ArithmeticOperator.ADD, left, right, at(c));
            case SqlParser.MINUS -> new Expression.Arithmetic(ArithmeticOperator.SUBTRACT, left, right, at(c));
            default -> new Expression.Concat(left, right, at(c));
        };
    }

    @Override
    public Expression visitPlain(SqlParser.PlainContext c) {
        return visit(c.primary());
    }

    @Override
    public Expression visitNumber(SqlParser.NumberContext c) {
        BigDecimal value;
        try {
            value = Decimals.parse(c.getText());
        } catch (IllegalArgumentException e) {
            throw fault(at(c), e.getMessage());
        }
        boolean whole = value.scale() == 0 && value.unscaledValue().bitLength() < Long.SIZE;
        return new Expression.Literal(
                whole ? new Scalar.Number(value, Type.INTEGER) : Scalar.Number.decimal(value), at(c));
    }

    @Override
    public Expression visitText(SqlParser.TextContext c) {
        return new Expression.Literal(new Scalar.Text(unquote(c.TEXT().getText(), '\'')), at(c));
    }

    @Override
    public Expression visitDateLiteral(SqlParser.DateLiteralContext c) {
        return new Expression.Literal(
                parsed(c.TEXT().getSymbol(), "a date such as '2026-01-31'", t -> new Scalar.Date(LocalDate.parse(t))),
                at(c));
    }

    @Override
    public Expression visitTimestampLiteral(SqlParser.TimestampLiteralContext c) {
        return new Expression.Literal(
                parsed(
                        c.TEXT().getSymbol(),
                        "a timestamp such as '2026-01-31 23:30:00'",
                        t -> new Scalar.Timestamp(LocalDateTime.parse(t.replace(' ', 'T')))),
                at(c));
    }

    @Override
    public Expression visitInterval(SqlParser.IntervalContext c) {
        return parsed(c.TEXT().getSymbol(), "a whole number such as '5'", t -> {
            int count = Integer.parseInt(t.trim());
            Expression.Unit unit = Expression.Unit.valueOf(word(c.unit));
            if (Math.abs((long) count) > unit.most()) {
                throw fault(position(c.TEXT().getSymbol()), "found " + count + ", expected at most " + unit.most());
            }
            return new Expression.Interval(count, unit, at(c));
        });
    }

    @Override
    public Expression visitTruth(SqlParser.TruthContext c) {
        return new Expression.Literal(new Scalar.Bool(c.value.getType() == SqlParser.TRUE), at(c));
    }

    @Override
    public Expression visitNullLiteral(SqlParser.NullLiteralContext c) {
        return new Expression.Literal(new Scalar.Null(Type.TEXT), at(c));
    }

    @Override
    public Expression visitPrompt(SqlParser.PromptContext c) {
        return new Expression.Prompt(c.getText().substring(1).toLowerCase(Locale.ROOT), at(c));
    }

    @Override
    public Expression visitCurrentDate(SqlParser.CurrentDateContext c) {
        return new Expression.CurrentDate(at(c));
    }

    @Override
    public Expression visitCoalesce(SqlParser.CoalesceContext c) {
        return new Expression.Coalesce(c.expression().stream().map(this::visit).toList(), at(c));
    }

    @Override
    public Expression visitCountRows(SqlParser.CountRowsContext c) {
        return over(
                new Expression.Aggregate(
                        AggregateFunction.COUNT, false, Optional.empty(), filter(c.filterClause()), at(c)),
                c.overClause());
    }

    @Override
    public Expression visitAggregate(SqlParser.AggregateContext c) {
        Expression.Aggregate aggregate = new Expression.Aggregate(
                AggregateFunction.valueOf(word(c.function)),
                c.DISTINCT() != null,
                Optional.of(visit(c.expression())),
                filter(c.filterClause()),
                at(c));
        return over(aggregate, c.overClause());
    }

    @Override
    public Expression visitRanked(SqlParser.RankedContext c) {
        return new Expression.Standing(
                StandingFunction.valueOf(word(c.function)),
                visit(c.by),
                c.partition.stream().map(TreeBuilder::name).toList(),
                Optional.empty(),
                c.direction != null && c.direction.getType() == SqlParser.DESC,
                at(c));
    }

    @Override
    public Expression visitLagged(SqlParser.LaggedContext c) {
        SqlParser.OverClauseContext over = c.overClause();
        return new Expression.Standing(
                StandingFunction.LAG,
                visit(c.expression()),
                over.partition.stream().map(TreeBuilder::name).toList(),
                Optional.ofNullable(over.stepped).map(TreeBuilder::name),
                false,
                at(c));
    }

    private static Expression over(Expression.Aggregate aggregate, SqlParser.OverClauseContext c) {
        return c == null
                ? aggregate
                : new Expression.Over(
                        aggregate,
                        c.partition.stream().map(TreeBuilder::name).toList(),
                        Optional.ofNullable(c.stepped).map(TreeBuilder::name),
                        aggregate.position());
    }

    private static Expression.Name name(SqlParser.NameContext c) {
        boolean quoted = c.QUOTED_NAME() != null;
        return new Expression.Name(quoted ? unquote(c.getText(), '"') : c.getText(), quoted, at(c));
    }

    private Optional<Expression> filter(SqlParser.FilterClauseContext c) {
        return Optional.ofNullable(c).map(clause -> visit(clause.expression()));
    }

    @Override
    public Expression visitCast(SqlParser.CastContext c) {
        return new Expression.Cast(visit(c.expression()), TypeNames.type(c.typeName()), at(c));
    }

    @Override
    public Expression visitExtraction(SqlParser.ExtractionContext c) {
        return new Expression.Extract(DatePart.valueOf(word(c.part)), visit(c.expression()), at(c));
    }

    @Override
    public Expression visitSubstring(SqlParser.SubstringContext c) {
        List<Expression> arguments = new ArrayList<>(List.of(visit(c.expression(0)), visit(c.start)));
        optional(c.length).ifPresent(arguments::add);
        return new Expression.Call(ScalarFunction.SUBSTRING, List.copyOf(arguments), at(c));
    }

    @Override
    public Expression visitTextPosition(SqlParser.TextPositionContext c) {
        return new Expression.Call(ScalarFunction.POSITION, List.of(visit(c.sought), visit(c.within)), at(c));
    }

    @Override
    public Expression visitCall(SqlParser.CallContext c) {
        String name = c.function.getText();
        ScalarFunction function = ScalarFunction.named(name)
                .orElseThrow(() -> fault(
                        at(c), "unknown function \"" + name + "\"" + Suggestion.inWords(name, ScalarFunction.names())));
        List<Expression> arguments = c.expression().stream().map(this::visit).toList();
        if (!function.takes(arguments.size())) {
            throw fault(at(c), function + " takes " + function.arity() + " values, found " + arguments.size());
        }
        return new Expression.Call(function, arguments, at(c));
    }

    @Override
    public Expression visitSearchedCase(SqlParser.SearchedCaseContext c) {
        return new Expression.Case(Optional.empty(), whens(c.whenThen()), optional(c.otherwise), at(c));
    }

    @Override
    public Expression visitSimpleCase(SqlParser.SimpleCaseContext c) {
        return new Expression.Case(Optional.of(visit(c.subject)), whens(c.whenThen()), optional(c.otherwise), at(c));
    }

    @Override
    public Expression visitField(SqlParser.FieldContext c) {
        return name(c.name());
    }

    @Override
    public Expression visitParenthesised(SqlParser.ParenthesisedContext c) {
        return visit(c.expression());
    }

    private List<Expression.When> whens(List<SqlParser.WhenThenContext> contexts) {
        return contexts.stream()
                .map(w -> new Expression.When(visit(w.condition_), visit(w.result)))
                .toList();
    }

    private Optional<Expression> optional(ParserRuleContext c) {
        return Optional.ofNullable(c).map(this::visit);
    }

    private static Comparator comparator(String symbol) {
        for (Comparator comparator : Comparator.values()) {
            if (comparator.symbol().equals(symbol)) {
                return comparator;
            }
        }
        throw new IllegalStateException("Unknown comparison " + symbol);
    }

    private static String escape(Token token) {
        String text = unquote(token.getText(), '\'');
        if (text.codePointCount(0, text.length()) != 1) {
            throw fault(position(token), "found '" + text + "', expected one character");
        }
        return text;
    }

    private static <T> T parsed(Token token, String expected, Function<String, T> parse) {
        String text = unquote(token.getText(), '\'');
        try {
            return parse.apply(text);
        } catch (DateTimeException | NumberFormatException e) {
            throw fault(
                    position(token), Days.whyNone(text).orElseGet(() -> "found '" + text + "', expected " + expected));
        }
    }

    private static String unquote(String text, char quote) {
        String one = String.valueOf(quote);
        return text.substring(1, text.length() - 1).replace(one + one, one);
    }

    private static String word(Token token) {
        return token.getText().toUpperCase(Locale.ROOT);
    }

    private static Position at(ParserRuleContext c) {
        return position(c.getStart());
    }
}
