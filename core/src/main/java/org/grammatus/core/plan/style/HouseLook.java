package org.grammatus.core.plan.style;

import org.grammatus.core.definition.style.HouseStyle;
import org.grammatus.core.typography.Faces;

/**
 * A house style and the faces that it and the reports in it may name.
 *
 * @param faces those that are there
 */
public record HouseLook(HouseStyle style, Faces faces) {

    /** A style with the faces that come along. */
    public HouseLook(HouseStyle style) {
        this(style, Faces.SHIPPED);
    }
}
