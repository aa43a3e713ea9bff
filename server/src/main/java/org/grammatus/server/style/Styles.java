package org.grammatus.server.style;

import static org.grammatus.server.store.generated.Tables.ACCOUNT;
import static org.grammatus.server.store.generated.Tables.STYLE_REVISION;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.definition.style.HouseStyle;
import org.grammatus.core.plan.style.HouseLook;
import org.grammatus.core.plan.style.HouseStyles;
import org.grammatus.core.plan.style.StyleCheck;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.typography.Faces;
import org.grammatus.server.account.Account;
import org.grammatus.server.problem.ConflictException;
import org.grammatus.server.problem.NewerRevisionException;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.store.Store;
import org.springframework.stereotype.Component;

/** The house styles: those that come along, as authors have changed them since, and those that authors made. Thread-safe. */
@Component
public class Styles {

    /** Revision of a style as it comes along. */
    private static final long SHIPPED = 0;

    private final Store store;
    private final Clock clock;
    private final Faces faces;
    private final Map<String, Saved> byId = new ConcurrentHashMap<>();

    /** A style's newest state. */
    public record Saved(HouseStyle style, long revision) {}

    /** A saved state. */
    public record StyleRevision(long number, String author, Instant savedAt) {}

    Styles(Store store, Clock clock, AddedFaces faces) {
        this.store = store;
        this.clock = clock;
        this.faces = faces;
        HouseStyles.SHIPPED.forEach(style -> byId.put(style.id(), new Saved(style, SHIPPED)));
        store.read()
                .selectFrom(STYLE_REVISION)
                .orderBy(STYLE_REVISION.NUMBER)
                .forEach(row -> read(row.getDefinition())
                        .ifPresent(style -> byId.put(style.id(), new Saved(style, row.getNumber()))));
    }

    /** A state that cannot be read any more stays in the records, and the one before it counts. */
    private static Optional<HouseStyle> read(String definition) {
        try {
            return Optional.of(Definitions.readStyle(definition));
        } catch (ProblemException e) {
            return Optional.empty();
        }
    }

    /** All, the usual one first, then by name. */
    public List<Saved> all() {
        List<Saved> all = new ArrayList<>(byId.values());
        all.sort(Comparator.comparing((Saved saved) -> !saved.style().id().equals(HouseStyles.FOUNDATION.id()))
                .thenComparing(saved -> saved.style().name()));
        return all;
    }

    /** The style of a report: the usual one where it names none, or one that is not there. */
    public HouseLook of(Report report) {
        return look(report.style()
                .flatMap(id -> Optional.ofNullable(byId.get(id)))
                .orElseGet(() -> byId.get(HouseStyles.FOUNDATION.id()))
                .style());
    }

    /** A style, saved or not, with the faces that are there. */
    public HouseLook look(HouseStyle style) {
        return new HouseLook(style, faces);
    }

    /**
     * A style's newest state.
     *
     * @throws NotFoundException if there is none
     */
    public Saved saved(String id) {
        return Optional.ofNullable(byId.get(id))
                .orElseThrow(() -> new NotFoundException("There is no house style \"" + id + "\""));
    }

    /**
     * Reads a style.
     *
     * @throws ProblemException with every fault, among them what could not be read on paper
     */
    HouseStyle sound(String definition) {
        HouseStyle style = Definitions.readStyle(definition);
        List<Problem> faults = StyleCheck.of(style, faces);
        if (!faults.isEmpty()) {
            throw new ProblemException(faults);
        }
        LookTrial.require(new HouseLook(style, faces), Optional.empty());
        return style;
    }

    /**
     * Adds a style.
     *
     * @throws ConflictException if its id is taken
     */
    synchronized long add(HouseStyle style, Account account) {
        if (byId.containsKey(style.id())) {
            throw new ConflictException(
                    "A house style with the id \"" + style.id() + "\" is there already; choose another name");
        }
        return insert(style, SHIPPED, account);
    }

    /**
     * Saves a changed style as its next revision, for all reports.
     *
     * @param base the revision that the changes were made to
     * @return the new revision's number
     * @throws NewerRevisionException if somebody saved since
     */
    synchronized long save(HouseStyle style, long base, Account account) {
        long newest = saved(style.id()).revision();
        if (newest != base) {
            String author = revisions(style.id()).stream()
                    .findFirst()
                    .map(StyleRevision::author)
                    .orElse("Somebody");
            throw new NewerRevisionException(newest, author, "Nothing was saved: make the change to that revision");
        }
        return insert(style, base, account);
    }

    private long insert(HouseStyle style, long base, Account account) {
        store.write()
                .insertInto(STYLE_REVISION)
                .set(STYLE_REVISION.STYLE_ID, style.id())
                .set(STYLE_REVISION.NUMBER, base + 1)
                .set(STYLE_REVISION.DEFINITION, Definitions.write(style))
                .set(STYLE_REVISION.ACCOUNT_ID, account.id())
                .set(STYLE_REVISION.SAVED_AT, clock.millis())
                .execute();
        byId.put(style.id(), new Saved(style, base + 1));
        return base + 1;
    }

    /** The saved states of a style, the newest first; one that comes along is none of them. */
    List<StyleRevision> revisions(String id) {
        return store.read()
                .select(STYLE_REVISION.NUMBER, ACCOUNT.DISPLAY_NAME, STYLE_REVISION.SAVED_AT)
                .from(STYLE_REVISION)
                .join(ACCOUNT)
                .on(ACCOUNT.ID.eq(STYLE_REVISION.ACCOUNT_ID))
                .where(STYLE_REVISION.STYLE_ID.eq(id))
                .orderBy(STYLE_REVISION.NUMBER.desc())
                .fetch(row -> new StyleRevision(row.value1(), row.value2(), Instant.ofEpochMilli(row.value3())));
    }

    /**
     * A saved state; 0 is a style as it comes along.
     *
     * @throws NotFoundException if there is none
     */
    HouseStyle revision(String id, long number) {
        return store.read()
                .select(STYLE_REVISION.DEFINITION)
                .from(STYLE_REVISION)
                .where(STYLE_REVISION.STYLE_ID.eq(id))
                .and(STYLE_REVISION.NUMBER.eq(number))
                .fetchOptional(STYLE_REVISION.DEFINITION)
                .map(Definitions::readStyle)
                .or(() -> HouseStyles.SHIPPED.stream()
                        .filter(style -> number == SHIPPED && style.id().equals(id))
                        .findFirst())
                .orElseThrow(() -> new NotFoundException("There is no such revision of \"" + id + "\""));
    }
}
