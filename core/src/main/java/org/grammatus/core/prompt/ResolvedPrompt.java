package org.grammatus.core.prompt;

import com.ibm.icu.util.ULocale;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.expression.Names;
import org.grammatus.core.value.Period;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;
import org.grammatus.core.words.Words;

/**
 * A prompt with its answer.
 *
 * @param name what expressions call it, after a colon
 * @param dataset for choices of another dataset than the report's, its id
 * @param field for choices, the field whose values are offered
 * @param listed for choices that the report lists itself, what each value is called
 * @param hidden whether the answers above leave nothing to ask, so that it has none
 * @param asked the answer as files and addresses write it, rolling names kept; empty text when there was none
 * @param answer what it stands for now
 */
public record ResolvedPrompt(
        String name,
        String label,
        PromptType type,
        Optional<String> dataset,
        Optional<String> field,
        Map<String, String> listed,
        boolean hidden,
        String asked,
        Answer answer) {

    /** Chosen values that are said in words; of more it is said how many. */
    private static final int MOST_SAID = 5;

    /** The field of the report's own dataset whose values are offered. */
    public Optional<String> ownField() {
        return field.filter(id -> dataset.isEmpty());
    }

    /** The days that it stands for; open where it asks for none. */
    public Period period() {
        return answer instanceof Answer.Days days ? days.period() : Period.OPEN;
    }

    /** The one value that was chosen of a field; NULL where none was, or where it asks for something else. */
    public Scalar choice() {
        return type == PromptType.CHOICE && answer instanceof Answer.One one ? one.value() : new Scalar.Null(Type.TEXT);
    }

    /** The values that were chosen of a field, one or several. */
    public List<Scalar> choices() {
        return switch (answer) {
            case Answer.Several several -> several.chosen().values();
            case Answer.One one when type == PromptType.CHOICE && !one.isOpen() -> List.of(one.value());
            default -> List.of();
        };
    }

    /** The answer as it stands on the page: {@code 1 October 2025 to 20 November 2026}, {@code all dates}, {@code 10 to 20}. */
    public String inWords(ULocale locale) {
        return switch (answer) {
            case Answer.Days days -> words(days.period(), locale);
            case Answer.One one ->
                one.isOpen()
                        ? Words.of(locale).all()
                        : type == PromptType.CHOICE ? called(asked) : word(one.value(), locale);
            case Answer.Ends ends -> words(ends, locale);
            case Answer.Several several ->
                several.isOpen()
                        ? Words.of(locale).all()
                        : inWords(
                                locale,
                                several.chosen(),
                                several.chosen().values().stream()
                                        .map(ScalarText::write)
                                        .map(this::called)
                                        .toList());
        };
    }

    private String called(String value) {
        return listed.getOrDefault(value, value);
    }

    /** Chosen values in words, by what they are called: {@code Kiln Yard, Finch Lane}, {@code all but Kiln Yard}. */
    public static String inWords(ULocale locale, Names.Chosen chosen, List<String> called) {
        Words words = Words.of(locale);
        String values = called.stream().limit(MOST_SAID).collect(Collectors.joining(", "));
        int more = called.size() - MOST_SAID;
        String all = more > 0 ? words.andMore(values, more) : values;
        String withBlank = !chosen.blank() ? all : all.isEmpty() ? words.none() : all + ", " + words.none();
        return chosen.except() ? words.allBut(withBlank) : withBlank;
    }

    private static String words(Period period, ULocale locale) {
        String from = period.from().map(d -> day(d.toEpochDay(), locale)).orElse("");
        String to = period.to().map(d -> day(d.toEpochDay(), locale)).orElse("");
        return period.isOpen() ? Words.of(locale).allDates() : Words.of(locale).span(from, to);
    }

    private static String words(Answer.Ends ends, ULocale locale) {
        Words words = Words.of(locale);
        return ends.isOpen() ? words.all() : words.span(word(ends.from(), locale), word(ends.to(), locale));
    }

    private static String word(Scalar value, ULocale locale) {
        return switch (value) {
            case Scalar.Number number -> new NumberAnswer(locale).words(number);
            case Scalar.Date date -> day(date.value().toEpochDay(), locale);
            case Scalar.Bool bool -> Words.of(locale).yesOrNo(bool.value());
            default -> ScalarText.write(value);
        };
    }

    /** What the answer stands for as it is written in files and addresses: an ISO 8601 interval, a value, values. */
    public String resolved() {
        return switch (answer) {
            case Answer.Days days -> days.period().toString();
            case Answer.One one -> type == PromptType.CHOICE ? asked : ScalarText.write(one.value());
            case Answer.Ends ends -> asked;
            case Answer.Several several -> asked;
        };
    }

    private static String day(long epochDay, ULocale locale) {
        return DateBucket.day(epochDay, locale);
    }
}
