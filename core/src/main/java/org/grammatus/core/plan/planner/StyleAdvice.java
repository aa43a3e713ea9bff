package org.grammatus.core.plan.planner;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.style.HouseStyle;
import org.grammatus.core.definition.style.StyleParts;
import org.grammatus.core.plan.BlockPlan;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.style.HouseLook;
import org.grammatus.core.plan.style.PrintStyle;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.typography.Family;
import org.grammatus.core.typography.Weight;

/** What is told of how a report looks: a report is never refused for its style. */
final class StyleAdvice {

    private StyleAdvice() {}

    /** What is told of a style or a face that is gone, and of looks that it does not have. */
    static List<Problem> on(Report report, HouseLook house, List<BlockPlan> blocks) {
        HouseStyle style = house.style();
        List<Problem> notices = new ArrayList<>();
        report.style()
                .filter(named -> !named.equals(style.id()))
                .ifPresent(named -> notices.add(Problem.notice(
                        "/style",
                        "no house style is called \"" + named + "\"; it is printed in \"" + style.name() + "\"")));
        String face = blocks.getFirst().facts().inputs().style().face();
        if (house.faces().find(face).isEmpty()) {
            notices.add(Problem.notice(
                    report.look().flatMap(StyleParts::face).isPresent() ? "/look/face" : "/style",
                    "no face is called \"" + face + "\"; texts are set in Source Sans"));
        }
        Family family = blocks.getFirst().facts().inputs().family();
        if (!Arrays.stream(Weight.values())
                .allMatch(weight -> family.face(weight).hasTabularFigures())) {
            notices.add(Problem.advice(
                    "/style",
                    "the digits of the face \"" + face
                            + "\" are of different widths: those of figures do not stand below one another"));
        }
        for (BlockPlan block : blocks) {
            PrintStyle look = block.facts().inputs().style();
            for (HighlightPlan rule : block.facts().highlights()) {
                if (!look.hasMark(rule.look())) {
                    String instead = look.mark(rule.look()).name();
                    notices.add(Problem.notice(
                            rule.pointer() + "/look",
                            "the house style has no look \"" + rule.look() + "\"; it is marked as \"" + instead
                                    + "\""));
                }
            }
        }
        return notices;
    }
}
