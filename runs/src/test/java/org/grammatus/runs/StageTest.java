package org.grammatus.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** A step is done once for those who want it at the same time or later, and for nobody it is not done. */
@Timeout(20)
class StageTest {

    private final Stage<String, Object> stage = new Stage<>();
    private final AtomicInteger made = new AtomicInteger();
    private final ExecutorService threads = Executors.newCachedThreadPool();

    @AfterEach
    void close() {
        threads.shutdownNow();
    }

    private Object make(BooleanSupplier stop) {
        made.incrementAndGet();
        return new Object();
    }

    /** Goes on until nobody waits, or it is let go. */
    private Object waiting(BooleanSupplier stop, CountDownLatch begun, CountDownLatch letGo) {
        made.incrementAndGet();
        begun.countDown();
        while (letGo.getCount() > 0 && !Thread.currentThread().isInterrupted()) {
            if (stop.getAsBoolean()) {
                throw new CancellationException();
            }
            Thread.onSpinWait();
        }
        return new Object();
    }

    @Test
    void aFinishedResultIsFoundAgain() {
        Object first = stage.of("a", () -> false, this::make);
        assertThat(stage.of("a", () -> false, this::make)).isSameAs(first);
        assertThat(stage.of("b", () -> false, this::make)).isNotSameAs(first);
        assertThat(made).hasValue(2);
    }

    @Test
    void theMakingGoesOnWhileOneOfThoseWhoWaitIsLeft() throws Exception {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch letGo = new CountDownLatch(1);
        AtomicBoolean firstLeft = new AtomicBoolean();
        CompletableFuture<Object> first = CompletableFuture.supplyAsync(
                () -> stage.of("a", firstLeft::get, stop -> waiting(stop, begun, letGo)), threads);
        begun.await();
        // Asked a second time, it is among those who wait.
        CountDownLatch asked = new CountDownLatch(2);
        CompletableFuture<Object> second = CompletableFuture.supplyAsync(
                () -> stage.of(
                        "a",
                        () -> {
                            asked.countDown();
                            return false;
                        },
                        this::make),
                threads);
        asked.await();
        firstLeft.set(true);
        letGo.countDown();
        assertThat(second.get()).isSameAs(first.get());
        assertThat(made).hasValue(1);
    }

    @Test
    void theMakingStopsWhenTheLastHasLeftAndTheNextBeginsAnew() throws Exception {
        CountDownLatch begun = new CountDownLatch(1);
        AtomicBoolean left = new AtomicBoolean();
        CompletableFuture<Object> first = CompletableFuture.supplyAsync(
                () -> stage.of("a", left::get, stop -> waiting(stop, begun, new CountDownLatch(1))), threads);
        begun.await();
        // Asked a second time, it is among those who wait.
        CountDownLatch asked = new CountDownLatch(2);
        CompletableFuture<Object> second = CompletableFuture.supplyAsync(
                () -> stage.of(
                        "a",
                        () -> {
                            asked.countDown();
                            return left.get();
                        },
                        this::make),
                threads);
        asked.await();
        left.set(true);
        assertThatThrownBy(first::join)
                .isInstanceOf(CompletionException.class)
                .hasCauseInstanceOf(CancellationException.class);
        assertThatThrownBy(second::join).hasCauseInstanceOf(CancellationException.class);
        assertThat(stage.of("a", () -> false, this::make)).isNotNull();
    }

    @Test
    void whatFailsIsNotKept() {
        assertThatThrownBy(() -> stage.of("a", () -> false, stop -> {
                    throw new IllegalStateException("no");
                }))
                .hasMessage("no");
        assertThat(stage.of("a", () -> false, this::make)).isNotNull();
    }

    @Test
    void aLimitThatWasMetIsWhatItEndsWith() {
        BooleanSupplier limit = () -> {
            throw new IllegalStateException("too long");
        };
        assertThatThrownBy(
                        () -> stage.of("a", limit, stop -> waiting(stop, new CountDownLatch(1), new CountDownLatch(1))))
                .hasMessage("too long");
    }
}
