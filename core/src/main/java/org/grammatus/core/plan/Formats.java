package org.grammatus.core.plan;

import com.ibm.icu.text.DecimalFormat;
import com.ibm.icu.util.ULocale;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.value.Type;

/** Chooses the CLDR pattern of what has none of its own: its field's, else one that fits its type. */
public final class Formats {

    private static final int MOST_PRINTED_DECIMALS = 2;

    private Formats() {}

    /** The pattern of an expression. */
    public static String of(Typed value, DatasetModel dataset) {
        return switch (value) {
            case Typed.Field f -> of(dataset.field(f.id()), dataset);
            case Typed.Named n -> dataset.named(n.id()).format().orElseGet(() -> of(n.value(), dataset));
            case Typed.LabelledKey c -> of(c.name(), dataset);
            case Typed.Negate n -> of(n.operand(), dataset);
            case Typed.Aggregate a
            when a.function() != AggregateFunction.COUNT -> of(a.argument().orElseThrow(), dataset);
            default -> byType(value.type(), dataset);
        };
    }

    private static String of(DatasetModel.FieldInfo field, DatasetModel dataset) {
        return field.definition().format().orElseGet(() -> byType(field.type(), dataset));
    }

    /** A pattern that fits a type, as the house style of what is printed has it. */
    public static String byType(Type type, DatasetModel dataset) {
        return dataset.patterns().of(byType(type));
    }

    /** A pattern that fits a type. */
    private static String byType(Type type) {
        return switch (type.kind()) {
            case TEXT, BOOLEAN -> "";
            case INTEGER -> "#,##0";
            case DECIMAL ->
                type.scale() == 0 ? "#,##0" : "#,##0." + "0".repeat(Math.min(type.scale(), MOST_PRINTED_DECIMALS));
            case DATE -> "d MMM y";
            case TIMESTAMP -> "d MMM y HH:mm";
        };
    }

    /** Whether a pattern of moments prints their day and not their time: no field of it is an hour, a minute or smaller. */
    public static boolean printsDayAlone(String pattern) {
        String fields = pattern.replaceAll("'[^']*'", "");
        return !fields.isEmpty() && fields.chars().noneMatch(letter -> "ahHkKmsSABbC".indexOf(letter) >= 0);
    }

    /** Notes a pattern that CLDR does not know. */
    public static void check(String pointer, String format, Type type, Problems problems) {
        try {
            switch (type.kind()) {
                case INTEGER, DECIMAL -> new DecimalFormat(format);
                case DATE, TIMESTAMP -> DateBucket.dateFormat(format, ULocale.ROOT);
                case TEXT, BOOLEAN -> {}
            }
        } catch (IllegalArgumentException e) {
            problems.error(pointer, "found \"" + format + "\", expected a CLDR pattern such as #,##0.00 or d MMM y");
        }
    }
}
