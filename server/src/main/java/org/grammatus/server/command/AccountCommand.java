package org.grammatus.server.command;

import java.io.Console;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Map;
import java.util.Optional;
import java.util.Scanner;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import org.grammatus.server.account.Account;
import org.grammatus.server.account.Accounts;
import org.grammatus.server.account.Role;
import org.grammatus.server.problem.CannotStartException;
import org.grammatus.server.store.DataFolder;
import org.grammatus.server.store.Store;
import org.springframework.boot.logging.LogLevel;
import org.springframework.boot.logging.LoggingSystem;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Accounts of an installation whose server is stopped. */
@Command(
        name = "account",
        mixinStandardHelpOptions = true,
        description = "Adds, lists, describes and resets accounts while the server is stopped.",
        subcommands = {
            AccountCommand.Add.class,
            AccountCommand.Reset.class,
            AccountCommand.Describe.class,
            AccountCommand.Listing.class
        })
final class AccountCommand implements Runnable {

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec;

    @Override
    public void run() {
        spec.commandLine().usage(spec.commandLine().getOut());
    }

    /** What all of them need: the folder, which no server may have. */
    abstract static class Over implements Callable<Integer> {

        @Option(names = "--data-dir", paramLabel = "FOLDER", defaultValue = "data", description = DemoCommand.DATA_DIR)
        private Path dataDir;

        @CommandLine.Spec
        private CommandLine.Model.CommandSpec spec;

        final int over(Consumer<Accounts> work) {
            // Without a server nobody has said what is logged: the records' opening and closing is of no use here.
            LoggingSystem.get(AccountCommand.class.getClassLoader())
                    .setLogLevel(LoggingSystem.ROOT_LOGGER_NAME, LogLevel.WARN);
            try (DataFolder folder = DataFolder.openRecords(dataDir);
                    Store store = new Store(folder)) {
                work.accept(new Accounts(
                        store, PasswordEncoderFactories.createDelegatingPasswordEncoder(), Clock.systemUTC()));
                return CommandLine.ExitCode.OK;
            } catch (CannotStartException e) {
                throw new CommandFailure(e.getMessage());
            }
        }

        final void say(String line) {
            spec.commandLine().getOut().println(line);
        }

        /** From the terminal without showing it, else the first line of the input. */
        final String password() {
            // Newer JDKs otherwise have a console even where nobody sits.
            System.setProperty("jdk.console", "java.base");
            Console console = System.console();
            if (console != null) {
                char[] first = console.readPassword("Password: ");
                char[] again = console.readPassword("Once more: ");
                if (first == null || !String.valueOf(first).equals(again == null ? "" : String.valueOf(again))) {
                    throw new CommandFailure("The two are not the same; nothing was changed");
                }
                return String.valueOf(first);
            }
            try (Scanner input = new Scanner(System.in)) {
                return input.hasNextLine() ? input.nextLine() : "";
            }
        }
    }

    @Command(
            name = "add",
            mixinStandardHelpOptions = true,
            description = "Adds an account; the password is asked for, or read from the first line of the input.")
    static final class Add extends Over {

        @Parameters(paramLabel = "NAME", description = "What the person signs in as.")
        private String name;

        @Option(
                names = "--role",
                defaultValue = "reader",
                paramLabel = "ROLE",
                description = "reader, author or administrator; ${DEFAULT-VALUE} unless said.")
        private String role;

        @Option(
                names = "--display-name",
                paramLabel = "TEXT",
                description = "What the person is called; the name unless said.")
        private Optional<String> displayName = Optional.empty();

        @Override
        public Integer call() {
            Role known = switch (role) {
                case "reader" -> Role.READER;
                case "author" -> Role.AUTHOR;
                case "administrator" -> Role.ADMINISTRATOR;
                default ->
                    throw new CommandFailure(
                            "--role: found \"" + role + "\", expected reader, author or administrator");
            };
            return over(accounts -> {
                accounts.make(name, displayName.orElse(name), known, password());
                say("The account " + name + " was added.");
            });
        }
    }

    @Command(
            name = "reset",
            mixinStandardHelpOptions = true,
            description = "Gives an account a new password, asked for or read from the first line of the input.")
    static final class Reset extends Over {

        @Parameters(paramLabel = "NAME", description = "The account's name.")
        private String name;

        @Override
        public Integer call() {
            return over(accounts -> {
                if (accounts.find(name).isEmpty()) {
                    throw new CommandFailure(
                            "There is no account \"" + name + "\"; account list shows those there are");
                }
                accounts.changePassword(name, password());
                say("The password of " + name + " was changed.");
            });
        }
    }

    @Command(
            name = "describe",
            mixinStandardHelpOptions = true,
            description =
                    "Says something of a person, such as region=Coast: prompts may begin with it. region= says nothing any more.")
    static final class Describe extends Over {

        @Parameters(paramLabel = "NAME", description = "The account's name.")
        private String name;

        @Parameters(paramLabel = "ATTRIBUTE=VALUE", arity = "0..*", description = "What is said of the person.")
        private Map<String, String> attributes = new TreeMap<>();

        @Override
        public Integer call() {
            return over(accounts -> {
                Account account = accounts.find(name)
                        .orElseThrow(() -> new CommandFailure(
                                "There is no account \"" + name + "\"; account list shows those there are"));
                attributes.forEach((attribute, value) -> accounts.describe(account, attribute, value));
                new TreeMap<>(accounts.attributes(account)).forEach((attribute, value) -> say(attribute + "=" + value));
            });
        }
    }

    @Command(name = "list", mixinStandardHelpOptions = true, description = "Lists the accounts.")
    static final class Listing extends Over {

        @Override
        public Integer call() {
            return over(accounts -> {
                for (Account account : accounts.all()) {
                    say("%-20s %-14s %s"
                            .formatted(
                                    account.name(),
                                    account.role().name().toLowerCase(java.util.Locale.ROOT),
                                    account.displayName()));
                }
            });
        }
    }
}
