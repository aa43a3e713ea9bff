package org.grammatus.core.edit.part;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.choice.Bucket;
import org.grammatus.core.choice.Header;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.edit.LevelEdit.Heading;
import org.grammatus.core.value.Type;

/**
 * The ways in which a level can name and coarsen its groups.
 *
 * @param level its id
 * @param heading how its groups say their names now
 * @param headings how they can
 * @param buckets the spans of time that its key can be coarsened to
 * @param classes whether its key can be coarsened to classes of numbers
 */
public record LevelChoices(
        String level, Heading heading, List<Heading> headings, List<Bucket> buckets, boolean classes) {

    /** The choices of a level; a key that is no field by itself may be anything. */
    public static LevelChoices of(TableBlock table, ReportLevel level, DatasetModel dataset) {
        Heading heading = heading(table, level);
        boolean coarsened = level.bucket().isPresent() || level.classes().isPresent();
        boolean inColumn = table.rows().shown() && !coarsened || heading == Heading.COLUMN;
        Optional<Type> type = PrintedFields.fieldOf(level.key(), dataset).map(Proposals.Subject::type);
        return new LevelChoices(
                level.id(),
                heading,
                Stream.of(Heading.values())
                        .filter(one -> one != Heading.COLUMN || inColumn)
                        .toList(),
                type.isEmpty() || type.get().isTime() ? Arrays.asList(Bucket.values()) : List.of(),
                type.isEmpty() || type.get().isNumber());
    }

    private static Heading heading(TableBlock table, ReportLevel level) {
        String column = LevelForm.columnOfLevel(level.id());
        boolean inColumn = level.header() == Header.NONE
                && table.columns().stream().anyMatch(one -> one.id().equals(column));
        return inColumn
                ? Heading.COLUMN
                : switch (level.header()) {
                    case HEADING -> Heading.HEADING;
                    case LINE -> Heading.LINE;
                    case NONE -> Heading.NONE;
                };
    }
}
