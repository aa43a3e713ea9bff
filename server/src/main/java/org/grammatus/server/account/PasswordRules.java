package org.grammatus.server.account;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** What passwords may be: long, and none that everybody tries first. */
public final class PasswordRules {

    public static final int SHORTEST = 12;
    /** Longer ones would be cut by the hash. */
    private static final int LONGEST_BYTES = 72;

    private static final int FEWEST_CHARACTERS = 5;
    private static final Set<String> COMMON = common();

    private PasswordRules() {}

    /** What is wrong with a password for an account; nothing where it may be. */
    public static Optional<String> fault(String password, String account) {
        String plain = password.toLowerCase(Locale.ROOT);
        if (password.length() < SHORTEST) {
            return Optional.of(
                    "A password has at least " + SHORTEST + " characters; a few words one after the other will do");
        }
        if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST_BYTES) {
            return Optional.of("A password has at most " + LONGEST_BYTES + " characters");
        }
        boolean guessed = COMMON.contains(plain)
                || COMMON.contains(plain.replaceAll("[^a-z]+$", ""))
                || plain.chars().distinct().count() < FEWEST_CHARACTERS
                || plain.contains(account.toLowerCase(Locale.ROOT))
                || "abcdefghijklmnopqrstuvwxyz".contains(plain)
                || "01234567890123456789".contains(plain);
        return guessed
                ? Optional.of("This password is among those that are tried first; choose one that nobody would guess")
                : Optional.empty();
    }

    private static Set<String> common() {
        try (InputStream in = PasswordRules.class.getResourceAsStream("common-passwords.txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.isBlank())
                    .collect(Collectors.toUnmodifiableSet());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
