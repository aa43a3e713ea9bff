package org.grammatus.core.plan.planner;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.value.Period;

/** The days that a run asks of each date field, by the period filters that are switched on. Immutable. */
final class AskedPeriods {

    private final Map<String, Period> byField = new HashMap<>();
    private final Map<String, String> promptOfField = new HashMap<>();

    AskedPeriods(List<ReportFilter> filters, List<ResolvedPrompt> prompts) {
        for (ReportFilter filter :
                filters.stream().flatMap(ReportFilter::conjuncts).toList()) {
            if (filter instanceof ReportFilter.OfPeriod asked && !filter.isOff()) {
                promptOfField.putIfAbsent(asked.field(), asked.prompt());
                prompts.stream()
                        .filter(prompt -> asked.prompt().equals(prompt.name()))
                        .filter(prompt -> !prompt.period().isOpen())
                        .findFirst()
                        .ifPresent(prompt -> byField.putIfAbsent(asked.field(), prompt.period()));
            }
        }
    }

    /** What is asked of the field that a key is; none where every day will do, or the key is no field. */
    Optional<Period> of(Typed key) {
        return key.unnamed() instanceof Typed.Field field ? of(field.id()) : Optional.empty();
    }

    /** What is asked of a field; none where every day will do. */
    Optional<Period> of(String field) {
        return Optional.ofNullable(byField.get(field));
    }

    /** Name of the prompt whose period filters a field; none where no filter asks for one. */
    Optional<String> prompt(String field) {
        return Optional.ofNullable(promptOfField.get(field));
    }
}
