package org.grammatus.runs.turns;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;

/** People take turns, whoever has how much. */
class FairQueueTest {

    private static List<String> all(FairQueue<String> queue) {
        List<String> begun = new ArrayList<>();
        for (var next = queue.next(); next.isPresent(); next = queue.next()) {
            begun.add(next.get());
        }
        return begun;
    }

    @Test
    void peopleTakeTurns() {
        FairQueue<String> queue = new FairQueue<>(10, 10);
        for (int i = 1; i <= 4; i++) {
            queue.add("tobin", "t" + i);
        }
        queue.add("odile", "o1");
        queue.add("odile", "o2");
        assertThat(all(queue)).containsExactly("t1", "o1", "t2", "o2", "t3", "t4");
    }

    @Test
    void onePersonNeverHasAllThereIs() {
        FairQueue<String> queue = new FairQueue<>(3, 2);
        for (int i = 1; i <= 4; i++) {
            queue.add("tobin", "t" + i);
        }
        assertThat(all(queue)).containsExactly("t1", "t2");
        queue.add("odile", "o1");
        queue.add("odile", "o2");
        assertThat(all(queue)).containsExactly("o1");
        queue.over("tobin");
        assertThat(all(queue)).containsExactly("t3");
        queue.over("odile");
        assertThat(all(queue)).containsExactly("o2");
        assertThat(queue.goingOn()).isEqualTo(3);
    }

    @Test
    void whatIsTakenOutDoesNotBegin() {
        FairQueue<String> queue = new FairQueue<>(1, 1);
        queue.add("tobin", "t1");
        queue.add("tobin", "t2");
        queue.remove("tobin", "t1"::equals);
        assertThat(queue.waiting("tobin", work -> true)).isEqualTo(1);
        assertThat(all(queue)).containsExactly("t2");
        assertThat(queue.waiting("tobin", work -> true)).isZero();
    }

    @Test
    void aTurnAtComputingIsGivenUpByWhoeverIsInterrupted() throws Exception {
        Turns gate = Turns.ofProcessors(2);
        Turns.Permit first = gate.enter("tobin");
        CompletableFuture<Throwable> ended = new CompletableFuture<>();
        Thread second = Thread.ofPlatform().start(() -> {
            try {
                gate.enter("tobin").close();
                ended.complete(null);
            } catch (CancellationException e) {
                ended.complete(e);
            }
        });
        gate.enter("odile").close();
        second.interrupt();
        assertThat(ended.get(5, TimeUnit.SECONDS)).isInstanceOf(CancellationException.class);
        first.close();
        gate.enter("tobin").close();
        gate.enter("tobin").close();
        assertThatThrownBy(() -> {
                    Thread.currentThread().interrupt();
                    gate.enter("odile");
                    gate.enter("odile");
                })
                .isInstanceOf(CancellationException.class);
        assertThat(Thread.interrupted()).isTrue();
    }
}
