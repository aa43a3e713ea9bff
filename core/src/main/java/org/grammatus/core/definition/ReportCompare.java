package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.Optional;
import org.grammatus.core.choice.Compared;
import org.grammatus.core.choice.ComparedWith;

/**
 * A figure of another time, or a plan, beside a measure.
 *
 * @param with what it is compared with
 * @param date id of the date field that tells the time, for a comparison with another time
 * @param plan aggregate of the plan, for a comparison with one
 * @param cut whether the other time is cut to the same day, as far as the business date has come in this one
 * @param shown the other figure, the difference from it or the difference in percent of it
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"with", "date", "plan", "cut", "shown"})
public record ReportCompare(
        ComparedWith with, Optional<String> date, Optional<String> plan, Optional<Boolean> cut, Compared shown) {}
