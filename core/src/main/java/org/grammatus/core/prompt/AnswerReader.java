package org.grammatus.core.prompt;

import com.ibm.icu.util.ULocale;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.expression.Names;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.value.Period;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;

/** Reads one answer after the other, each by what its prompt asks for; what is wrong is noted, and leaves the prompt open. */
final class AnswerReader {

    private static final int MOST_CHARACTERS = 100_000;
    /** Of a decimal that nobody has typed. */
    private static final int DECIMALS = 2;

    /** Between the ends of a range. */
    private static final String ENDS = "..";

    private final ReportDatasets datasets;
    private final Answers answers;
    private final Problems problems;
    private final PeriodText periods;
    private final NumberAnswer numbers;

    AnswerReader(RunContext context, ReportDatasets datasets, ULocale locale, Answers answers, Problems problems) {
        this.answers = answers;
        this.datasets = datasets;
        this.problems = problems;
        this.periods = new PeriodText(context, datasets.main().calendar(), locale);
        this.numbers = new NumberAnswer(locale);
    }

    /** What a text comes to, with how it is written from now on. */
    private record Read(Answer answer, String written) {}

    ResolvedPrompt resolved(ReportPrompt prompt, String text) {
        String at = "/answers/" + prompt.name();
        Read open = new Read(open(prompt), text);
        Read read = text.isEmpty() ? new Read(open.answer, "") : noting(at, () -> read(prompt, text), open);
        boolean wrong = read == open;
        // A default that has no value today answers nothing either, nor does a period or a range with both ends open.
        if (answers.complete() && prompt.required().orElse(false) && !wrong && read.answer.isOpen()) {
            problems.add(Problem.error(at, "\"" + prompt.label() + "\" needs an answer; " + give(prompt)));
        }
        return resolved(prompt, read, false);
    }

    /** A prompt that is not asked has no answer. */
    ResolvedPrompt hidden(ReportPrompt prompt) {
        return resolved(prompt, new Read(open(prompt), ""), true);
    }

    private static ResolvedPrompt resolved(ReportPrompt prompt, Read read, boolean hidden) {
        Optional<ReportPrompt.Choice> choice = Optional.of(prompt)
                .filter(ReportPrompt.Choice.class::isInstance)
                .map(ReportPrompt.Choice.class::cast);
        Map<String, String> listed = choice.flatMap(ReportPrompt.Choice::listed).orElse(List.of()).stream()
                .collect(Collectors.toMap(
                        ReportPrompt.Listed::value, ReportPrompt.Listed::label, (first, second) -> first));
        return new ResolvedPrompt(
                prompt.name(),
                prompt.label(),
                prompt.type(),
                choice.flatMap(ReportPrompt.Choice::dataset),
                choice.flatMap(ReportPrompt.Choice::field),
                listed,
                hidden,
                read.written,
                read.answer);
    }

    private Read noting(String at, Supplier<Read> read, Read otherwise) {
        Problems own = new Problems();
        Read found = own.collect(
                at,
                () -> {
                    try {
                        return read.get();
                    } catch (IllegalArgumentException e) {
                        throw new ProblemException(Problem.error("", e.getMessage()));
                    }
                },
                otherwise);
        own.found().forEach(problems::add);
        return found;
    }

    private static String give(ReportPrompt prompt) {
        return switch (prompt.type()) {
            case PERIOD -> "give a period";
            case CHOICE, CHOICES -> "choose a value";
            case TEXT -> "type a text";
            case WHOLE_NUMBER, DECIMAL -> "type a number";
            case DATE -> "give a day";
            case YES_NO -> "say yes or no";
            case NUMBER_RANGE, TEXT_RANGE -> "give a start or an end";
        };
    }

    private Answer open(ReportPrompt prompt) {
        return switch (prompt) {
            case ReportPrompt.OfPeriod p -> new Answer.Days(Period.OPEN);
            case ReportPrompt.Choice c ->
                c.type() == PromptType.CHOICES
                        ? Answer.Several.open(typeOf(c).orElse(Type.TEXT))
                        : new Answer.One(new Scalar.Null(typeOf(c).orElse(Type.TEXT)));
            case ReportPrompt.Value v -> new Answer.One(new Scalar.Null(typeOf(v.type())));
            case ReportPrompt.Range r ->
                new Answer.Ends(new Scalar.Null(typeOf(r.type())), new Scalar.Null(typeOf(r.type())));
        };
    }

    private Read read(ReportPrompt prompt, String text) {
        if (text.length() > MOST_CHARACTERS) {
            throw new IllegalArgumentException("the answer is longer than %,d characters".formatted(MOST_CHARACTERS));
        }
        return switch (prompt) {
            case ReportPrompt.OfPeriod asked ->
                DaysOfData.period(text).isPresent()
                        ? new Read(new Answer.Days(answers.ofData().getOrDefault(asked.name(), Period.OPEN)), text)
                        : new Read(new Answer.Days(periods.parse(text)), periods.written(text));
            case ReportPrompt.Choice asked ->
                asked.type() == PromptType.CHOICES
                        ? several(asked, text)
                        : new Read(new Answer.One(choice(asked, text)), text);
            case ReportPrompt.Value asked -> value(asked, text);
            case ReportPrompt.Range asked -> range(asked, text);
        };
    }

    private Read several(ReportPrompt.Choice prompt, String text) {
        Type type = typeOf(prompt).orElse(Type.TEXT);
        Names.Chosen chosen = ChosenText.parse(text, type);
        chosen.values().forEach(value -> requireListed(prompt, ScalarText.write(value)));
        return new Read(new Answer.Several(chosen, type), ChosenText.write(chosen));
    }

