package org.grammatus.core.edit;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.definition.BlockRow;
import org.grammatus.core.definition.Report;
import org.grammatus.core.edit.part.Parts;

/** Which blocks stand side by side, once one of them is gone. */
final class BlockRows {

    private static final int WHOLE = 100;

    private BlockRows() {}

    static Report without(Report report, String block) {
        List<BlockRow> rows = report.arrangement().orElse(List.of()).stream()
                .map(row -> row.withBlocks(whole(Parts.without(row.blocks(), BlockRow.Place::block, block))))
                .filter(row -> !row.blocks().isEmpty())
                .toList();
        List<String> named = rows.stream()
                .flatMap(row -> row.blocks().stream().map(BlockRow.Place::block))
                .toList();
        Stream<BlockRow> others = report.blocks().stream()
                .filter(one -> !named.contains(one.id()))
                .map(one -> new BlockRow(
                        List.of(new BlockRow.Place(one.id(), Optional.empty())), Optional.empty(), Optional.empty()));
        // Nothing is said where each block stands alone.
        boolean plain = rows.stream()
                .allMatch(row -> row.blocks().size() == 1
                        && !row.newPage().orElse(false)
                        && !row.keepTogether().orElse(false));
        return report.withArrangement(
                plain
                        ? Optional.empty()
                        : Optional.of(Stream.concat(rows.stream(), others).toList()));
    }

    /** Shares as they are where they come to the whole; else the blocks that are left have equal parts. */
    private static List<BlockRow.Place> whole(List<BlockRow.Place> places) {
        int sum = places.stream().mapToInt(place -> place.share().orElse(0)).sum();
        return places.size() > 1
                        && sum == WHOLE
                        && places.stream().allMatch(place -> place.share().isPresent())
                ? places
                : places.stream()
                        .map(place -> new BlockRow.Place(place.block(), Optional.empty()))
                        .toList();
    }
}
