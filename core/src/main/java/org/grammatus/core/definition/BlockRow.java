package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;

/**
 * Blocks that stand side by side.
 *
 * @param newPage whether they begin a new page
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"blocks", "newPage", "keepTogether"})
@RecordBuilder
public record BlockRow(List<Place> blocks, Optional<Boolean> newPage, Optional<Boolean> keepTogether)
        implements BlockRowBuilder.With {

    /**
     * A block's place.
     *
     * @param block its id
     * @param share how much of a hundred of the width it has; the same as the others unless given
     */
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    @JsonPropertyOrder({"block", "share"})
    public record Place(String block, Optional<Integer> share) {}

    /** The same with all its texts changed. */
    BlockRow mapped(DefinitionMapping to) {
        return new BlockRow(
                blocks.stream()
                        .map(place -> new Place(to.part(place.block()), place.share()))
                        .toList(),
                newPage,
                keepTogether);
    }
}
