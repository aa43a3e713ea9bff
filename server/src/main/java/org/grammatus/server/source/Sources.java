package org.grammatus.server.source;

import static org.grammatus.server.store.generated.Tables.SOURCE;

import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import org.grammatus.core.definition.Dataset;
import org.grammatus.server.ServerSettings;
import org.grammatus.server.account.Account;
import org.grammatus.server.problem.ConflictException;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.store.Store;
import org.grammatus.server.store.generated.tables.records.SourceRecord;
import org.grammatus.sources.Drivers;
import org.grammatus.sources.MissingInSourceException;
import org.grammatus.sources.ReadLimits;
import org.grammatus.sources.Source;
import org.grammatus.sources.SourceException;
import org.grammatus.sources.duckdb.DuckDbSource;
import org.grammatus.sources.postgres.Encryption;
import org.grammatus.sources.postgres.PostgresSource;
import org.grammatus.sources.sqlite.SqliteSource;
import org.springframework.stereotype.Component;

/** The sources on record, and the database that the server was started with. Thread-safe. */
@Component
public class Sources implements Function<Optional<String>, Source> {

    /** Id of the database that the server was started with; tables that name no source stand in it. */
    public static final String USUAL = Dataset.USUAL_SOURCE;

    private static final ReadLimits LIMITS = ReadLimits.DEFAULT;

    private final Store store;
    private final Clock clock;
    private final Sealing sealing;
    private final SourcePlaces places;
    private final Source usual;
    private final Path database;
    private final Drivers drivers;
    private final Map<String, Source> byId = new ConcurrentHashMap<>();

    Sources(Store store, Clock clock, ServerSettings settings) {
        this.store = store;
        this.clock = clock;
        this.sealing = Sealing.withKeyIn(settings.keyFile());
        this.places = new SourcePlaces(settings);
        this.database = settings.database();
        this.drivers = Drivers.with(settings.dataDir().resolve("drivers"));
        this.usual = new SqliteSource(settings.database().getFileName().toString(), settings.database(), LIMITS);
    }

    /**
     * The source that tables name, or the usual one.
     *
     * @throws SourceException if there is none
     */
    @Override
    public Source apply(Optional<String> id) {
        return id.filter(named -> !named.equals(USUAL)).map(this::named).orElse(usual);
    }

    private Source named(String id) {
        return byId.computeIfAbsent(
                id,
                i -> find(i).map(record -> {
                            SourceSettings settings = settings(record);
                            // What was allowed once may not be any more.
                            places.require(settings);
                            return source(settings, password(record));
                        })
                        .orElseThrow(
                                () -> new MissingInSourceException(
                                        "There is no source \"" + id
                                                + "\" any more; ask an administrator to add it, or take its tables out of the dataset")));
    }

    private Optional<SourceRecord> find(String id) {
        return store.read().selectFrom(SOURCE).where(SOURCE.ID.eq(id)).fetchOptional();
    }

    private static SourceSettings settings(SourceRecord row) {
        return new SourceSettings(
                row.getId(),
                row.getLabel(),
                SourceKind.valueOf(row.getKind()),
                Optional.ofNullable(row.getFile()),
                Optional.ofNullable(row.getHost()),
                Optional.ofNullable(row.getPort()).map(Number::intValue),
                Optional.ofNullable(row.getDatabaseName()),
                Optional.ofNullable(row.getUserName()),
                new Encryption(
                        Encryption.Level.valueOf(row.getTls()),
                        Optional.ofNullable(row.getAuthorities()),
                        row.getClearPassword()));
    }

    private Optional<String> password(SourceRecord row) {
        return Optional.ofNullable(row.getSealedPassword())
                .map(text -> sealing.open(row.getId(), text)
                        .orElseThrow(() -> new SourceException("The password of " + row.getLabel()
                                + " was sealed with another key; ask an administrator to enter it again")));
    }

