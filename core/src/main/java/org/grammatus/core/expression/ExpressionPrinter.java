package org.grammatus.core.expression;

import java.math.BigDecimal;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.value.Scalar;

/**
 * Prints a tree as text that parses to the same tree. Every operand that could be misread stands in parentheses; names are
 * quoted where they were.
 */
public final class ExpressionPrinter {

    private static final DateTimeFormatter TIMESTAMP = DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm:ss.SSSSSSSSS");

    private ExpressionPrinter() {}

    public static String print(Expression e) {
        return switch (e) {
            case Expression.Literal l -> literal(l.value());
            case Expression.Name n -> n.quoted() ? "\"" + n.name().replace("\"", "\"\"") + "\"" : n.name();
            case Expression.Qualified q -> print(q.rows()) + "." + print(q.field());
            case Expression.Exists x -> exists(x);
            case Expression.Prompt p -> ":" + p.name();
            case Expression.Interval i -> "INTERVAL '" + i.count() + "' " + i.unit();
            case Expression.Call c -> call(c);
            case Expression.Cast c -> "CAST(" + print(c.value()) + " AS " + TypeNames.name(c.type()) + ")";
            case Expression.Extract x -> "EXTRACT(" + x.part() + " FROM " + print(x.value()) + ")";
            case Expression.Negate n -> "- " + nested(n.operand());
            case Expression.Not n -> "NOT " + nested(n.operand());
            case Expression.Arithmetic a ->
                nested(a.left()) + " " + a.operator().symbol() + " " + nested(a.right());
            case Expression.Concat c -> nested(c.left()) + " || " + nested(c.right());
            case Expression.Compare c -> compared(c.left()) + " " + c.operator().symbol() + " " + compared(c.right());
            case Expression.Logic l ->
                joined(l.left(), l, true) + " " + l.connective() + " " + joined(l.right(), l, false);
            case Expression.Between b ->
                nested(b.value()) + not(b.negated()) + " BETWEEN " + nested(b.low()) + " AND " + nested(b.high());
            case Expression.In in ->
                nested(in.value()) + not(in.negated()) + " IN ("
                        + in.list().stream().map(ExpressionPrinter::nested).collect(Collectors.joining(", ")) + ")";
            case Expression.Like l ->
                nested(l.value()) + not(l.negated()) + " LIKE " + nested(l.pattern())
                        + l.escape()
                                .map(sign -> " ESCAPE " + literal(new Scalar.Text(sign)))
                                .orElse("");
            case Expression.Coalesce c ->
                c.values().stream().map(ExpressionPrinter::print).collect(Collectors.joining(", ", "COALESCE(", ")"));
            case Expression.CurrentDate c -> "CURRENT_DATE";
            case Expression.IsNull n -> nested(n.value()) + " IS" + not(n.negated()) + " NULL";
            case Expression.Case c -> caseText(c);
            case Expression.Over o -> print(o.aggregate()) + over(o);
            case Expression.Standing s -> standing(s);
            case Expression.Aggregate a ->
                a.function() + "("
                        + a.argument()
                                .map(x -> (a.distinct() ? "DISTINCT " : "") + print(x))
                                .orElse("*")
                        + ")"
                        + a.filter()
                                .map(f -> " FILTER (WHERE " + print(f) + ")")
                                .orElse("");
        };
    }

    private static String exists(Expression.Exists x) {
        String counted = x.counted().map(value -> "DISTINCT " + print(value)).orElse("*");
        boolean counts = x.least() > 1 || x.counted().isPresent();
        return "EXISTS (SELECT * FROM " + print(x.dataset())
                + x.rows().map(name -> " AS " + print(name)).orElse("")
                + " WHERE " + print(x.where())
                + (counts ? " HAVING COUNT(" + counted + ") >= " + x.least() : "") + ")";
    }

