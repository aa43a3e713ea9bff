package org.grammatus.server.account;

import static org.grammatus.server.store.generated.Tables.ACCOUNT;

import java.time.Clock;
import java.util.Optional;
import org.grammatus.server.store.Store;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** The accounts on record. */
@Component
public class Accounts implements UserDetailsService {

    private final Store store;
    private final PasswordEncoder encoder;
    private final Clock clock;

    Accounts(Store store, PasswordEncoder encoder, Clock clock) {
        this.store = store;
        this.encoder = encoder;
        this.clock = clock;
    }

    public Optional<Account> find(String name) {
        return store.read()
                .select(ACCOUNT.ID, ACCOUNT.NAME, ACCOUNT.DISPLAY_NAME, ACCOUNT.ROLE, ACCOUNT.ADMINISTRATOR)
                .from(ACCOUNT)
                .where(ACCOUNT.NAME.eq(name))
                .fetchOptional(
                        row -> new Account(row.value1(), row.value2(), row.value3(), role(row.value4(), row.value5())));
    }

    private static Role role(String role, boolean administrator) {
        return administrator ? Role.ADMINISTRATOR : Role.valueOf(role);
    }

    @Override
    public UserDetails loadUserByUsername(String name) {
        return store.read()
                .selectFrom(ACCOUNT)
                .where(ACCOUNT.NAME.eq(name))
                .fetchOptional(row -> User.withUsername(row.getName())
                        .password(row.getPasswordHash())
                        .roles(role(row.getRole(), row.getAdministrator()).name())
                        .build())
                .orElseThrow(() -> new UsernameNotFoundException("No such account"));
    }

    /** Accounts everybody may know, for the demo alone. */
    public void addDemoAccounts() {
        add("admin", "Isolde Fennick", Role.ADMINISTRATOR, "admin-demo");
        add("author", "Odile Marrow", Role.AUTHOR, "author-demo");
        add("reader", "Tobin Ashgrove", Role.READER, "reader-demo");
    }

    private void add(String name, String displayName, Role role, String password) {
        if (find(name).isEmpty()) {
            store.write()
                    .insertInto(ACCOUNT)
                    .set(ACCOUNT.NAME, name)
                    .set(ACCOUNT.DISPLAY_NAME, displayName)
                    .set(ACCOUNT.ROLE, role == Role.READER ? role.name() : Role.AUTHOR.name())
                    .set(ACCOUNT.ADMINISTRATOR, role == Role.ADMINISTRATOR)
                    .set(ACCOUNT.PASSWORD_HASH, encoder.encode(password))
                    .set(ACCOUNT.CREATED_AT, clock.millis())
                    .execute();
        }
    }
}
