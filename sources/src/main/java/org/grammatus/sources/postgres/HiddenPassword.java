package org.grammatus.sources.postgres;

import java.util.Properties;
import org.postgresql.PGProperty;
import org.postgresql.plugin.AuthenticationPlugin;
import org.postgresql.plugin.AuthenticationRequestType;
import org.postgresql.util.PSQLException;
import org.postgresql.util.PSQLState;

/** Gives the password to the driver, unless the server asks for it in the clear over a connection that everybody can read. */
public final class HiddenPassword implements AuthenticationPlugin {

    /** What is said of a server that asks for the password in the clear. */
    public static final String REFUSED = "the server asks for the password in the clear";

    private final String password;

    /** @param properties of the connection */
    public HiddenPassword(Properties properties) {
        this.password = PGProperty.PASSWORD.getOrDefault(properties);
    }

    @Override
    public char[] getPassword(AuthenticationRequestType type) throws PSQLException {
        if (type == AuthenticationRequestType.CLEARTEXT_PASSWORD) {
            throw new PSQLException(REFUSED, PSQLState.CONNECTION_REJECTED);
        }
        return password == null ? null : password.toCharArray();
    }
}