    private static String call(Expression.Call c) {
        List<String> arguments =
                c.arguments().stream().map(ExpressionPrinter::print).toList();
        return switch (c.function()) {
            case SUBSTRING ->
                "SUBSTRING(" + arguments.get(0) + " FROM " + arguments.get(1)
                        + (arguments.size() == 3 ? " FOR " + arguments.get(2) : "") + ")";
            case POSITION ->
                "POSITION(" + nested(c.arguments().get(0)) + " IN "
                        + nested(c.arguments().get(1)) + ")";
            default -> c.function() + arguments.stream().collect(Collectors.joining(", ", "(", ")"));
        };
    }

    private static String caseText(Expression.Case c) {
        StringBuilder out = new StringBuilder("CASE");
        c.subject().ifPresent(subject -> out.append(' ').append(nested(subject)));
        for (Expression.When when : c.whens()) {
            out.append(" WHEN ").append(print(when.condition()));
            out.append(" THEN ").append(print(when.result()));
        }
        c.otherwise().ifPresent(otherwise -> out.append(" ELSE ").append(print(otherwise)));
        return out.append(" END").toString();
    }

    /** A part of AND or OR: conditions and chains of the same connective are read alike without parentheses. */
    private static String joined(Expression part, Expression.Logic whole, boolean left) {
        return switch (part) {
            case Expression.Compare c -> print(c);
            case Expression.In in -> print(in);
            case Expression.Like l -> print(l);
            case Expression.IsNull n -> print(n);
            case Expression.Logic l when left && l.connective() == whole.connective() -> print(l);
            default -> nested(part);
        };
    }

    /** A side of a comparison: a day that is some days away from another is read alike without parentheses. */
    private static String compared(Expression side) {
        return side instanceof Expression.Arithmetic a && a.right() instanceof Expression.Interval
                ? print(side)
                : nested(side);
    }

    private static String nested(Expression e) {
        return switch (e) {
            case Expression.Literal l -> print(l);
            case Expression.Name n -> print(n);
            case Expression.Qualified q -> print(q);
            case Expression.Exists x -> print(x);
            case Expression.Prompt p -> print(p);
            case Expression.Interval i -> print(i);
            case Expression.Call c -> print(c);
            case Expression.Cast c -> print(c);
            case Expression.Extract x -> print(x);
            case Expression.Case c -> print(c);
            case Expression.Coalesce c -> print(c);
            case Expression.CurrentDate c -> print(c);
            case Expression.Aggregate a -> print(a);
            case Expression.Over o -> print(o);
            case Expression.Standing s -> print(s);
            default -> "(" + print(e) + ")";
        };
    }

    private static String over(Expression.Over o) {
        return over(o.partition(), o.stepped().map(ExpressionPrinter::print));
    }

    private static String over(List<Expression.Name> partition, Optional<String> order) {
        List<String> parts = new ArrayList<>();
        if (!partition.isEmpty()) {
            parts.add(partition.stream()
                    .map(ExpressionPrinter::print)
                    .collect(Collectors.joining(", ", "PARTITION BY ", "")));
        }
        order.ifPresent(by -> parts.add("ORDER BY " + by));
        return " OVER (" + String.join(" ", parts) + ")";
    }

    private static String standing(Expression.Standing s) {
        return s.function() == StandingFunction.LAG
                ? "LAG(" + print(s.value()) + ")"
                        + over(s.partition(), s.stepped().map(ExpressionPrinter::print))
                : s.function() + "()"
                        + over(s.partition(), Optional.of(print(s.value()) + (s.descending() ? " DESC" : "")));
    }

    private static String not(boolean negated) {
        return negated ? " NOT" : "";
    }

    private static String literal(Scalar value) {
        return switch (value) {
            case Scalar.Null n -> "NULL";
            case Scalar.Text t -> "'" + t.value().replace("'", "''") + "'";
            case Scalar.Number n -> plain(n.value());
            case Scalar.Date d -> "DATE '" + d.value() + "'";
            case Scalar.Timestamp t -> "TIMESTAMP '" + TIMESTAMP.format(t.value()) + "'";
            case Scalar.Bool b -> b.value() ? "TRUE" : "FALSE";
        };
    }

    private static String plain(BigDecimal number) {
        return number.toPlainString();
    }
}
