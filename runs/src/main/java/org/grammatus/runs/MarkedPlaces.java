package org.grammatus.runs;

import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandMarks;
import org.grammatus.core.band.Bands;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.page.Pages;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.style.PrintStyle;

/**
 * What a run marks, and where.
 *
 * @param rules every highlight that is switched on, block by block
 * @param places where marked rows and lines are printed, from the top; at most {@value #MOST}
 */
public record MarkedPlaces(List<MarkRule> rules, List<MarkPlace> places) {

    /** The most places listed: whoever steps through more looks for something else. */
    public static final int MOST = 10_000;

    /**
     * A highlight.
     *
     * @param block index of the block that has it
     * @param look id of its look
     * @param sign that stands beside what it marks
     * @param fill behind what it marks, as {@code #rrggbb}; empty for none
     * @param count how many rows and lines it marks, whether they are printed or not
     */
    public record MarkRule(int block, String id, String label, String look, String sign, String fill, int count) {}

    /**
     * A marked row or line.
     *
     * @param rule index of the rule that marks it
     * @param page number of its page
     * @param strip number of its strip of the continuous list
     */
    public record MarkPlace(int rule, int page, int strip) {}

    /** The marks of a run that fits pages. */
    public static MarkedPlaces of(RunResult result) {
        List<MarkRule> rules = new ArrayList<>();
        List<MarkPlace> places = new ArrayList<>();
        Pages pages = result.pages();
        for (BlockResult block : result.results()) {
            TableResult grouped = block.grouped();
            int first = rules.size();
            PrintStyle look = grouped.plan().inputs().style();
            List<HighlightPlan> highlights = grouped.plan().highlights();
            for (int i = 0; i < highlights.size(); i++) {
                HighlightPlan rule = highlights.get(i);
                rules.add(new MarkRule(
                        block.index(),
                        rule.id(),
                        rule.label(),
                        rule.look(),
                        look.mark(rule.look()).sign(),
                        look.mark(rule.look()).fill(),
                        grouped.marks().count(i)));
            }
            Bands bands = pages.blocks().get(block.index());
            BandContents contents = new BandContents(bands);
            for (int band = 0; band < bands.size() && !highlights.isEmpty() && places.size() < MOST; band++) {
                for (BandMarks.Mark mark : contents.marksOf(bands, band)) {
                    if (mark.begins()) {
                        places.add(new MarkPlace(
                                first + mark.rule(),
                                pages.pageOf(block.index(), band),
                                pages.strips().stripOf(block.index(), band)));
                    }
                }
            }
        }
        return new MarkedPlaces(List.copyOf(rules), List.copyOf(places));
    }
}
