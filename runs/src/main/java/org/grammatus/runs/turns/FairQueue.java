package org.grammatus.runs.turns;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Work that waits, fair between people: each person's stands in a line of its own, and people take turns. Whoever has as much
 * going on as one person may waits, while others do not. Not thread-safe.
 *
 * @param <T> a piece of work
 */
public final class FairQueue<T> {

    private final int mostGoingOn;
    private final int mostOfOne;
    /** By person, what waits; the person whose turn is next comes first. */
    private final Map<String, Deque<T>> waiting = new LinkedHashMap<>();

    private final Map<String, Integer> goingOn = new HashMap<>();
    private int all;

    /**
     * An empty queue.
     *
     * @param mostGoingOn how much may go on at once
     * @param mostOfOne how much of that for one person
     */
    public FairQueue(int mostGoingOn, int mostOfOne) {
        this.mostGoingOn = mostGoingOn;
        this.mostOfOne = mostOfOne;
    }

    public void add(String owner, T work) {
        waiting.computeIfAbsent(owner, o -> new ArrayDeque<>()).add(work);
    }

    /** How much of a person's waits that meets a condition. */
    public long waiting(String owner, Predicate<T> which) {
        return waiting.getOrDefault(owner, new ArrayDeque<>()).stream()
                .filter(which)
                .count();
    }

    /** Takes what was waiting out again, where it still is. */
    public void remove(String owner, Predicate<T> which) {
        Deque<T> line = waiting.get(owner);
        if (line != null) {
            line.removeIf(which);
            if (line.isEmpty()) {
                waiting.remove(owner);
            }
        }
    }

    /** Takes what is to begin now, which then goes on until it is {@link #over}; none where nothing may. */
    public Optional<T> next() {
        Iterator<Map.Entry<String, Deque<T>>> lines = waiting.entrySet().iterator();
        while (all < mostGoingOn && lines.hasNext()) {
            Map.Entry<String, Deque<T>> line = lines.next();
            String owner = line.getKey();
            if (goingOn.getOrDefault(owner, 0) < mostOfOne) {
                T work = line.getValue().remove();
                lines.remove();
                if (!line.getValue().isEmpty()) {
                    // The others come before this person's next.
                    waiting.put(owner, line.getValue());
                }
                goingOn.merge(owner, 1, Integer::sum);
                all++;
                return Optional.of(work);
            }
        }
        return Optional.empty();
    }

    /** Notes that a piece of a person's work is over. */
    public void over(String owner) {
        goingOn.computeIfPresent(owner, (o, count) -> count > 1 ? count - 1 : null);
        all--;
    }

    /** How much goes on. */
    public int goingOn() {
        return all;
    }
}