    private Source source(SourceSettings settings, Optional<String> password) {
        return switch (settings.kind()) {
            case SQLITE ->
                new SqliteSource(settings.label(), Path.of(settings.file().orElseThrow()), LIMITS);
            case DUCKDB ->
                new DuckDbSource(settings.label(), Path.of(settings.file().orElseThrow()), LIMITS, drivers);
            case POSTGRESQL ->
                new PostgresSource(
                        new PostgresSource.Address(
                                settings.label(),
                                settings.host().orElseThrow(),
                                settings.port().orElseThrow(),
                                settings.database().orElseThrow(),
                                settings.user().orElseThrow()),
                        password.orElse(""),
                        settings.encryption(),
                        LIMITS);
        };
    }

    /** All sources, the usual one first. */
    List<SourceSettings> all() {
        SourceSettings main = new SourceSettings(
                USUAL,
                usual.name(),
                SourceKind.SQLITE,
                Optional.of(database.toString()),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Encryption.NONE);
        List<SourceSettings> all = new ArrayList<>(List.of(main));
        store.read().selectFrom(SOURCE).orderBy(SOURCE.LABEL).forEach(row -> all.add(settings(row)));
        return all;
    }

    /**
     * A source as it would be with these settings, not kept.
     *
     * @param password none takes the one on record for the same place
     * @throws org.grammatus.core.problem.ProblemException with all that is wrong with the settings
     */
    Source tried(SourceSettings settings, Optional<String> password) {
        places.require(settings);
        return source(settings, password.or(() -> known(settings)));
    }

    /** The password on record, for the place and user it was entered for and no other: it must not be sent elsewhere. */
    private Optional<String> known(SourceSettings settings) {
        return find(settings.id())
                .filter(row -> {
                    SourceSettings before = settings(row);
                    return before.place().equals(settings.place());
                })
                .flatMap(this::password);
    }

    /**
     * Keeps a source, new or changed.
     *
     * @param password none keeps the one on record
     * @throws org.grammatus.core.problem.ProblemException with all that is wrong with the settings
     * @throws ConflictException if another source has the label
     */
    synchronized void save(SourceSettings settings, Optional<String> password, Account account) {
        places.require(settings);
        boolean taken = all().stream()
                .anyMatch(other -> other.label().equalsIgnoreCase(settings.label())
                        && !other.id().equals(settings.id()));
        if (taken) {
            throw new ConflictException("Another source is called \"" + settings.label() + "\"; choose another name");
        }
        Optional<String> sealedPassword = password.or(() -> known(settings)).map(p -> sealing.seal(settings.id(), p));
        SourceRecord row = new SourceRecord();
        row.setId(settings.id());
        row.setLabel(settings.label().strip());
        row.setKind(settings.kind().name());
        row.setFile(settings.file().orElse(null));
        row.setHost(settings.host().orElse(null));
        row.setPort(settings.port().map(Integer::longValue).orElse(null));
        row.setDatabaseName(settings.database().orElse(null));
        row.setUserName(settings.user().orElse(null));
        row.setSealedPassword(sealedPassword.orElse(null));
        row.setTls(settings.encryption().level().name());
        row.setAuthorities(settings.encryption().authorities().orElse(null));
        row.setClearPassword(settings.encryption().clearPassword());
        row.setAccountId(account.id());
        row.setSavedAt(clock.millis());
        store.write()
                .insertInto(SOURCE)
                .set(row)
                .onConflict(SOURCE.ID)
                .doUpdate()
                .set(row)
                .execute();
        byId.remove(settings.id());
    }

    /** Forgets a source and its password. */
    synchronized void remove(String id) {
        if (store.write().deleteFrom(SOURCE).where(SOURCE.ID.eq(id)).execute() == 0) {
            throw new NotFoundException("There is no source \"" + id + "\"");
        }
        byId.remove(id);
    }

    boolean exists(String id) {
        return id.equals(USUAL) || find(id).isPresent();
    }
}
