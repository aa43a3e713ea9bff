package org.grammatus.server;

import org.grammatus.server.store.Store;
import org.springframework.security.crypto.password.PasswordEncoder;

/** Does to a running server's records what nobody can over HTTP. */
final class Records {

    private Records() {}

    /** Leaves hardly any room for more, as a full disk does. */
    static void limit(Server server) {
        Store store = server.bean(Store.class);
        int pages = store.write().fetchOne("PRAGMA page_count").get(0, Integer.class);
        store.write().fetch("PRAGMA max_page_count = " + (pages + 20));
    }

    /** Gives the demo's accounts the passwords that everybody knows. */
    static void resetDemoPasswords(Server server) {
        Store store = server.bean(Store.class);
        String hash = server.bean(PasswordEncoder.class).encode("reader-demo");
        store.write().execute("UPDATE account SET password_hash = ? WHERE name = 'reader'", hash);
    }
}
