package org.grammatus.core.page;

import org.grammatus.core.band.BandLook;
import org.grammatus.core.band.Bands;
import org.grammatus.core.page.column.TypeSetting;

/** Key figures, which stand on cards. */
final class CardBlockLayout extends BlockLayout {

    private final CardLayout cards;

    CardBlockLayout(Bands bands, int width, int titleWidth, int most) {
        super(bands, width, titleWidth);
        this.cards = new CardLayout(bands, contents(), width, most);
    }

    @Override
    TypeSetting type() {
        return cards.type();
    }

    @Override
    Measured body(int band) {
        return cards.of(bands().row(band));
    }

    @Override
    void ground(int band, Measured measured, BandLook look, int y, PageAssembler sheet) {
        String fill = look.fill();
        if (!fill.isEmpty()) {
            measured.ground()
                    .ifPresent(card -> sheet.ground().fill(card.x(), y, card.width(), y + card.height(), fill));
        }
    }
}
