package org.grammatus.server.style;

import static org.grammatus.server.store.generated.Tables.FACE;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.typography.Faces;
import org.grammatus.core.typography.Family;
import org.grammatus.server.account.Account;
import org.grammatus.server.problem.ConflictException;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.store.Store;
import org.springframework.stereotype.Component;

/** The faces that styles may name: those that come along, and those that authors have added. Thread-safe. */
@Component
public class AddedFaces implements Faces {

    /** So many are enough for any house, and are held in memory. */
    static final int MOST = 20;
    /** Of both files of a face together. */
    static final int MOST_BYTES = 3_600_000;

    private final Store store;
    private final Clock clock;
    private final Map<String, Family> families = new ConcurrentHashMap<>();

    /**
     * A face that was added.
     *
     * @param licence under which it may be used
     * @param semibold whether it has a weight of its own for what stands out
     */
    public record AddedFace(String id, String name, String licence, boolean semibold) {}

    AddedFaces(Store store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    @Override
    public Optional<Family> find(String id) {
        return Faces.SHIPPED.find(id).or(() -> Optional.ofNullable(families.computeIfAbsent(id, this::read)));
    }

    private Family read(String id) {
        return store.read()
                .selectFrom(FACE)
                .where(FACE.ID.eq(id))
                .fetchOptional()
                .map(row -> Family.of(id, row.getRegular(), Optional.ofNullable(row.getSemibold())))
                .orElse(null);
    }

    /** All that were added, by name. */
    List<AddedFace> all() {
        return store.read()
                .select(FACE.ID, FACE.NAME, FACE.LICENCE, FACE.SEMIBOLD.isNotNull())
                .from(FACE)
                .orderBy(FACE.NAME)
                .fetch(row -> new AddedFace(row.value1(), row.value2(), row.value3(), row.value4()));
    }

    /**
     * Adds a face.
     *
     * @throws ConflictException if its id is taken, or too many are there
     * @throws ProblemException where a file cannot be used, or nothing is said of its licence
     */
    synchronized void add(AddedFace face, byte[] regular, Optional<byte[]> semibold, Account account) {
        sound(face, regular, semibold);
        if (isTaken(face.id())) {
            throw new ConflictException(
                    "A face with the id \"" + face.id() + "\" is there already; choose another name");
        }
        if (all().size() >= MOST) {
            throw new ConflictException("There are " + MOST + " faces already; remove one first");
        }
        store.write()
                .insertInto(FACE)
                .set(FACE.ID, face.id())
                .set(FACE.NAME, face.name())
                .set(FACE.LICENCE, face.licence())
                .set(FACE.REGULAR, regular)
                .set(FACE.SEMIBOLD, semibold.orElse(null))
                .set(FACE.ACCOUNT_ID, account.id())
                .set(FACE.ADDED_AT, clock.millis())
                .execute();
    }

    private boolean isTaken(String id) {
        return find(id).isPresent()
                || Family.SHIPPED.stream().anyMatch(family -> family.word().equals(id));
    }

    private static void sound(AddedFace face, byte[] regular, Optional<byte[]> semibold) {
        List<Problem> faults = new ArrayList<>();
        if (!face.id().matches("[a-z][a-z0-9-]{0,59}")) {
            faults.add(Problem.error("/id", "expected small letters, digits and hyphens, a letter first"));
        }
        if (face.name().isBlank() || face.name().length() > 60) {
            faults.add(Problem.error("/name", "expected a name of at most 60 characters"));
        }
        if (face.licence().isBlank() || face.licence().length() > 2_000) {
            faults.add(Problem.error(
                    "/licence", "expected a note of the licence under which the face may be used and put into files"));
        }
        if (regular.length + semibold.map(file -> file.length).orElse(0) > MOST_BYTES) {
            faults.add(Problem.error("/regular", "the files of a face take at most 3.6 MB together"));
        }
        if (faults.isEmpty()) {
            usable("/regular", face.id(), regular, faults);
            semibold.ifPresent(file -> usable("/semibold", face.id(), file, faults));
        }
        if (!faults.isEmpty()) {
            throw new ProblemException(faults);
        }
    }

    private static void usable(String pointer, String id, byte[] file, List<Problem> faults) {
        try {
            Family.of(id, file, Optional.empty());
            if (!FaceProcess.passes(file)) {
                faults.add(Problem.error(pointer, "the face cannot be used: a file cannot be written with it"));
            }
        } catch (IllegalArgumentException e) {
            faults.add(Problem.error(pointer, "the face cannot be used: " + e.getMessage()));
        } catch (IOException e) {
            throw new UncheckedIOException("The face could not be tried", e);
        }
    }

    /**
     * Removes a face; styles that still name it are printed in the usual one.
     *
     * @throws NotFoundException if there is none
     */
    synchronized void remove(String id) {
        if (store.write().deleteFrom(FACE).where(FACE.ID.eq(id)).execute() == 0) {
            throw new NotFoundException("There is no face \"" + id + "\" that was added");
        }
        families.remove(id);
    }
}
