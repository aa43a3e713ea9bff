package org.grammatus.server.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/**
 * Slows down whoever guesses passwords: after some failures each further try waits longer, most of all for one account from one
 * network. Nobody is locked out for good: what nobody tries any more is forgotten, and a success forgets its failures. Thread-safe.
 */
@Component
public class SignInThrottle {

    private static final Duration REMEMBERED = Duration.ofMinutes(30);
    private static final long MOST_REMEMBERED = 100_000;

    private enum Of {
        /** A browser in which the account has signed in before: whoever guesses elsewhere does not hold it up. */
        DEVICE(8, Duration.ofMinutes(5)),
        /** One account from one network: whoever mistypes waits seconds, whoever guesses minutes. */
        BOTH(4, Duration.ofMinutes(5)),
        /** One account from everywhere: many guess together, but its owner waits no longer than this. */
        ACCOUNT(20, Duration.ofSeconds(10)),
        /** One network, whatever the account: many people may share it, so that the first try of each account is looked at all the same. */
        NETWORK(40, Duration.ofMinutes(1));

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

    private record Key(Of of, String account, String from) {}

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

    /**
     * Where a try comes from.
     *
     * @param network the address, or the network that it belongs to
     * @param device what the browser is called, where the account has signed in there before
     */
    record Origin(String network, Optional<String> device) {}

    /** How long the next try has to wait; nothing where it may come now. */
    Duration delay(String account, Origin origin) {
        if (origin.device().isPresent()) {
            return delay(Of.DEVICE, account, origin);
        }
        boolean first = failures.getIfPresent(key(Of.BOTH, account, origin)) == null;
        return Stream.of(Of.BOTH, Of.ACCOUNT, Of.NETWORK)
                .filter(of -> of != Of.NETWORK || !first)
                .map(of -> delay(of, account, origin))
                .max(Duration::compareTo)
                .orElseThrow();
    }

    private Duration delay(Of of, String account, Origin origin) {
        Failures known = failures.getIfPresent(key(of, account, origin));
        Duration left =
                known == null ? Duration.ZERO : of.after(known.count).minusMillis(clock.millis() - known.lastMillis);
        return left.isNegative() ? Duration.ZERO : left;
    }

    void failed(String account, Origin origin) {
        long now = clock.millis();
        List<Of> noted = origin.device().isPresent() ? List.of(Of.DEVICE) : List.of(Of.BOTH, Of.ACCOUNT, Of.NETWORK);
        for (Of of : noted) {
            failures.asMap()
                    .merge(key(of, account, origin), new Failures(1, now), (a, b) -> new Failures(a.count + 1, now));
        }
    }

    void succeeded(String account, Origin origin) {
        failures.invalidate(key(Of.DEVICE, account, origin));
        failures.invalidate(key(Of.BOTH, account, origin));
        failures.invalidate(key(Of.ACCOUNT, account, origin));
    }

    private static Key key(Of of, String account, Origin origin) {
        String name = account.strip().toLowerCase(Locale.ROOT);
        String shortened = name.substring(0, Math.min(100, name.length()));
        return switch (of) {
            case DEVICE -> new Key(of, shortened, origin.device().orElse(""));
            case BOTH -> new Key(of, shortened, origin.network());
            case ACCOUNT -> new Key(of, shortened, "");
            case NETWORK -> new Key(of, "", origin.network());
        };
    }
}
