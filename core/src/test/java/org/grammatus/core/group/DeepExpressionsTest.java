package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import org.grammatus.core.Samples;
import org.grammatus.core.TreeText;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.explain.InWords;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** However deep an expression is that is let in, every step of the way has room for it; a deeper one is refused in words. */
class DeepExpressionsTest {

    /** Less than threads have that run reports. */
    private static final long STACK = 512L * 1024;

    private static String field(String id, String value) {
        return "{\"id\": \"%s\", \"label\": \"%s\", \"value\": \"%s\", \"role\": \"additive\"}"
                .formatted(id, id, value);
    }

    private static <T> T onSmallStack(java.util.concurrent.Callable<T> work) throws Exception {
        AtomicReference<T> result = new AtomicReference<>();
        AtomicReference<Throwable> failure = new AtomicReference<>();
        Thread thread = new Thread(
                null,
                () -> {
                    try {
                        result.set(work.call());
                    } catch (Throwable e) {
                        failure.set(e);
                    }
                },
                "small",
                STACK);
        thread.start();
        thread.join();
        if (failure.get() instanceof Exception e) {
            throw e;
        }
        assertThat(failure.get()).isNull();
        return result.get();
    }

    private static TableResult grouped(DatasetModel dataset, String total, String filter) {
        Report report = Definitions.readReport(Samples.REPORT
                .replace("\"value\": \"SUM(net)\"", "\"value\": \"" + total + "\"")
                .replace(
                        "\"filters\": [",
                        "\"filters\": [{\"id\": \"f-deep\", \"kind\": \"expression\", \"where\": \"" + filter
                                + "\"},"));
        return new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .line("S1", "Hives", "2.00")
                .grouped(report, dataset, Answers.NONE);
    }

    @Test
    void theDeepestThatIsLetInRuns() throws Exception {
        DatasetModel dataset = Samples.dataset(
                field("one", "net" + " + 1".repeat(190)) + "," + field("two", "one" + " + 1".repeat(190)), "");
        String or = "net = 1" + " OR net = 2".repeat(240);
        TableResult grouped = onSmallStack(() -> grouped(dataset, "SUM(two + 1)", or));
        assertThat(TreeText.of(grouped)).startsWith("all | 383.00 | 5.00");
        String words = onSmallStack(() ->
                new InWords(dataset).of(grouped.plan().filters().getFirst().condition()));
        assertThat(words).startsWith("(Net is 1) or (Net is 2) or (Net is 2) or");
        assertThat(onSmallStack(
                        () -> grouped(dataset, "SUM(two + 1)", or).plan().totals()))
                .isEqualTo(grouped.plan().totals());
    }

    @Test
    void longFieldsThatUseEachOtherAreRefusedBeforeTheyAreComputed() {
        StringBuilder fields = new StringBuilder(field("f0", "net" + " + 1".repeat(240)));
        for (int i = 1; i < 6; i++) {
            fields.append(",").append(field("f" + i, "f" + (i - 1) + " + 1".repeat(240)));
        }
        assertThatThrownBy(() -> onSmallStack(() -> Samples.dataset(fields.toString(), "")))
                .hasMessageContaining("/calculated/1/value")
                .hasMessageContaining("steps one after the other once all that it uses is written out, more than 400");
        List<String> chain = new java.util.ArrayList<>(List.of(field("f0", "net")));
        for (int i = 1; i < 190; i++) {
            chain.add(field("f" + i, "f" + (i - 1) + " + 1"));
        }
        assertThat(Samples.dataset(String.join(",", chain), "").named()).hasSize(190);
    }
}
