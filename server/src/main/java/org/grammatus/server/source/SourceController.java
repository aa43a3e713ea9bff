package org.grammatus.server.source;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.grammatus.server.account.Accounts;
import org.grammatus.server.dataset.Datasets;
import org.grammatus.server.problem.ConflictException;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.sources.SourceException;
import org.grammatus.sources.SourceView;
import org.grammatus.sources.postgres.Encryption;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The sources: authors see what they are called, administrators add and change them. */
@RestController
@RequestMapping("/api/sources")
class SourceController {

    private final Sources sources;
    private final Datasets datasets;
    private final Accounts accounts;

    SourceController(Sources sources, Datasets datasets, Accounts accounts) {
        this.sources = sources;
        this.datasets = datasets;
        this.accounts = accounts;
    }

    /**
     * A source in a list.
     *
     * @param fixed whether the server was started with it, so that it cannot be changed here
     * @param datasets labels of the datasets that read it
     */
    record SourceLine(String id, String label, SourceKind kind, boolean fixed, List<String> datasets) {}

    /**
     * A source to be added, changed or tried.
     *
     * @param password empty or none keeps the one on record
     * @param tls how the connection is encrypted; not at all unless said
     * @param authorities certificates in PEM that the server's must lead to
     * @param clearPassword whether the password may be sent in the clear where nothing is encrypted
     */
    record SourceBody(
            String label,
            SourceKind kind,
            Optional<String> file,
            Optional<String> host,
            Optional<Integer> port,
            Optional<String> database,
            Optional<String> user,
            Optional<String> password,
            Optional<Encryption.Level> tls,
            Optional<String> authorities,
            Optional<Boolean> clearPassword) {

        SourceSettings settings(String id) {
            boolean ofFile = kind != null && kind.isFile();
            return new SourceSettings(
                    id,
                    label,
                    kind,
                    file.filter(f -> ofFile),
                    host.filter(h -> !ofFile).map(String::strip),
                    port.filter(p -> !ofFile),
                    database.filter(d -> !ofFile),
                    user.filter(u -> !ofFile),
                    new Encryption(
                            tls.orElse(Encryption.Level.OFF),
                            authorities.map(String::strip).filter(pem -> !pem.isEmpty()),
                            clearPassword.orElse(false)));
        }

        Optional<String> secret() {
            return password.filter(p -> !p.isEmpty());
        }

        /** Without the password, which must not get into a log. */
        @Override
        public String toString() {
            return "SourceBody[" + label + ", " + kind + "]";
        }
    }

    /** A new source's id. */
    record AddedSource(String id) {}

    /**
     * Whether a source could be read.
     *
     * @param verdict in words
     */
    record TrialView(boolean ok, String verdict) {}

    @GetMapping
    @Operation(operationId = "sources", summary = "The sources, and the datasets that read them")
    List<SourceLine> list() {
        return sources.all().stream()
                .map(source -> new SourceLine(
                        source.id(),
                        source.label(),
                        source.kind(),
                        source.id().equals(Sources.USUAL),
                        datasets.reading(source.id())))
                .toList();
    }

    @GetMapping("/{id}")
    @Operation(operationId = "source", summary = "Where a source is and who reads it; for administrators")
    SourceSettings one(@PathVariable("id") String id) {
        return sources.all().stream()
                .filter(source -> source.id().equals(id))
                .findFirst()
                .orElseThrow(() -> missing(id));
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "addSource", summary = "Adds a source; for administrators")
    AddedSource add(@RequestBody SourceBody body, Principal principal) {
        String id = "s-" + UUID.randomUUID();
        save(id, body, principal);
        return new AddedSource(id);
    }

    @PutMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "changeSource", summary = "Changes a source; for administrators")
    void change(@PathVariable("id") String id, @RequestBody SourceBody body, Principal principal) {
        requireOwn(id);
        save(id, body, principal);
    }

    private void save(String id, SourceBody body, Principal principal) {
        sources.save(
                body.settings(id),
                body.secret(),
                accounts.find(principal.getName()).orElseThrow());
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "removeSource", summary = "Forgets a source that no dataset reads; for administrators")
    void remove(@PathVariable("id") String id) {
        requireOwn(id);
        List<String> readers = datasets.reading(id);
        if (!readers.isEmpty()) {
            throw new ConflictException(
                    "These datasets read it: " + String.join(", ", readers) + ". Take its tables out of them first");
        }
        sources.remove(id);
    }

    @PostMapping("/trial")
    @Operation(operationId = "trySource", summary = "Whether a source that is not kept yet could be read")
    TrialView tryNew(@RequestBody SourceBody body) {
        return trial("", body);
    }

    @PostMapping("/{id}/trial")
    @Operation(operationId = "tryChangedSource", summary = "Whether a source could be read once it was changed")
    TrialView tryChanged(@PathVariable("id") String id, @RequestBody SourceBody body) {
        requireOwn(id);
        return trial(id, body);
    }

    private TrialView trial(String id, SourceBody body) {
        try (SourceView view = sources.tried(body.settings(id), body.secret()).glance()) {
            int tables = view.tables().size();
            return new TrialView(
                    true,
                    tables == 0
                            ? "It answers, but shows no table; this user may not be allowed to read any"
                            : "It answers and shows " + tables + (tables == 1 ? " table" : " tables"));
        } catch (SourceException e) {
            return new TrialView(false, e.getMessage());
        }
    }

    private void requireOwn(String id) {
        if (id.equals(Sources.USUAL)) {
            throw new ConflictException(
                    "The server was started with this source; it is changed by starting it with another");
        }
        if (!sources.exists(id)) {
            throw missing(id);
        }
    }

    private static NotFoundException missing(String id) {
        return new NotFoundException("There is no source \"" + id + "\"");
    }
}
