package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import org.grammatus.core.choice.Basis;
import org.grammatus.core.choice.Bucket;
import org.grammatus.core.choice.Direction;

/**
 * One key of an order: any expression, shown or not.
 *
 * @param bucket of a date, the span or the place in a cycle by which it is put in order
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"id", "by", "bucket", "direction", "basis"})
@RecordBuilder
public record OrderTerm(String id, String by, Optional<Bucket> bucket, Direction direction, Optional<Basis> basis)
        implements OrderTermBuilder.With {

    /** The same with all its texts changed. */
    OrderTerm mapped(DefinitionMapping to) {
        return new OrderTerm(to.part(id), to.expression(by), bucket, direction, basis);
    }
}
