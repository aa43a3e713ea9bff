package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.grammatus.core.page.BlockSamples.generated;
import static org.grammatus.core.page.BlockSamples.lines;
import static org.grammatus.core.page.BlockSamples.made;
import static org.grammatus.core.page.BlockSamples.report;
import static org.grammatus.core.page.BlockSamples.table;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.grammatus.core.Samples;
import org.grammatus.core.TreeText;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.page.BlockSamples.Made;
import org.grammatus.core.page.Page.BandBox;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.plan.FiguresPlan;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Generated blocks on pages: each row of each once, in order, nothing on top of anything else. */
class GeneratedBlocksOnPagesTest {

    static IntStream seeds() {
        return BlockSamples.seeds();
    }

    private static boolean isRow(BandKind kind) {
        return kind == BandKind.DETAIL || kind == BandKind.GROUP_LINE || kind.isItem();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyRowOfEveryBlockStandsOnOnePageInOrder(int seed) {
        Made made = generated(seed);
        Map<Integer, List<Integer>> printed = new HashMap<>();
        for (int number = 1; number <= made.pages().count(); number++) {
            Page page = made.pages().page(number);
            page.bands().stream()
                    .filter(band -> band.role() == BandRole.ROW)
                    .forEach(band -> printed.computeIfAbsent(band.block(), key -> new ArrayList<>())
                            .add(
                                    band.row() >= 0
                                            ? band.row()
                                            : page.nodes().get(band.node()).place()));
        }
        int place = 0;
        for (int block = 0; block < made.tables().size(); block++) {
            Bands bands = made.tables().get(block);
            int first = place;
            if (bands.block() instanceof FiguresPlan figures) {
                assertThat(figuresOf(made, block))
                        .isEqualTo(figures.figures().stream()
                                .map(FiguresPlan.Figure::id)
                                .toList());
                place++;
                continue;
            }
            List<Integer> expected = IntStream.range(0, bands.size())
                    .filter(band -> isRow(bands.kind(band)))
                    .map(band -> bands.kind(band) == BandKind.DETAIL
                            ? bands.row(band)
                            : first + bands.grouped().tree().placeOf(bands.node(band)))
                    .boxed()
                    .toList();
            assertThat(printed.getOrDefault(block, List.of())).isEqualTo(expected);
            place += bands.grouped().tree().nodeCount();
        }
    }

    /** The ids of the figures that a block prints, in order. */
    private static List<String> figuresOf(Made made, int block) {
        List<String> ids = new ArrayList<>();
        for (int number = 1; number <= made.pages().count(); number++) {
            Page page = made.pages().page(number);
            for (int i = 0; i < page.bands().size(); i++) {
                if (page.bands().get(i).block() == block && page.bands().get(i).role() == BandRole.ROW) {
                    cells(page, i).stream()
                            .filter(Page.Cell::figure)
                            .forEach(cell -> ids.add(page.ids().get(cell.id())));
                }
            }
        }
        return ids;
    }

    private static List<Page.Cell> cells(Page page, int band) {
        int end = band + 1 < page.bands().size()
                ? page.bands().get(band + 1).firstCell()
                : page.cells().size();
        return page.cells().subList(page.bands().get(band).firstCell(), end);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void nothingOverlapsOrLeavesItsPlace(int seed) {
        Made made = generated(seed);
        for (int number = 1; number <= made.pages().count(); number++) {
            Page page = made.pages().page(number);
            List<BandBox> bands = page.bands().stream()
                    .filter(band -> band.role() != BandRole.PAGE_HEADER && band.role() != BandRole.PAGE_FOOTER)
                    .toList();
            int footer = page.bands().getLast().top();
            for (int i = 0; i < bands.size(); i++) {
                BandBox band = bands.get(i);
                assertThat(band.top() + band.height()).isLessThanOrEqualTo(footer);
                for (BandBox other : bands.subList(0, i)) {
                    boolean apart =
                            other.top() + other.height() <= band.top() || band.top() + band.height() <= other.top();
                    assertThat(apart || besides(page, band, other))
                            .as("page %d: %s and %s", number, band, other)
                            .isTrue();
                }
            }
            for (int i = 0; i < page.bands().size(); i++) {
                inItsPlace(page, i);
            }
        }
    }

    private static boolean besides(Page page, BandBox a, BandBox b) {
        Page.BlockBox left = page.parts().blocks().get(a.block());
        Page.BlockBox right = page.parts().blocks().get(b.block());
        return left.x() + left.width() <= right.x() || right.x() + right.width() <= left.x();
    }

    private static void inItsPlace(Page page, int index) {
        BandBox band = page.bands().get(index);
        boolean wide = band.role() == BandRole.TITLE
                || band.role() == BandRole.PAGE_HEADER
                || band.role() == BandRole.PAGE_FOOTER;
        Page.BlockBox block = page.parts().blocks().get(band.block());
        for (Page.Cell cell : cells(page, index)) {
            assertThat(cell.x()).isGreaterThanOrEqualTo(block.x());
            if (!wide) {
                assertThat(cell.x() + cell.width()).isLessThanOrEqualTo(block.x() + block.width());
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aBlockChangesNoOthersFigures(int seed) {
        Random random = new Random(seed);
        Samples samples = lines(random);
        String a = table("a", "", "region", true);
        String b = table(
                "b",
                ", \"filters\": [{\"id\": \"own\", \"kind\": \"expression\", \"where\": \"category <> 'Jars'\"}]",
                "category",
                false);
        Made both = made(samples, report("[]", List.of(a, b), "", "portrait"));
        Made first = made(samples, report("[]", List.of(a), "", "portrait"));
        String narrowed = "[{\"id\": \"own\", \"kind\": \"expression\", \"where\": \"category <> 'Jars'\"}]";
        Made second = made(samples, report(narrowed, List.of(table("b", "", "category", false)), "", "portrait"));
        assertThat(TreeText.of(grouped(both, 0))).isEqualTo(TreeText.of(grouped(first, 0)));
        assertThat(TreeText.of(grouped(both, 1))).isEqualTo(TreeText.of(grouped(second, 0)));
    }

    private static TableResult grouped(Made made, int table) {
        return made.tables().get(table).grouped();
    }

    @Test
    void theListHasAllBlocksOneBelowTheOther() {
        Made made = generated(7);
        ContinuousView strips = made.pages().strips();
        int rows = 0;
        for (int number = 1; number <= strips.count(); number++) {
            Page strip = strips.strip(number);
            assertThat(strip.parts().blocks())
                    .extracting(Page.BlockBox::x)
                    .containsOnly(strip.parts().blocks().getFirst().x());
            assertThat(strip.height()).isEqualTo(strips.heights()[number - 1]);
            rows += (int) strip.bands().stream()
                    .filter(band -> band.role() == BandRole.ROW)
                    // Key figures stand side by side in one.
                    .filter(band -> !(made.tables().get(band.block()).block() instanceof FiguresPlan))
                    .count();
        }
        int expected = made.tables().stream()
                .filter(bands -> !(bands.block() instanceof FiguresPlan))
                .mapToInt(bands -> (int) IntStream.range(0, bands.size())
                        .filter(band -> isRow(bands.kind(band)) || bands.kind(band) == BandKind.EMPTY)
                        .count())
                .sum();
        assertThat(rows).isEqualTo(expected);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyBandIsOnThePageThatIsSaid(int seed) {
        Made made = generated(seed);
        for (int block = 0; block < made.tables().size(); block++) {
            Bands bands = made.tables().get(block);
            for (int band = 0; band < bands.size(); band += 7) {
                if (bands.kind(band) == BandKind.DETAIL) {
                    int row = bands.row(band);
                    int of = block;
                    Page page = made.pages().page(made.pages().pageOf(block, band));
                    assertThat(page.bands()).anyMatch(box -> box.block() == of && box.row() == row);
                }
            }
        }
    }
}
