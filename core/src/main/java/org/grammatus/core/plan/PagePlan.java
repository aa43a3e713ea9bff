package org.grammatus.core.plan;

import java.util.Optional;
import org.grammatus.core.choice.Orientation;
import org.grammatus.core.choice.PaperSize;

/**
 * The paper and what stands at its edges. Margins in millimetres.
 *
 * @param header text at the left of every page but the first; the title unless given
 * @param footer text at the left below every page; dataset and business date unless given
 */
public record PagePlan(
        PaperSize paper,
        Orientation orientation,
        int top,
        int right,
        int bottom,
        int left,
        Optional<PageText> header,
        Optional<PageText> footer) {}
