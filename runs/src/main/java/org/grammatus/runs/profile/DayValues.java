package org.grammatus.runs.profile;

import com.ibm.icu.util.ULocale;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.DaysOfData;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.value.FoldedText;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Period;
import org.grammatus.core.value.Type;
import org.grammatus.sources.DatasetReader;

/** The days on which rows of a dataset have a date or a moment. */
public final class DayValues {

    /** By day, how many rows have it; the earliest first. */
    private final TreeMap<Long, Integer> days = new TreeMap<>();

    private DayValues(FieldColumn column) {
        Column.Longs values = (Column.Longs) column.values();
        long unit = values.type().kind() == Kind.TIMESTAMP ? Scalars.MICROS_OF_DAY : 1;
        for (int row : column.path()) {
            if (!values.isNull(row)) {
                days.merge(Math.floorDiv(values.values()[row], unit), 1, Integer::sum);
            }
        }
    }

    /** The days that rows have which meet all conditions. */
    static DayValues of(
            DatasetReader reader, DatasetModel dataset, String field, List<Typed> conditions, LocalDate today) {
        return new DayValues(FieldColumn.read(reader, dataset, field, conditions, today));
    }

    /**
     * The days, newest first, at most {@value FieldValues#MOST}.
     *
     * @param find what they must contain as they are written or said, ignoring case; empty for all
     */
    List<FieldValues.Value> newestFirst(String find, ULocale locale) {
        String sought = FoldedText.of(find);
        return days.entrySet().stream()
                .sorted(Comparator.comparing(Map.Entry<Long, Integer>::getKey).reversed())
                .map(day -> new FieldValues.Value(
                        LocalDate.ofEpochDay(day.getKey()).toString(),
                        DateBucket.day(day.getKey(), locale),
                        Optional.of(day.getValue()),
                        List.of()))
                .filter(day -> FoldedText.of(day.label()).contains(sought)
                        || FoldedText.of(day.value()).contains(sought))
                .limit(FieldValues.MOST)
                .toList();
    }

    /**
     * Answers with the days that the data give where an answer asks for such, among the rows that the answers above leave; nothing is read
     * where none does.
     */
    public static Answers found(
            Answers answers, Report report, ReportDatasets datasets, DatasetReader reader, RunContext context) {
        PromptChoices choices = new PromptChoices(reader, report, datasets, context);
        Map<String, Period> found = new HashMap<>();
        for (ReportPrompt prompt : report.prompts()) {
            String text = answers.to(prompt);
            Optional<DaysOfData> asked = switch (prompt) {
                case ReportPrompt.Value value -> DaysOfData.oneDay(text);
                case ReportPrompt.OfPeriod period -> DaysOfData.period(text);
                default -> Optional.empty();
            };
            Optional<String> field = asked.flatMap(days -> field(prompt, report))
                    .filter(id ->
                            datasets.main().typeOf(id).filter(Type::isTime).isPresent());
            field.map(id -> of(
                            reader,
                            datasets.main(),
                            id,
                            choices.conditions(prompt, answers.with(found), datasets.main()),
                            context.businessDate()))
                    .flatMap(days -> days.given(asked.orElseThrow()))
                    .ifPresent(period -> found.put(prompt.name(), period));
        }
        return answers.with(found);
    }

    /** The date field that a prompt is about: its own, or that of the first filter that reads it. */
    static Optional<String> field(ReportPrompt prompt, Report report) {
        return prompt instanceof ReportPrompt.Value value
                ? value.field()
                : report.filters().stream()
                        .flatMap(ReportFilter::withParts)
                        .filter(filter -> filter instanceof ReportFilter.OfPeriod period
                                && period.prompt().equals(prompt.name()))
                        .map(filter -> ((ReportFilter.OfPeriod) filter).field())
                        .findFirst();
    }

    /** From the first of the days that are asked for to the last; none where there is no day. */
    private Optional<Period> given(DaysOfData asked) {
        List<LocalDate> counted = (asked.latest() ? days.descendingKeySet() : days.keySet())
                .stream()
                        .limit(asked.count())
                        .map(LocalDate::ofEpochDay)
                        .sorted()
                        .toList();
        return counted.isEmpty()
                ? Optional.empty()
                : Optional.of(new Period(Optional.of(counted.getFirst()), Optional.of(counted.getLast())));
    }
}
