package org.grammatus.server.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import org.grammatus.core.expression.ExpressionParser;
import org.junit.jupiter.api.Test;

/** What nobody waits for any more is not planned to its end. */
class PlanningsTest {

    private final Plannings plannings = new Plannings();
    private final CountDownLatch begun = new CountDownLatch(1);

    /** Plans a definition of expressions without end. */
    private CompletableFuture<String> planning(String session, long edit) throws InterruptedException {
        CompletableFuture<String> planning =
                CompletableFuture.supplyAsync(() -> plannings.plan("author", session, edit, this::endless));
        begun.await();
        return planning;
    }

    private String endless() {
        begun.countDown();
        while (true) {
            ExpressionParser.parse("1 + 1");
        }
    }

    private static void assertGivenUp(CompletableFuture<String> planning) {
        assertThatThrownBy(() -> planning.get(10, TimeUnit.SECONDS))
                .isInstanceOfAny(CancellationException.class, ExecutionException.class)
                .satisfies(e ->
                        assertThat(e.getCause() == null ? e : e.getCause()).isInstanceOf(CancellationException.class));
    }

    @Test
    void aNewerEditGivesUpTheOlder() throws Exception {
        CompletableFuture<String> older = planning("bench", 1);
        assertThat(plannings.plan("author", "bench", 2, () -> "newer")).isEqualTo("newer");
        assertGivenUp(older);
    }

    @Test
    void theEndOfASessionGivesItUp() throws Exception {
        CompletableFuture<String> planning = planning("bench", 1);
        plannings.end("author", "another bench");
        plannings.end("reader", "bench");
        assertThat(planning).isNotDone();
        plannings.end("author", "bench");
        assertGivenUp(planning);
    }

    @Test
    void anOlderEditThatComesLaterIsNotBegun() throws Exception {
        CompletableFuture<String> newer = planning("bench", 2);
        assertThatThrownBy(() -> plannings.plan("author", "bench", 1, () -> "older"))
                .isInstanceOf(CancellationException.class);
        assertThat(newer).isNotDone();
        plannings.end("author", "bench");
        assertGivenUp(newer);
    }

    @Test
    void whatWasMeantForOnePlanningDoesNotEndTheNextOnItsThread() {
        assertThatThrownBy(() -> plannings.plan("author", "bench", 1, () -> {
                    plannings.end("author", "bench");
                    return ExpressionParser.parse("1");
                }))
                .isInstanceOf(CancellationException.class);
        assertThat(plannings.plan("author", "bench", 2, () -> ExpressionParser.parse("1")))
                .isNotNull();
    }
}
