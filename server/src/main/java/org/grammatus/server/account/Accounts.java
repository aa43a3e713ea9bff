package org.grammatus.server.account;

import static org.grammatus.server.store.generated.Tables.ACCOUNT;
import static org.grammatus.server.store.generated.Tables.ACCOUNT_ATTRIBUTE;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;
import org.grammatus.server.store.Store;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** The accounts on record. */
@Component
public class Accounts implements UserDetailsService {

    private static final Pattern NAME = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._-]{0,49}");
    private static final int LONGEST_DISPLAY_NAME = 100;
    private static final Pattern ATTRIBUTE = Pattern.compile("[a-z][a-z0-9_]{0,49}");
    private static final int LONGEST_ATTRIBUTE = 200;

    private final Map<String, Long> epochs = new ConcurrentHashMap<>();
    private final Store store;
    private final PasswordEncoder encoder;
    private final Clock clock;

    public Accounts(Store store, PasswordEncoder encoder, Clock clock) {
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
                .fetchOptional(row -> new SignedIn(
                        row.getName(),
                        row.getPasswordHash(),
                        role(row.getRole(), row.getAdministrator()),
                        row.getEpoch()))
                .orElseThrow(() -> new UsernameNotFoundException("No such account"));
    }

    /** Accounts everybody may know, for the demo alone. */
    public void addDemoAccounts() {
        add("admin", "Isolde Fennick", Role.ADMINISTRATOR, "admin-demo");
        add("author", "Odile Marrow", Role.AUTHOR, "author-demo");
        add("reader", "Tobin Ashgrove", Role.READER, "reader-demo");
        Account reader = find("reader").orElseThrow();
        if (attributes(reader).isEmpty()) {
            describe(reader, "depot", "Finch Lane");
        }
    }

    /** Whether there is any account at all. */
    public boolean isEmpty() {
        return !store.read().fetchExists(ACCOUNT);
    }

    /** All accounts, by name. */
    public List<Account> all() {
        return store.read()
                .select(ACCOUNT.ID, ACCOUNT.NAME, ACCOUNT.DISPLAY_NAME, ACCOUNT.ROLE, ACCOUNT.ADMINISTRATOR)
                .from(ACCOUNT)
                .orderBy(ACCOUNT.NAME)
                .fetch(row -> new Account(row.value1(), row.value2(), row.value3(), role(row.value4(), row.value5())));
    }

    /**
     * Makes an account.
     *
     * @throws ProblemException with all that is wrong with its name or password
     */
    public void make(String name, String displayName, Role role, String password) {
        Problems problems = new Problems();
        if (!NAME.matcher(name).matches()) {
            problems.error("/name", "a name has 1 to 50 letters, digits, dots, hyphens or underscores");
        } else if (find(name).isPresent()) {
            problems.error("/name", "there is an account \"" + name + "\" already; choose another name");
        }
        if (displayName.isBlank() || displayName.length() > LONGEST_DISPLAY_NAME) {
            problems.error(
                    "/displayName", "say how the person is called, in at most " + LONGEST_DISPLAY_NAME + " characters");
        }
        PasswordRules.fault(password, name).ifPresent(fault -> problems.error("/password", fault));
        problems.throwIfErrors();
        add(name, displayName.strip(), role, password);
    }

    /**
     * Gives an account another password; sessions that began before are over.
     *
     * @throws ProblemException if the password may not be
     */
    public void changePassword(String name, String password) {
        PasswordRules.fault(password, name).ifPresent(fault -> {
            throw new ProblemException(Problem.error("/password", fault));
        });
        store.write()
                .update(ACCOUNT)
                .set(ACCOUNT.PASSWORD_HASH, encoder.encode(password))
                .set(ACCOUNT.EPOCH, ACCOUNT.EPOCH.plus(1))
                .where(ACCOUNT.NAME.eq(name))
                .execute();
        epochs.remove(name);
    }

    /** What is said of a person, by name. */
    public Map<String, String> attributes(Account account) {
        return store.read()
                .select(ACCOUNT_ATTRIBUTE.NAME, ACCOUNT_ATTRIBUTE.VALUE)
                .from(ACCOUNT_ATTRIBUTE)
                .where(ACCOUNT_ATTRIBUTE.ACCOUNT_ID.eq(account.id()))
                .fetchMap(ACCOUNT_ATTRIBUTE.NAME, ACCOUNT_ATTRIBUTE.VALUE);
    }

    /**
     * Says something of a person, in the place of what was said before.
     *
     * @param value empty to say nothing any more
     * @throws ProblemException if the name or the value may not be
     */
    public void describe(Account account, String name, String value) {
        if (!ATTRIBUTE.matcher(name).matches()) {
            throw new ProblemException(Problem.error(
                    "/attribute",
                    "\"" + name + "\" is no name; use small letters, digits and underscores, as in region"));
        }
        if (value.length() > LONGEST_ATTRIBUTE) {
            throw new ProblemException(
                    Problem.error("/attribute", "a value has at most " + LONGEST_ATTRIBUTE + " characters"));
        }
        store.write()
                .deleteFrom(ACCOUNT_ATTRIBUTE)
                .where(ACCOUNT_ATTRIBUTE.ACCOUNT_ID.eq(account.id()).and(ACCOUNT_ATTRIBUTE.NAME.eq(name)))
                .execute();
        if (!value.isEmpty()) {
            store.write()
                    .insertInto(ACCOUNT_ATTRIBUTE)
                    .set(ACCOUNT_ATTRIBUTE.ACCOUNT_ID, account.id())
                    .set(ACCOUNT_ATTRIBUTE.NAME, name)
                    .set(ACCOUNT_ATTRIBUTE.VALUE, value)
                    .execute();
        }
    }

    /** Whether a password is an account's. */
    public boolean matches(String name, String password) {
        return encoder.matches(password, loadUserByUsername(name).getPassword());
    }

    /** Which sessions of an account are still good: those that began with this number. */
    long epoch(String name) {
        return epochs.computeIfAbsent(
                name,
                n -> store.read()
                        .select(ACCOUNT.EPOCH)
                        .from(ACCOUNT)
                        .where(ACCOUNT.NAME.eq(n))
                        .fetchOptional(ACCOUNT.EPOCH)
                        .orElse(-1L));
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