    /** A choice is one value of its field; one that no row has is no mistake, since rows come and go. */
    private Scalar choice(ReportPrompt.Choice prompt, String text) {
        requireListed(prompt, text);
        Optional<Type> type = typeOf(prompt);
        boolean unknown = type.isEmpty() && prompt.field().isPresent();
        return unknown ? new Scalar.Null(Type.TEXT) : ScalarText.parse(text, type.orElse(Type.TEXT));
    }

    /** What a report lists itself is all that there is, unlike the values that rows have today. */
    private static void requireListed(ReportPrompt.Choice prompt, String value) {
        List<String> listed = prompt.listed().orElse(List.of()).stream()
                .map(ReportPrompt.Listed::value)
                .toList();
        if (!listed.isEmpty() && !listed.contains(value)) {
            throw new IllegalArgumentException("found \"" + value + "\", expected one of " + String.join(", ", listed)
                    + Suggestion.inWords(value, listed));
        }
    }

    private Read value(ReportPrompt.Value prompt, String text) {
        if (prompt.type() == PromptType.DATE && DaysOfData.oneDay(text).isPresent()) {
            return ofData(prompt, text);
        }
        if (prompt.type() == PromptType.DATE) {
            Period days = periods.parse(text);
            if (days.from().isEmpty() || !days.from().equals(days.to())) {
                throw new IllegalArgumentException("\"" + text + "\" is not one day; write one, such as 31 Jan 2026");
            }
            Scalar day = new Scalar.Date(days.from().get());
            requireWithin(prompt, day, Type.DATE);
            boolean rolling = !periods.written(text).contains("/");
            return new Read(new Answer.One(day), rolling ? periods.written(text) : ScalarText.write(day));
        }
        Scalar value = single(text, typeOf(prompt.type()));
        prompt.pattern()
                .filter(pattern -> !AnswerConditions.isLike(text, pattern))
                .ifPresent(pattern -> {
                    throw new IllegalArgumentException("found \"" + text + "\", expected the form \"" + pattern
                            + "\", where _ is one character and % are any");
                });
        requireWithin(prompt, value, typeOf(prompt.type()));
        return new Read(new Answer.One(value), ScalarText.write(value));
    }

    /** A day that the data give; data without a day leave the prompt open. */
    private Read ofData(ReportPrompt.Value prompt, String text) {
        if (prompt.field().isEmpty()) {
            throw new IllegalArgumentException("the prompt has no field of which there is a " + text + " day");
        }
        Scalar day = Optional.ofNullable(answers.ofData().get(prompt.name()))
                .flatMap(Period::from)
                .<Scalar>map(Scalar.Date::new)
                .orElse(new Scalar.Null(Type.DATE));
        return new Read(new Answer.One(day), text);
    }

    private Scalar single(String text, Type type) {
        return type.isNumber() ? numbers.parse(text, type) : ScalarText.parse(text, type);
    }

    private void requireWithin(ReportPrompt.Value prompt, Scalar value, Type type) {
        Optional<Scalar> least = prompt.least().map(limit -> ScalarText.parse(limit, type));
        Optional<Scalar> most = prompt.most().map(limit -> ScalarText.parse(limit, type));
        boolean tooSmall = least.filter(limit -> compare(value, limit) < 0).isPresent();
        boolean tooLarge = most.filter(limit -> compare(value, limit) > 0).isPresent();
        if (tooSmall || tooLarge) {
            String found = "found " + ScalarText.write(value) + ", expected ";
            throw new IllegalArgumentException(
                    least.isEmpty()
                            ? found + "at most " + prompt.most().orElseThrow()
                            : most.isEmpty()
                                    ? found + "at least " + prompt.least().orElseThrow()
                                    : found + prompt.least().get() + " to "
                                            + prompt.most().get());
        }
    }

    private Read range(ReportPrompt.Range prompt, String text) {
        Type type = typeOf(prompt.type());
        int between = text.indexOf(ENDS);
        String first = between < 0 ? text : text.substring(0, between);
        String last = between < 0 ? text : text.substring(between + ENDS.length());
        Scalar from = first.isBlank() ? new Scalar.Null(type) : single(first.strip(), type);
        Scalar to = last.isBlank() ? new Scalar.Null(type) : single(last.strip(), type);
        boolean closed = !(from instanceof Scalar.Null) && !(to instanceof Scalar.Null);
        if (closed && compare(from, to) > 0) {
            throw new IllegalArgumentException("starts with " + ScalarText.write(from) + " after it ends with "
                    + ScalarText.write(to) + "; turn the two round");
        }
        return new Read(new Answer.Ends(from, to), ScalarText.write(from) + ENDS + ScalarText.write(to));
    }

    /** Texts by code points, as conditions compare them. */
    private static int compare(Scalar a, Scalar b) {
        return switch (a) {
            case Scalar.Number n -> n.value().compareTo(((Scalar.Number) b).value());
            case Scalar.Date d -> d.value().compareTo(((Scalar.Date) b).value());
            default -> ScalarText.write(a).compareTo(ScalarText.write(b));
        };
    }

    /** The type of the field whose values are offered, or of the values that are listed; none where there is no such field. */
    private Optional<Type> typeOf(ReportPrompt.Choice prompt) {
        return prompt.field().isEmpty()
                ? prompt.listed().map(ListedType::of)
                : prompt.field().flatMap(field -> datasets.of(prompt).flatMap(dataset -> dataset.typeOf(field)));
    }

    private static Type typeOf(PromptType type) {
        return switch (type) {
            case WHOLE_NUMBER -> Type.INTEGER;
            case DECIMAL, NUMBER_RANGE -> Type.decimal(DECIMALS);
            case DATE -> Type.DATE;
            case YES_NO -> Type.BOOLEAN;
            default -> Type.TEXT;
        };
    }
}
