package org.grammatus.core.explain;

import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.band.ValueFormat;
import org.grammatus.core.group.GroupAddresses;
import org.grammatus.core.group.GroupingStep;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.Formats;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.words.Words;

/**
 * Why a group stands where it stands among its siblings.
 *
 * @param rule in words: "within Lakeside by Net sales, largest first, then by name"
 * @param terms what each term compares
 * @param siblings around the group, in printed order
 * @param before how many siblings stand before the first of these
 * @param all how many siblings there are
 */
public record WhyOrder(String rule, List<String> terms, List<Sibling> siblings, int before, int all) {

    private static final int AROUND = 6;

    /**
     * A sibling with the values compared.
     *
     * @param group its address, as {@code GroupAddress} writes it
     * @param self whether it is the group asked about
     */
    public record Sibling(String group, String label, List<String> values, boolean self) {}

    /** Explains the place of a group that is not the report itself. */
    public static WhyOrder of(GroupingStep.Result result, BandTexts printed, int node) {
        TablePlan plan = result.grouped().plan();
        GroupTree tree = result.grouped().tree();
        int depth = tree.depthOf(node);
        int parent = tree.parentOf(node);
        LevelPlan level = plan.levels().get(depth - 1);
        InWords words = new InWords(plan.dataset());
        GroupAddresses addresses = new GroupAddresses(result.grouped());
        List<Integer> siblings = new ArrayList<>();
        for (int place = tree.placeOf(parent) + 1; place <= tree.lastPlace(parent); ) {
            int sibling = tree.nodeAt(place);
            siblings.add(sibling);
            place = tree.lastPlace(sibling) + 1;
        }
        int at = siblings.indexOf(node);
        int from = Math.max(0, at - AROUND);
        int to = Math.min(siblings.size(), at + AROUND + 1);
        String within = parent == GroupTree.ROOT ? "in the whole report" : "within " + printed.label(parent);
        return new WhyOrder(
                within + " " + words.order(level, plan.totals()),
                level.order().stream().map(term -> words.of(term.by())).toList(),
                siblings.subList(from, to).stream()
                        .map(sibling -> new Sibling(
                                addresses.of(sibling).toString(),
                                printed.label(sibling),
                                level.order().stream()
                                        .map(term -> print(term, result, sibling, depth))
                                        .toList(),
                                sibling == node))
                        .toList(),
                from,
                siblings.size());
    }

    private static String print(TablePlan.Term term, GroupingStep.Result result, int node, int depth) {
        Scalar value = result.drillDown().value(term, node, depth);
        TablePlan plan = result.grouped().plan();
        if (value instanceof Scalar.Null) {
            return Words.of(plan.locale()).none();
        }
        if (term.bucket().isPresent()) {
            long key = value instanceof Scalar.Date date
                    ? date.value().toEpochDay()
                    : ((Scalar.Number) value).value().longValue();
            return term.bucket().get().label(key, plan.locale());
        }
        return new ValueFormat(value.type(), Formats.of(term.by(), plan.dataset()), plan.locale()).format(value);
    }
}
