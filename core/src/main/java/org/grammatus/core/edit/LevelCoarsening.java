package org.grammatus.core.edit;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.definition.NumberClass;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.edit.LevelEdit;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.LevelChoices;

/** The edit that groups by spans of time, or by classes, of a level's key. */
final class LevelCoarsening {

    /** Classes to begin with: up to an edge, and the rest. */
    private static final List<NumberClass> FIRST_CLASSES = List.of(
            new NumberClass(Optional.of("10"), Optional.empty()), new NumberClass(Optional.empty(), Optional.empty()));

    private LevelCoarsening() {}

    /** Spans and classes have names and an order of their own, so that a label and listed keys of the level go. */
    static ReportLevel of(ReportLevel level, LevelEdit.CoarsenLevel edit, LevelChoices choices) {
        boolean classes = edit.classes().orElse(false);
        if (classes && edit.bucket().isPresent()) {
            return EditScope.refused("a key is coarsened to spans of time or to classes, not to both");
        }
        if (classes && !choices.classes()) {
            return EditScope.refused("only a number has classes, and \"" + level.key() + "\" is none");
        }
        if (edit.bucket().filter(bucket -> !choices.buckets().contains(bucket)).isPresent()) {
            return EditScope.refused("only a date or timestamp has buckets, and \"" + level.key() + "\" is none");
        }
        ReportLevel changed = level.withBucket(edit.bucket())
                .withClasses(classes ? Optional.of(level.classes().orElse(FIRST_CLASSES)) : Optional.empty());
        return classes || edit.bucket().isPresent()
                ? changed.withListed(Optional.empty()).withLabel(Optional.empty())
                : changed;
    }
}
