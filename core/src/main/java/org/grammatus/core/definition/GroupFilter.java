package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.Optional;
import org.grammatus.core.choice.GroupMeasure;

/**
 * A condition that a level's groups must meet to be shown, built rather than typed. Shares and figures across the report are those
 * before any group was left out.
 *
 * @param by aggregate that is compared
 * @param comparison less, at most, more or at least
 * @param value the number that it is compared with; of shares, of a hundred
 * @param prompt name of the prompt whose answer it is compared with instead; without an answer it restricts nothing
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"id", "measure", "by", "comparison", "value", "prompt", "off"})
public record GroupFilter(
        String id,
        GroupMeasure measure,
        String by,
        FilterComparison comparison,
        Optional<String> value,
        Optional<String> prompt,
        Optional<Boolean> off) {

    /** Whether it is switched on. */
    public boolean applies() {
        return !off.orElse(false);
    }

    /** The same with all its texts changed. */
    GroupFilter mapped(DefinitionMapping to) {
        return new GroupFilter(to.part(id), measure, to.expression(by), comparison, value, prompt.map(to::prompt), off);
    }
}
