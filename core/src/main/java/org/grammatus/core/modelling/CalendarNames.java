package org.grammatus.core.modelling;

import java.time.DayOfWeek;
import java.time.Month;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.UnaryOperator;

/** Recognises the names of months and weekdays, whole or abbreviated, in several languages. */
final class CalendarNames {

    /** Fewer names may be anything: "May" is a name of people, too. */
    private static final int FEWEST = 3;

    private static final List<Locale> LANGUAGES = List.of(
            Locale.ENGLISH,
            Locale.GERMAN,
            Locale.FRENCH,
            Locale.ITALIAN,
            Locale.of("es"),
            Locale.of("nl"),
            Locale.of("pt"),
            Locale.of("pl"),
            Locale.of("sv"));

    private static final List<TextStyle> STYLES = List.of(TextStyle.FULL, TextStyle.SHORT);

    private static final List<UnaryOperator<String>> SPELLINGS = List.of(
            name -> name,
            name -> name.replace(".", ""),
            name -> name.toUpperCase(Locale.ROOT),
            name -> name.replace(".", "").toUpperCase(Locale.ROOT),
            name -> name.toLowerCase(Locale.ROOT),
            name -> name.replace(".", "").toLowerCase(Locale.ROOT));

    private CalendarNames() {}

    /** The names in their order through the year or the week, where all values are such names in one language and spelling. */
    static Optional<List<String>> order(ColumnSample sample) {
        Set<String> found = new TreeSet<>(sample.values());
        if (found.size() < FEWEST) {
            return Optional.empty();
        }
        for (Locale language : LANGUAGES) {
            for (TextStyle style : STYLES) {
                for (UnaryOperator<String> spelling : SPELLINGS) {
                    Optional<List<String>> order = names(
                                    Month.values(),
                                    month -> spelling.apply(month.getDisplayName(style, language)),
                                    found)
                            .or(() -> names(
                                    DayOfWeek.values(),
                                    day -> spelling.apply(day.getDisplayName(style, language)),
                                    found));
                    if (order.isPresent()) {
                        return order;
                    }
                }
            }
        }
        return Optional.empty();
    }

    private static <T> Optional<List<String>> names(T[] all, Function<T, String> name, Set<String> found) {
        List<String> names = new ArrayList<>(Arrays.stream(all).map(name).toList());
        return names.containsAll(found) ? Optional.of(names) : Optional.empty();
    }
}
