package org.grammatus.core.prompt;

import java.time.LocalDate;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.value.Period;

/**
 * Days whose rows are not all there yet, and that are asked for all the same.
 *
 * @param until the last day that is complete
 * @param complete the same days without those; none where none is left
 */
public record CompleteDays(LocalDate until, Optional<Period> complete) {

    /**
     * What a prompt asks for beyond the complete days of a report's dataset.
     *
     * @return none where the dataset does not say until when it is complete, the prompt asks for no days of that date, or for complete
     *     ones alone
     */
    public static Optional<CompleteDays> beyond(
            ResolvedPrompt prompt, Report report, DatasetModel dataset, RunContext context) {
        return dataset.definition()
                .complete()
                .filter(said -> asksFor(said.field(), prompt, report))
                .map(said -> context.businessDate().minusDays(said.daysBefore()))
                .filter(until ->
                        prompt.period().to().map(to -> to.isAfter(until)).orElse(true))
                .map(until -> of(until, prompt.period()));
    }

    private static CompleteDays of(LocalDate until, Period asked) {
        boolean none = asked.from().filter(from -> from.isAfter(until)).isPresent();
        return new CompleteDays(
                until, none ? Optional.empty() : Optional.of(new Period(asked.from(), Optional.of(until))));
    }

    private static boolean asksFor(String field, ResolvedPrompt prompt, Report report) {
        return report.filters().stream()
                .flatMap(ReportFilter::withParts)
                .anyMatch(filter -> !filter.isOff()
                        && filter instanceof ReportFilter.OfPeriod period
                        && period.field().equals(field)
                        && period.prompt().equals(prompt.name()));
    }
}
