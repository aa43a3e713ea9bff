package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.Optional;
import org.grammatus.core.choice.LimitEnd;

/**
 * A limit on how many groups of a level are shown inside one parent.
 *
 * @param keep which end of the order by {@code by} is kept
 * @param by aggregate that is compared
 * @param count how many are kept
 * @param percent how many of a hundred are kept, rounded up, where there is no count
 * @param others whether one group more, last, stands for all that are not kept
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"keep", "by", "count", "percent", "others"})
public record ReportLimit(
        LimitEnd keep, String by, Optional<Integer> count, Optional<Integer> percent, Optional<Boolean> others) {

    /** The same with all its texts changed. */
    ReportLimit mapped(DefinitionMapping to) {
        return new ReportLimit(keep, to.expression(by), count, percent, others);
    }
}
