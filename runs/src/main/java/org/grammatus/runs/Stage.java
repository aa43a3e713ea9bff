package org.grammatus.runs;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import java.util.function.Function;

/**
 * A step of runs that is not done twice for the same inputs. Finished results alone are found again, as long as some run holds them,
 * so that they take no memory of their own. Whoever wants what is being made waits for it; the making stops when the last of them
 * has left. Thread-safe.
 *
 * @param <K> what the step depends on
 * @param <V> what it makes
 */
final class Stage<K, V> {

    private static final long LOOK_MILLIS = 20;

    private final Cache<K, V> finished = Caffeine.newBuilder().weakValues().build();
    private final Map<K, Making<V>> going = new HashMap<>();

    /**
     * The result for some inputs.
     *
     * @param cancelled whether whoever asks has left; it may throw what it ends with
     * @param work makes the result on this thread, unless it is there or another makes it; told whether to stop, by a
     *     CancellationException
     * @throws CancellationException if whoever asks has left
     */
    V of(K inputs, BooleanSupplier cancelled, Function<BooleanSupplier, V> work) {
        while (!cancelled.getAsBoolean()) {
            Making<V> making;
            boolean mine;
            synchronized (going) {
                V found = finished.getIfPresent(inputs);
                if (found != null) {
                    return found;
                }
                mine = !going.containsKey(inputs);
                making = going.computeIfAbsent(inputs, key -> new Making<>());
                making.waiting.add(cancelled);
            }
            if (mine) {
                return made(inputs, making, cancelled, work);
            }
            Optional<V> shared = making.await(cancelled);
            if (shared.isPresent()) {
                return shared.get();
            }
        }
        throw new CancellationException("The run was cancelled");
    }

    private V made(K inputs, Making<V> making, BooleanSupplier cancelled, Function<BooleanSupplier, V> work) {
        try {
            V result = work.apply(() -> isGivenUp(inputs, making));
            synchronized (going) {
                finished.put(inputs, result);
                going.remove(inputs, making);
            }
            making.outcome.complete(result);
            return result;
        } catch (RuntimeException | Error e) {
            synchronized (going) {
                going.remove(inputs, making);
            }
            making.outcome.completeExceptionally(e);
            if (e instanceof CancellationException) {
                // Where a limit was met, that is what it ends with.
                cancelled.getAsBoolean();
            }
            throw e;
        }
    }

    /** Whether nobody waits any more; who comes after that has it made anew. */
    private boolean isGivenUp(K inputs, Making<V> making) {
        if (!making.isLeft()) {
            return false;
        }
        synchronized (going) {
            boolean left = making.isLeft();
            if (left) {
                going.remove(inputs, making);
            }
            return left;
        }
    }

    /** A result that is being made. */
    private static final class Making<V> {

        private final List<BooleanSupplier> waiting = new CopyOnWriteArrayList<>();
        private final CompletableFuture<V> outcome = new CompletableFuture<>();

        /** Whether all of those who came have left. */
        boolean isLeft() {
            return waiting.stream().allMatch(Making::hasLeft);
        }

        private static boolean hasLeft(BooleanSupplier cancelled) {
            try {
                return cancelled.getAsBoolean();
            } catch (RuntimeException e) {
                // It has met a limit, which it is told where it waits.
                return true;
            }
        }

        /** The result; none where it was given up by those who wanted it before. */
        Optional<V> await(BooleanSupplier cancelled) {
            while (!cancelled.getAsBoolean()) {
                try {
                    return Optional.of(outcome.get(LOOK_MILLIS, TimeUnit.MILLISECONDS));
                } catch (TimeoutException e) {
                    // Not yet.
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                    throw new CancellationException("Interrupted while others group the same rows");
                } catch (CancellationException e) {
                    return Optional.empty();
                } catch (ExecutionException e) {
                    switch (e.getCause()) {
                        case RuntimeException r -> throw r;
                        case Throwable t -> throw new IllegalStateException("Another run failed over the same rows", t);
                    }
                }
            }
            return Optional.empty();
        }
    }
}
