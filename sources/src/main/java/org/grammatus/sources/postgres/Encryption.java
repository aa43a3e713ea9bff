package org.grammatus.sources.postgres;

import java.util.Optional;

/**
 * How a connection to a database server is kept from being read on its way.
 *
 * @param authorities for {@link Level#VERIFY}: certificates in PEM that the server's must lead to; none takes those that this machine
 *     trusts
 * @param clearPassword whether the password may be sent as it is where nothing is encrypted, if the server asks for it so
 */
public record Encryption(Level level, Optional<String> authorities, boolean clearPassword) {

    /** How much is asked of the connection. */
    public enum Level {
        /** Nothing is encrypted. */
        OFF,
        /** Encrypted, whoever answers. */
        REQUIRE,
        /** Encrypted, and the server proves to be the one that was asked for. */
        VERIFY
    }

    /** Not encrypted, as on one machine; the password is only sent in a way that hides it. */
    public static final Encryption NONE = new Encryption(Level.OFF, Optional.empty(), false);
}
