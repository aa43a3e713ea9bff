package org.grammatus.core.edit.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.References;
import org.grammatus.core.problem.ProblemException;

/** Expressions that compare a value with others of its group, as rules have them. */
public final class Windows {

    private Windows() {}

    /** An expression as one value among others: more than a name stands in parentheses. */
    public static String operand(String value) {
        try {
            return ExpressionParser.parse(value) instanceof Expression.Name ? value : "(" + value + ")";
        } catch (ProblemException e) {
            return "(" + value + ")";
        }
    }

    /** Over the groups of levels, from the outermost down, or over the whole report. */
    public static String over(List<ReportLevel> levels) {
        return "OVER (" + partition(levels) + ")";
    }

    private static String over(List<ReportLevel> levels, String order) {
        List<String> parts = new ArrayList<>(List.of(partition(levels), "ORDER BY " + order));
        parts.removeIf(String::isEmpty);
        return "OVER (" + String.join(" ", parts) + ")";
    }

    private static String partition(List<ReportLevel> levels) {
        return levels.isEmpty()
                ? ""
                : levels.stream()
                        .map(level -> References.to(level.id()))
                        .collect(Collectors.joining(", ", "PARTITION BY ", ""));
    }

    /** Where a value stands among the others of its group. */
    public static String rank(String x, List<ReportLevel> levels, boolean descending) {
        return "RANK() " + over(levels, descending ? x + " DESC" : x);
    }

    /** Which part of the others of its group are no smaller. */
    public static String part(String x, List<ReportLevel> levels) {
        return "CUME_DIST() " + over(levels, x + " DESC");
    }

    /** Further from what is printed before it than a tenth of that. */
    public static String changed(String x, List<ReportLevel> levels, String stepped) {
        String before = "LAG(" + x + ") " + over(levels, References.to(stepped));
        return "ABS(" + x + " - " + before + ") > 0.1 * ABS(" + before + ")";
    }

    /** Further from the average than twice the standard deviation: squares are compared, as there are no roots. */
    public static String outside(String x, String group) {
        String distance = "(" + x + " - AVG(" + x + ") " + group + ")";
        return distance + " * " + distance + " > 4 * (AVG(" + x + " * " + x + ") " + group + " - AVG(" + x + ") "
                + group + " * AVG(" + x + ") " + group + ")";
    }

    /** More than one row of the report has the value. */
    public static String alike(String field) {
        return "COUNT(*) OVER (PARTITION BY " + field + ") > 1 AND " + field + " IS NOT NULL";
    }
}
