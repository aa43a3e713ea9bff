package org.grammatus.core.plan;

import java.util.List;

/**
 * Blocks that stand side by side.
 *
 * @param newPage whether they begin a new page
 */
public record BlockRowPlan(List<Place> places, boolean newPage, boolean keepTogether) {

    /**
     * A block's place.
     *
     * @param block its id
     * @param share of the width, beside those of the others
     */
    public record Place(String block, int share) {}
}
