package org.grammatus.core.group;

import java.util.List;
import java.util.function.IntConsumer;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.References;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.group.tree.SharedValue;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.problem.Cure;
import org.grammatus.core.problem.Problem;

/** What a reader should know of groups: labels and orders that vary inside them, names that several things share. */
final class GroupNotices {

    private final TablePlan plan;
    private final Star star;
    private final GroupIndex nodes;
    private final Homes homes;
    private final List<Problem> found;

    /** @param found where notices are added */
    GroupNotices(TablePlan plan, GroupIndex nodes, List<Problem> found) {
        this.plan = plan;
        this.star = nodes.star();
        this.nodes = nodes;
        this.homes = new Homes(plan.dataset());
        this.found = found;
    }

    IntConsumer varying(int depth, String what) {
        LevelPlan level = plan.levels().get(depth - 1);
        return count -> found.add(varies(level, what, count));
    }

    /** Groups by what is shown have one label each. */
    IntConsumer varyingLabel(LevelPlan level) {
        return count -> {
            Problem problem = varies(level, "the label", count);
            boolean plainKey =
                    level.keys().coarsening().isEmpty() && level.keys().listed().isEmpty();
            found.add(level.naming()
                    .text()
                    .filter(label -> plainKey)
                    .map(label -> problem.curedBy(Cure.of("Group by what is shown", level.pointer() + "/key", label)))
                    .orElse(problem));
        };
    }

    private static Problem varies(LevelPlan level, String what, int groups) {
        return Problem.notice(
                level.pointer(),
                what + " of level \"" + level.name() + "\" varies inside " + groups
                        + (groups == 1 ? " group" : " groups") + "; the first row's stands");
    }

    /** Says where a group holds several things that share the name it is grouped by. */
    void adviseOnNames(int depth, LevelPlan level) {
        if (level.naming().codeBehind().isEmpty()) {
            return;
        }
        Typed.Field code = level.naming().codeBehind().get();
        int home = homes.orGrain(code);
        Column codes = star.table(home).fields().get(code.id());
        int shared = SharedValue.of(codes, home, nodes, depth).varying().cardinality();
        if (shared > 0) {
            String several = plan.dataset().table(home).noun().other();
            found.add(Problem.notice(
                            level.pointer() + "/key",
                            shared + (shared == 1 ? " group holds" : " groups hold") + " several " + several
                                    + " of one name; group by \"" + code.id() + "\" and show the name")
                    .curedBy(new Cure(
                            "Group by code, show name",
                            List.of(
                                    new Cure.SetText(level.pointer() + "/key", References.to(code.id())),
                                    new Cure.SetText(
                                            level.pointer() + "/label",
                                            level.naming()
                                                    .text()
                                                    .orElse(level.keys().text()))))));
        }
    }
}
