package org.grammatus.core.edit;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
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

    private static final BigDecimal FIRST_WIDTH = BigDecimal.TEN;

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

    /** A level with one class more below the rest, as wide as the one before it; with its first classes where it has none. */
    static ReportLevel withClassMore(ReportLevel level, LevelChoices choices) {
        if (level.classes().isEmpty()) {
            return of(level, new LevelEdit.CoarsenLevel(level.id(), Optional.empty(), Optional.of(true)), choices);
        }
        List<NumberClass> classes = level.classes().get();
        List<BigDecimal> edges = classes.stream()
                .flatMap(entry -> entry.upTo().stream())
                .flatMap(edge -> number(edge).stream())
                .toList();
        BigDecimal last = edges.isEmpty() ? BigDecimal.ZERO : edges.getLast();
        BigDecimal before = edges.size() < 2 ? BigDecimal.ZERO : edges.get(edges.size() - 2);
        BigDecimal width = last.subtract(before);
        BigDecimal edge = last.add(width.signum() == 0 ? FIRST_WIDTH : width);
        NumberClass more = new NumberClass(Optional.of(edge.toPlainString()), Optional.empty());
        int rest = Math.max(0, classes.size() - 1);
        return level.withClasses(
                Optional.of(Stream.of(classes.subList(0, rest), List.of(more), classes.subList(rest, classes.size()))
                        .flatMap(List::stream)
                        .toList()));
    }

    /** An edge; nothing of one that is still being typed. */
    private static Optional<BigDecimal> number(String edge) {
        try {
            return Optional.of(new BigDecimal(edge));
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }
}
