package org.grammatus.core.group.figure;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.grammatus.core.columnar.Faults;

/** Collects notices about figures: each is shown once, for all figures that it is about. Not thread-safe. */
public final class FigureNotices {

    private final Map<Text, Set<Integer>> totals = new LinkedHashMap<>();
    private final Map<Faults.Kind, Integer> blanks = new LinkedHashMap<>();
    private final Map<Faults.Kind, Set<Integer>> blankTotals = new LinkedHashMap<>();

    private record Text(String before, String after) {}

    /**
     * Adds a notice.
     *
     * @param total index of the total that it is about
     * @param before the text before the names of all that it is about
     * @param after the text behind them
     */
    public void add(int total, String before, String after) {
        totals.computeIfAbsent(new Text(before, after), text -> new LinkedHashSet<>())
                .add(total);
    }

    /** Adds so many printed figures of a total that are blank because they could not be computed. */
    public void addBlanks(int total, Faults.Kind why, int count) {
        if (count > 0) {
            blanks.merge(why, count, Integer::sum);
            blankTotals.computeIfAbsent(why, kind -> new LinkedHashSet<>()).add(total);
        }
    }

    /** All that was added, in the order in which each was added first. */
    public List<FigureNotice> found() {
        List<FigureNotice> found = new ArrayList<>();
        totals.forEach((text, of) -> found.add(new FigureNotice(text.before(), text.after(), List.copyOf(of))));
        blanks.forEach((why, count) -> found.add(new FigureNotice(
                (count == 1 ? "One figure is" : count + " figures are") + " blank because the value " + why.words()
                        + ": ",
                "",
                List.copyOf(blankTotals.get(why)))));
        return List.copyOf(found);
    }
}
