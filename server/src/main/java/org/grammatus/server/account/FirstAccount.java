package org.grammatus.server.account;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.Optional;
import org.grammatus.server.ServerSettings;
import org.grammatus.server.problem.NotFoundException;
import org.springframework.stereotype.Component;

/**
 * The way in where there is no account yet: a secret that is printed when the server starts and good for one account, the first
 * administrator's. Thread-safe.
 */
@Component
public class FirstAccount {

    private static final int BYTES = 24;

    private final Accounts accounts;
    private String secret;

    FirstAccount(Accounts accounts, ServerSettings settings) {
        this.accounts = accounts;
        if (!settings.demo() && accounts.isEmpty()) {
            byte[] bytes = new byte[BYTES];
            new SecureRandom().nextBytes(bytes);
            this.secret = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        }
    }

    /** The secret; none where there is an account. */
    public synchronized Optional<String> secret() {
        return Optional.ofNullable(secret);
    }

    /**
     * Makes the first account, once.
     *
     * @throws NotFoundException if the secret is not the one that was printed, or was used
     * @throws org.grammatus.core.problem.ProblemException with all that is wrong with the account; the secret stays good
     */
    synchronized void make(String given, String name, String displayName, String password) {
        if (secret == null
                || !MessageDigest.isEqual(
                        secret.getBytes(StandardCharsets.UTF_8), given.getBytes(StandardCharsets.UTF_8))) {
            throw new NotFoundException(
                    "This address was used, or is not the one that the server printed when it started");
        }
        accounts.make(name, displayName, Role.ADMINISTRATOR, password);
        secret = null;
    }
}
