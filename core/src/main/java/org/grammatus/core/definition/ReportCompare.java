package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.Optional;
import org.grammatus.core.choice.Compared;
import org.grammatus.core.choice.ComparedWith;

/** A figure of another time, or a plan, beside a measure, told apart by what it is {@code with}. */
@JsonTypeInfo(
        use = JsonTypeInfo.Id.NAME,
        include = JsonTypeInfo.As.EXISTING_PROPERTY,
        property = "with",
        visible = true)
@JsonSubTypes({
    @JsonSubTypes.Type(value = ReportCompare.WithPlan.class, name = "plan"),
    @JsonSubTypes.Type(
            value = ReportCompare.WithTime.class,
            names = {"last-year", "previous-period"}),
    @JsonSubTypes.Type(value = ReportCompare.WithPeriod.class, name = "period")
})
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"with", "date", "prompt", "plan", "cut", "shown"})
public sealed interface ReportCompare {

    @JsonProperty("with")
    ComparedWith with();

    /** The other figure, the difference from it or the difference in percent of it. */
    Compared shown();

    /** The same comparison, shown in another way. */
    default ReportCompare as(Compared other) {
        return switch (this) {
            case WithPlan p -> new WithPlan(p.with, p.plan, other);
            case WithTime t -> new WithTime(t.with, t.date, t.cut, other);
            case WithPeriod p -> new WithPeriod(p.with, p.date, p.prompt, other);
        };
    }

    /** The same with all its texts changed. */
    ReportCompare mapped(DefinitionMapping to);

    /**
     * Compares with a plan of the same time.
     *
     * @param plan aggregate of the plan
     */
    record WithPlan(ComparedWith with, String plan, Compared shown) implements ReportCompare {

        @Override
        public WithPlan mapped(DefinitionMapping to) {
            return new WithPlan(with, to.expression(plan), shown);
        }
    }

    /**
     * Compares with another time.
     *
     * @param date id of the date field that tells the time
     * @param cut whether the other time is cut to the same day, as far as the business date has come in this one
     */
    record WithTime(ComparedWith with, String date, Optional<Boolean> cut, Compared shown) implements ReportCompare {

        @Override
        public WithTime mapped(DefinitionMapping to) {
            return new WithTime(with, to.field(date), cut, shown);
        }
    }

    /**
     * Compares with days that the reader is asked for.
     *
     * @param date id of the date field that tells the time
     * @param prompt name of the period prompt that asks
     */
    record WithPeriod(ComparedWith with, String date, String prompt, Compared shown) implements ReportCompare {

        @Override
        public WithPeriod mapped(DefinitionMapping to) {
            return new WithPeriod(with, to.field(date), to.prompt(prompt), shown);
        }
    }
}
