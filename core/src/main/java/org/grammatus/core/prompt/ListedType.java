package org.grammatus.core.prompt;

import java.util.List;
import java.util.regex.Pattern;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Type;

/** The type of the values that a report lists for a choice without a field: numbers where all of them are, else texts. */
final class ListedType {

    /** Numbers that are written back as they stand: one that begins with a zero is a code. */
    private static final Pattern NUMBER = Pattern.compile("-?(0|[1-9]\\d{0,17})(\\.\\d{1,18})?");

    private ListedType() {}

    static Type of(List<ReportPrompt.Listed> listed) {
        boolean numbers = !listed.isEmpty()
                && listed.stream()
                        .allMatch(value -> NUMBER.matcher(value.value()).matches());
        if (!numbers) {
            return Type.TEXT;
        }
        int scale = listed.stream()
                .mapToInt(value -> Decimals.parse(value.value()).scale())
                .max()
                .orElse(0);
        return scale == 0 ? Type.INTEGER : Type.decimal(scale);
    }
}
