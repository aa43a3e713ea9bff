package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.Optional;
import org.grammatus.core.choice.Basis;
import org.grammatus.core.choice.Direction;

/** One key of an order: any expression, shown or not. */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"id", "by", "direction", "basis"})
public record OrderTerm(String id, String by, Direction direction, Optional<Basis> basis) {

    /** The same with all its texts changed. */
    OrderTerm mapped(DefinitionMapping to) {
        return new OrderTerm(to.part(id), to.expression(by), direction, basis);
    }
}
