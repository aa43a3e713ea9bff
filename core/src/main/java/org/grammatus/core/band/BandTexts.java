package org.grammatus.core.band;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Place;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.TablePlan;

/** All that bands print, text by text. Not thread-safe. */
public final class BandTexts {

    private final Bands bands;
    private final Printed printed;
    private final TablePlan plan;

    public BandTexts(Bands bands) {
        this.bands = bands;
        this.printed = new Printed(bands.grouped());
        this.plan = bands.grouped().plan();
    }

    /**
     * What a band prints, empty texts among it; the report's header with the headings of the columns, which stand below it first.
     *
     * @param band its number
     */
    public List<String> of(int band) {
        int node = bands.node(band);
        List<String> texts = new ArrayList<>();
        switch (bands.kind(band)) {
            case REPORT_HEADER -> {
                texts.add(plan.inputs().title());
                texts.addAll(printed.subtitles());
                for (ColumnPlan column : plan.columns()) {
                    texts.add(Words.heading(column));
                }
            }
            case GROUP_HEADING -> {
                texts.add(printed.heading(node));
                totals(node, Place.HEADER, texts);
            }
            case GROUP_LINE -> {
                int depth = bands.grouped().tree().depthOf(node);
                for (int column = 0; column < plan.columns().size(); column++) {
                    Optional<Integer> total = printed.totalAt(column, depth, Place.HEADER);
                    texts.add(total.isPresent() ? printed.total(total.get(), node) : printed.lineCell(column, node));
                }
            }
            case DETAIL -> {
                for (int column = 0; column < plan.columns().size(); column++) {
                    texts.add(printed.rowCell(column, bands.row(band)));
                }
            }
            case OTHER_ROWS -> {
                texts.add(printed.otherRowsName(node));
                for (int column = 0; column < plan.columns().size(); column++) {
                    printed.otherRowsTotalAt(column).ifPresent(total -> texts.add(printed.otherRowsTotal(total, node)));
                }
            }
            case EMPTY -> texts.add(Words.NO_ROWS);
            case GROUP_FOOTER, REPORT_FOOTER -> {
                texts.add(printed.totalName(node));
                texts.add(printed.countsInWords(node));
                totals(node, Place.FOOTER, texts);
            }
        }
        return texts;
    }

    private void totals(int node, Place place, List<String> texts) {
        int depth = bands.grouped().tree().depthOf(node);
        for (int column = 0; column < plan.columns().size(); column++) {
            printed.totalAt(column, depth, place).ifPresent(total -> texts.add(printed.total(total, node)));
        }
    }
}
