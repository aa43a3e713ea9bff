package org.grammatus.sources;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.grammatus.sources.postgres.Encryption;
import org.grammatus.sources.postgres.PostgresSource;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a connection to a real server is kept from: being read on its way, another server in its place, a password in the clear. */
class EncryptedPostgresTest {

    private static final String OPENLY = "open_reader";

    @TempDir
    static Path folder;

    private static PostgresServer server;
    private static TestCertificate ofServer;
    private static TestCertificate ofAnother;

    @BeforeAll
    static void startServer() throws Exception {
        server = new PostgresServer();
        ofServer = TestCertificate.of("localhost", folder);
        ofAnother = TestCertificate.of("other.example", folder);
        server.encrypt(ofServer);
        server.askInTheClear(OPENLY);
        server.execute("CREATE TABLE hive (id int PRIMARY KEY)", "GRANT SELECT ON hive TO " + OPENLY);
    }

    @AfterAll
    static void stopServer() {
        server.close();
    }

    private static PostgresSource source(String host, String user, Encryption encryption) {
        return new PostgresSource(
                new PostgresSource.Address("Hive records", host, server.port(), "postgres", user),
                PostgresServer.PASSWORD,
                encryption,
                ReadLimits.DEFAULT);
    }

    private static Encryption verified(String authorities) {
        return new Encryption(Encryption.Level.VERIFY, Optional.of(authorities), false);
    }

    private static void glance(PostgresSource source) {
        try (SourceView view = source.glance()) {
            assertThat(view.tables()).isNotNull();
        }
    }

    @Test
    void aServerThatProvesItselfIsRead() {
        glance(source("localhost", PostgresServer.READER, verified(ofServer.certificate())));
        assertThat(server.encryptedConnections()).isPositive();
    }

    @Test
    void aServerThatLeadsToAnotherAuthorityOrHasAnotherNameIsNot() {
        assertThatThrownBy(() -> glance(source("localhost", PostgresServer.READER, verified(ofAnother.certificate()))))
                .isInstanceOf(SourceException.class)
                .hasMessageContaining("did not prove to be the one that was asked for")
                .hasMessageContaining("the certificates that it must lead to");
        assertThatThrownBy(() -> glance(source("127.0.0.1", PostgresServer.READER, verified(ofServer.certificate()))))
                .isInstanceOf(SourceException.class)
                .hasMessageContaining("check its name");
    }

    @Test
    void encryptionIsRequiredWhoeverAnswersAndLeftOutWhereThatIsChosen() {
        int before = server.encryptedConnections();
        glance(source(
                "127.0.0.1", PostgresServer.READER, new Encryption(Encryption.Level.REQUIRE, Optional.empty(), false)));
        assertThat(server.encryptedConnections()).isGreaterThan(before);
        int encrypted = server.encryptedConnections();
        glance(source("localhost", PostgresServer.READER, Encryption.NONE));
        assertThat(server.encryptedConnections()).isEqualTo(encrypted);
    }

    @Test
    void aPasswordIsSentInTheClearOnlyWhereThatIsChosen() {
        assertThatThrownBy(() -> glance(source("localhost", OPENLY, Encryption.NONE)))
                .isInstanceOf(SourceException.class)
                .hasMessageContaining("asks for the password in the clear")
                .hasMessageNotContaining(PostgresServer.PASSWORD);
        glance(source("localhost", OPENLY, new Encryption(Encryption.Level.OFF, Optional.empty(), true)));
        glance(source("localhost", OPENLY, verified(ofServer.certificate())));
    }

    @Test
    void aLookAtATableThatNeverEndsHasADeadline() {
        server.execute(
                "CREATE VIEW endless AS WITH RECURSIVE day(n) AS (SELECT 1 UNION ALL SELECT 1 FROM day)"
                        + " SELECT n FROM day WHERE n = 2",
                "GRANT SELECT ON endless TO " + PostgresServer.READER);
        ReadLimits brief = new ReadLimits(1_000, Duration.ofMillis(500), Duration.ofSeconds(20));
        PostgresSource source = server.source(PostgresServer.READER, PostgresServer.PASSWORD, "postgres", brief);
        assertThatThrownBy(() -> {
                    try (SourceView view = source.glance()) {
                        view.sample("endless", List.of("n"), 10, row -> {});
                    }
                })
                .isInstanceOf(SourceException.class)
                .hasMessageContaining("a statement took longer than");
    }
}
