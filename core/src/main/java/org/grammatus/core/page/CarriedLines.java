package org.grammatus.core.page;

import java.util.Optional;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.plan.TablePlan;

/** Where pages carry what totals have come to: at a break between two rows, or a row and a total, of the same group. */
final class CarriedLines {

    private final Bands bands;
    private final OpenGroups open;
    private final Optional<Integer> depth;

    CarriedLines(Bands bands) {
        TablePlan plan = bands.grouped().plan();
        this.bands = bands;
        this.open = new OpenGroups(bands);
        this.depth = plan.rows().markedOnly() ? Optional.empty() : plan.carriedIn();
    }

    /** Whether totals are carried at all. */
    boolean areAny() {
        return depth.isPresent();
    }

    /** The row up to which totals have come where a page begins with a band; none where nothing goes on there. */
    Optional<Integer> rowBefore(int band) {
        if (depth.isEmpty() || band == 0 || band >= bands.size()) {
            return Optional.empty();
        }
        for (int before = band - 1; before >= 0 && open.isSame(before, band, depth.get()); before--) {
            if (bands.kind(before) == BandKind.DETAIL) {
                return Optional.of(bands.row(before));
            }
        }
        return Optional.empty();
    }
}
