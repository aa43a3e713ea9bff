package org.grammatus.core.page;

import org.grammatus.core.band.Bands;
import org.grammatus.core.page.column.TypeSetting;

/** A block that does not fit, which says why in its place. */
final class RefusedBlockLayout extends BlockLayout {

    private final TypeSetting type;

    RefusedBlockLayout(Bands bands, int width, int titleWidth, int percent) {
        super(bands, width, titleWidth);
        this.type = TypeSetting.of(percent, plan().inputs());
    }

    @Override
    TypeSetting type() {
        return type;
    }

    @Override
    Measured body(int band) {
        throw new IllegalStateException("a refused block has a title and a note alone");
    }
}
