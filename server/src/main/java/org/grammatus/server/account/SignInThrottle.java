package org.grammatus.server.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Component;

/**
 * Slows down whoever guesses passwords: after some failures each further try waits longer, most of all for one account from one
 * address. Nobody is locked out for good: what nobody tries any more is forgotten, and a success forgets its failures. Thread-safe.
 */
@Component
public class SignInThrottle {

    private static final Duration REMEMBERED = Duration.ofMinutes(30);
    private static final long MOST_REMEMBERED = 100_000;

    private enum Of {
        /** One account from one address: whoever mistypes waits seconds, whoever guesses minutes. */
        BOTH(4, Duration.ofMinutes(5)),
        /** One account from everywhere: many guess together, but its owner waits no longer than this. */
        ACCOUNT(20, Duration.ofSeconds(10)),
        /** One address, whatever the account: many people may share it. */
        ADDRESS(40, Duration.ofMinutes(1));

        private final int free;
        private final Duration longest;

        Of(int free, Duration longest) {
            this.free = free;
            this.longest = longest;
        }

        private Duration after(int failures) {
            int beyond = Math.min(30, failures - free);
            return beyond < 0 ? Duration.ZERO : shorter(Duration.ofSeconds(1L << beyond), longest);
        }

        private static Duration shorter(Duration a, Duration b) {
            return a.compareTo(b) < 0 ? a : b;
        }
    }

    private record Key(Of of, String account, String address) {}

    private record Failures(int count, long lastMillis) {}

    private final Clock clock;
    private final Cache<Key, Failures> failures;

    SignInThrottle(Clock clock) {
        this.clock = clock;
        this.failures = Caffeine.newBuilder()
                .expireAfterWrite(REMEMBERED)
                .maximumSize(MOST_REMEMBERED)
                .ticker(() -> TimeUnit.MILLISECONDS.toNanos(clock.millis()))
                .build();
    }

    /** How long the next try has to wait; nothing where it may come now. */
    public Duration delay(String account, String address) {
        Duration longest = Duration.ZERO;
        for (Of of : Of.values()) {
            Failures known = failures.getIfPresent(key(of, account, address));
            if (known != null) {
                Duration left = of.after(known.count).minusMillis(clock.millis() - known.lastMillis);
                longest = left.compareTo(longest) > 0 ? left : longest;
            }
        }
        return longest;
    }

    public void failed(String account, String address) {
        long now = clock.millis();
        for (Of of : Of.values()) {
            failures.asMap()
                    .merge(key(of, account, address), new Failures(1, now), (a, b) -> new Failures(a.count + 1, now));
        }
    }

    public void succeeded(String account, String address) {
        failures.invalidate(key(Of.BOTH, account, address));
        failures.invalidate(key(Of.ACCOUNT, account, address));
    }

    private static Key key(Of of, String account, String address) {
        String name = account.strip().toLowerCase(Locale.ROOT);
        String shortened = name.substring(0, Math.min(100, name.length()));
        return switch (of) {
            case BOTH -> new Key(of, shortened, address);
            case ACCOUNT -> new Key(of, shortened, "");
            case ADDRESS -> new Key(of, "", address);
        };
    }
}
