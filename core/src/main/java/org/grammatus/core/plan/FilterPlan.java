package org.grammatus.core.plan;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.LimitEnd;
import org.grammatus.core.expression.Typed;

/**
 * A condition on rows.
 *
 * @param condition that rows must meet
 * @param period name of the prompt whose period it keeps, where it keeps one
 * @param words what it keeps, for people
 * @param parts how it is made of others, whose conditions it has taken up
 * @param top the rows that are kept of those that meet all conditions
 */
public record FilterPlan(
        String id,
        Typed condition,
        Optional<String> period,
        String words,
        Optional<Parts> parts,
        Optional<TopRows> top) {

    /** A condition that is made of no others. */
    public FilterPlan(String id, Typed condition, Optional<String> period, String words) {
        this(id, condition, period, words, Optional.empty(), Optional.empty());
    }

    /** What rows it keeps, whatever it is called. */
    public record Kept(Typed condition, Optional<TopRows> top) {}

    public Kept kept() {
        return new Kept(condition, top);
    }

    /** How parts are joined. */
    public enum Join {
        ALL,
        ANY,
        NONE
    }

    /** The parts that restrict something. */
    public record Parts(Join join, List<Part> parts) {}

    /**
     * A part of a condition.
     *
     * @param condition what its rows meet, wherever it stands
     * @param excluded what the other rows meet, where none of the parts may hold; the complement, but for what is typed
     */
    public record Part(String id, Typed condition, Typed excluded, Optional<Parts> parts) {}

    /** So many rows with the most, or the least, of a value; of equal ones those that come first by the grain's key. */
    public record TopRows(Typed by, LimitEnd end, int count) {}
}
