package org.grammatus.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Which block of a report something is, and what stands above it.
 *
 * @param id unique in the report
 * @param pointer where the block stands in the definition, as a JSON pointer (RFC 6901)
 * @param note what stands below its title
 * @param reach which rows it is about, in words, where that is not what the report says of all blocks
 */
public record BlockHeading(
        String id, String pointer, Optional<String> title, Optional<TablePlan.GroupText> note, List<String> reach) {

    public BlockHeading {
        reach = List.copyOf(reach);
    }

    /** The same, which says something more of its rows. */
    BlockHeading saying(String more) {
        List<String> all = new ArrayList<>(reach);
        all.add(more);
        return new BlockHeading(id, pointer, title, note, all);
    }
}
