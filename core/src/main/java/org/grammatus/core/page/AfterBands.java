package org.grammatus.core.page;

import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.choice.layout.LevelLayout;
import org.grammatus.core.plan.TablePlan;

/** The room and the lines that a report asks for below groups, and the blank lines among rows. */
final class AfterBands {

    private static final int ABOVE_RULE = 200;
    private static final int BELOW_RULE = 300;

    private final Bands bands;
    private final TablePlan plan;
    private final OpenGroups open;
    private final int blank;
    private final boolean anyAfterGroups;
    /** By band: how many rows of its group are printed up to it; nothing where no blank lines are asked for. */
    private final int[] ordinals;

    private final int every;

    /** @param blank height of a blank line */
    AfterBands(Bands bands, int blank) {
        this.bands = bands;
        this.plan = bands.grouped().plan();
        this.open = new OpenGroups(bands);
        this.blank = blank;
        this.anyAfterGroups = plan.levels().stream()
                .anyMatch(level -> level.print().layout().drawsRuleAfter()
                        || level.print().layout().roomAfter() > 0);
        this.every = plan.layout().blankEvery().orElse(0);
        this.ordinals = every == 0 ? new int[0] : ordinals(bands);
    }

    private static int[] ordinals(Bands bands) {
        int[] ordinals = new int[bands.size()];
        for (int band = 0; band < ordinals.length; band++) {
            boolean row = bands.kind(band) == BandKind.DETAIL;
            boolean goesOn = band > 0 && ordinals[band - 1] > 0 && bands.node(band) == bands.node(band - 1);
            ordinals[band] = !row ? 0 : goesOn ? ordinals[band - 1] + 1 : 1;
        }
        return ordinals;
    }

    /** Whether nothing is asked for at all. */
    boolean isPlain() {
        return !anyAfterGroups && every == 0;
    }

    /** A band with what stands below it. */
    Measured below(int band, Measured measured, int width) {
        int height = measured.height();
        Measured found = measured;
        if (anyAfterGroups) {
            for (int depth : open.ended(band).toArray()) {
                LevelLayout layout = plan.levels().get(depth - 1).print().layout();
                if (layout.drawsRuleAfter()) {
                    found = found.withRule(new Measured.Rule(0, height + ABOVE_RULE, width));
                    height += ABOVE_RULE + BELOW_RULE;
                }
                height += layout.roomAfter();
            }
        }
        return found.withBelow(height - measured.height() + (isBeforeBlank(band) ? blank : 0));
    }

    private boolean isBeforeBlank(int band) {
        return every > 0
                && ordinals[band] > 0
                && ordinals[band] % every == 0
                && band + 1 < bands.size()
                && ordinals[band + 1] > 0;
    }
}
