package org.grammatus.server.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.grammatus.server.store.DataFolder;
import org.grammatus.server.store.Store;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Accounts are kept from the command line while no server runs; what is refused changes nothing. */
class AccountCommandTest {

    @TempDir
    Path data;

    @BeforeEach
    void makeRecords() {
        try (DataFolder folder = DataFolder.open(data, false);
                Store store = new Store(folder)) {
            assertThat(store).isNotNull();
        }
    }

    private record Outcome(int status, String said, String errors) {}

    private Outcome account(String input, String... arguments) {
        InputStream in = System.in;
        PrintStream out = System.out;
        PrintStream err = System.err;
        ByteArrayOutputStream said = new ByteArrayOutputStream();
        ByteArrayOutputStream errors = new ByteArrayOutputStream();
        System.setIn(new ByteArrayInputStream(input.getBytes(StandardCharsets.UTF_8)));
        System.setOut(new PrintStream(said, true, StandardCharsets.UTF_8));
        System.setErr(new PrintStream(errors, true, StandardCharsets.UTF_8));
        try {
            List<String> all = new ArrayList<>(List.of("account"));
            all.addAll(List.of(arguments));
            all.add("--data-dir=" + data);
            int status = GrammatusCommand.execute(all.toArray(String[]::new));
            return new Outcome(status, said.toString(StandardCharsets.UTF_8), errors.toString(StandardCharsets.UTF_8));
        } finally {
            System.setIn(in);
            System.setOut(out);
            System.setErr(err);
        }
    }

    @Test
    void anAccountIsAddedListedAndGivenANewPassword() {
        Outcome added =
                account("heather above the tarn\n", "add", "tobin", "--role", "author", "--display-name", "Tobin A");
        assertThat(added.errors()).isEmpty();
        assertThat(added.said()).isEqualToIgnoringNewLines("The account tobin was added.");
        assertThat(account("", "list").said())
                .contains("tobin")
                .contains("author")
                .contains("Tobin A");
        Outcome reset = account("a quite other sentence\n", "reset", "tobin");
        assertThat(reset.status()).isZero();
        assertThat(reset.said()).contains("The password of tobin was changed.");
    }

    @Test
    void whatIsSaidOfAPersonIsListedChangedAndTakenBack() {
        account("heather above the tarn\n", "add", "tobin");
        assertThat(account("", "describe", "tobin", "region=Coast", "depot=Finch Lane")
                        .said())
                .isEqualToIgnoringNewLines("depot=Finch Laneregion=Coast");
        assertThat(account("", "describe", "tobin", "depot=", "region=Upland").said())
                .isEqualToIgnoringNewLines("region=Upland");
        assertThat(account("", "describe", "tobin", "My Region=Coast").errors()).contains("is no name");
        assertThat(account("", "describe", "nobody", "region=Coast").errors())
                .contains("There is no account \"nobody\"");
    }

    @Test
    void whatIsRefusedIsSaidAndChangesNothing() {
        assertThat(account("short\n", "add", "tobin").errors()).contains("at least 12 characters");
        assertThat(account("heather above the tarn\n", "add", "tobin", "--role", "king")
                        .errors())
                .contains("expected reader, author or administrator");
        assertThat(account("heather above the tarn\n", "reset", "nobody").errors())
                .contains("There is no account \"nobody\"");
        assertThat(account("", "list").said()).isBlank();
    }

    @Test
    void aFolderThatAServerHasIsLeftAlone() {
        try (DataFolder server = DataFolder.open(data, false)) {
            assertThat(server).isNotNull();
            Outcome refused = account("heather above the tarn\n", "add", "tobin");
            assertThat(refused.status()).isNotZero();
            assertThat(refused.errors()).contains("Another server uses");
        }
    }

    @Test
    void withoutRecordsItIsSaidHowToGetThem(@TempDir Path empty) {
        data = empty;
        assertThat(account("", "list").errors()).contains("There are no records in");
    }
}
