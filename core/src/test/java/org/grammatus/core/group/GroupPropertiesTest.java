package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.TreeText;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.definition.Report;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.value.Scalar;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What holds of groups and totals whatever the rows: over generated rows and generated ways to group them. */
class GroupPropertiesTest {

    private static final List<String> KEYS = List.of(
            "\"key\": \"region\"",
            "\"key\": \"category\"",
            "\"key\": \"order_number\"",
            "\"key\": \"ordered_at\", \"bucket\": \"month\"",
            "\"key\": \"net\", \"classes\": [{\"upTo\": \"0\"}, {\"upTo\": \"10\"}, {}]");
    private static final List<String> MEASURES =
            List.of("SUM(net)", "COUNT(*)", "SUM(freight)", "MAX(net)", "COUNT(DISTINCT category)");

    static IntStream seeds() {
        return IntStream.range(0, 120);
    }

    private static Samples rows(Random random) {
        Samples samples = new Samples();
        int orders = 1 + random.nextInt(8);
        for (int i = 0; i < orders; i++) {
            samples.order(
                    "S" + i,
                    random.nextInt(8) == 0 ? null : "2026-0" + (1 + random.nextInt(6)) + "-11T10:00",
                    random.nextInt(5) == 0 ? null : "R" + random.nextInt(3),
                    random.nextInt(4) == 0 ? null : random.nextInt(20) + ".50");
        }
        int lines = random.nextInt(40);
        for (int i = 0; i < lines; i++) {
            samples.line(
                    "S" + random.nextInt(orders + 1),
                    random.nextInt(6) == 0 ? null : "K" + random.nextInt(4),
                    random.nextInt(6) == 0
                            ? null
                            : BigDecimal.valueOf(random.nextInt(4000) - 800, 2).toString());
        }
        return samples;
    }

    private static Report report(Random random, boolean limited) {
        List<String> keys = new ArrayList<>(KEYS);
        Collections.shuffle(keys, random);
        List<String> levels = new ArrayList<>();
        for (int i = 0; i <= random.nextInt(3); i++) {
            String id = "level" + "abc".charAt(i);
            String order = "{\"id\": \"o%d\", \"by\": \"%s\", \"direction\": \"%s\"}"
                    .formatted(
                            i,
                            MEASURES.get(random.nextInt(MEASURES.size())),
                            random.nextBoolean() ? "descending" : "ascending");
            String limit = limited
                    ? "\"limit\": {\"keep\": \"largest\", \"by\": \"%s\", \"count\": %d, \"others\": true},"
                            .formatted(MEASURES.get(random.nextInt(MEASURES.size())), 1 + random.nextInt(2))
                    : "";
            levels.add("{\"id\": \"%s\", \"name\": \"%s\", %s, %s \"order\": [%s]}"
                    .formatted(id, id, keys.get(i), limit, random.nextBoolean() ? order : ""));
        }
        return Samples.report(
                String.join(", ", levels),
                "",
                MEASURES.stream()
                        .map(measure -> "{\"value\": \"" + measure + "\"}")
                        .toArray(String[]::new));
    }

    /** Sums and counts of lines, of which no two groups share one, add up; so they do where some stand together as others. */
    @ParameterizedTest
    @MethodSource("seeds")
    void childrenMeetTheirParentAndOthersMakeUpTheRest(int seed) {
        Random random = new Random(seed);
        Samples samples = rows(random);
        TableResult grouped = samples.grouped(report(random, seed % 2 == 0), Answers.NONE);
        GroupTree tree = grouped.tree();
        for (int total = 0; total < 2; total++) {
            for (int place = 0; place < tree.nodeCount(); place++) {
                int node = tree.nodeAt(place);
                if (tree.lastPlace(node) == place) {
                    continue;
                }
                BigDecimal sum = BigDecimal.ZERO;
                boolean any = false;
                for (int at = place + 1; at <= tree.lastPlace(node); at = tree.lastPlace(tree.nodeAt(at)) + 1) {
                    if (Scalars.at(grouped.figures().totals().get(total), tree.nodeAt(at)) instanceof Scalar.Number n) {
                        sum = sum.add(n.value());
                        any = true;
                    }
                }
                Scalar whole = Scalars.at(grouped.figures().totals().get(total), node);
                assertThat(whole instanceof Scalar.Number n ? n.value() : null)
                        .as("total %d at place %d", total, place)
                        .isEqualTo(any ? sum : null);
            }
        }
    }

    /** Freight of groups that share orders is that of the orders they hold, each once: the rows behind a group say which. */
    @ParameterizedTest
    @MethodSource("seeds")
    @Meaning(3)
    void anOverlappingSumIsThatOfItsDistinctOrders(int seed) {
        Random random = new Random(seed);
        GroupingStep.Result result = rows(random).grouping(report(random, false), Answers.NONE);
        TableResult grouped = result.grouped();
        GroupTree tree = grouped.tree();
        int[] orderOf = result.drillDown().star().path(0, 1);
        for (int place = 0; place < tree.nodeCount(); place++) {
            int node = tree.nodeAt(place);
            BigDecimal sum = null;
            for (int order : Arrays.stream(result.drillDown().rows(node, tree.depthOf(node)))
                    .map(row -> orderOf[row])
                    .distinct()
                    .toArray()) {
                if (Scalars.at(result.drillDown().star().table(1).fields().get("freight"), order)
                        instanceof Scalar.Number n) {
                    sum = sum == null ? n.value() : sum.add(n.value());
                }
            }
            assertThat(
                            Scalars.at(grouped.figures().totals().get(2), node) instanceof Scalar.Number n
                                    ? n.value()
                                    : null)
                    .isEqualTo(sum);
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    @Meaning({2, 8})
    void theOrderOfTheInputChangesNothing(int seed) {
        Random random = new Random(seed);
        Samples samples = rows(random);
        Report report = report(random, seed % 2 == 0);
        List<Integer> permutation =
                new ArrayList<>(IntStream.range(0, samples.lineCount()).boxed().toList());
        Collections.shuffle(permutation, random);
        Samples permuted = samples.permuted(
                permutation.stream().mapToInt(Integer::intValue).toArray());
        assertThat(TreeText.of(permuted.grouped(report, Answers.NONE)))
                .isEqualTo(TreeText.of(samples.grouped(report, Answers.NONE)));
    }
}
