package org.grammatus.server.dataset;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.modelling.Draft;
import org.grammatus.core.modelling.JoinSuggestion;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.value.Kind;
import org.grammatus.runs.modelling.Composer;
import org.grammatus.server.account.Accounts;
import org.grammatus.sources.star.JoinTrial;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Making datasets out of tables, one step at a time; what was made so far travels with each request. For authors alone. */
@RestController
@RequestMapping("/api/composing")
class ComposeController {

    private final Composer composer;
    private final Datasets datasets;
    private final Accounts accounts;
    private final JsonMapper json;

    ComposeController(Composer composer, Datasets datasets, Accounts accounts, JsonMapper json) {
        this.composer = composer;
        this.datasets = datasets;
        this.accounts = accounts;
        this.json = json;
    }

    /**
     * A table's column.
     *
     * @param type none where no field can hold its values
     */
    record ColumnView(String name, Optional<Kind> type, boolean key) {}

    /**
     * What a new dataset starts from: a table of a source, or another dataset.
     *
     * @param id that the new dataset gets
     * @param table whose rows are the dataset's
     * @param dataset id of the other dataset
     */
    record GrainBody(String id, Optional<String> source, Optional<String> table, Optional<String> dataset) {}

    /** A dataset's document. */
    record DocumentView(JsonNode definition) {}

    /** A dataset's document and the source whose tables could join it. */
    record SuggestBody(JsonNode definition, Optional<String> source) {}

    /**
     * A join between a table of the document and a further one.
     *
     * @param from id of the document's table
     */
    record JoinBody(String from, List<String> columns, Optional<String> source, String table, List<String> key) {

        Composer.JoinPlan plan() {
            return new Composer.JoinPlan(from, columns, usual(source), table, key);
        }
    }

    /**
     * A suggested join with what speaks for it.
     *
     * @param noun what a row of the further table is called
     */
    record SuggestedView(JoinBody join, Dataset.Noun noun, JoinSuggestion.Reason reason) {}

    /**
     * A table that cannot join, because a row of the document's table has several of its rows.
     *
     * @param noun what its rows are called
     * @param to id of the document's table
     */
    record ManyView(String table, Dataset.Noun noun, String to) {}

    record SuggestionsView(List<SuggestedView> joins, List<ManyView> many) {}

    /** A join that is tried on a document. */
    record TrialBody(JsonNode definition, JoinBody join) {}

    /** A join that is made. */
    record MadeBody(JsonNode definition, JoinBody join, Optional<Dataset.Keep> keep) {}

    /** A table that is taken out. */
    record TakenBody(JsonNode definition, String table) {}

    @GetMapping("/tables")
    @Operation(operationId = "sourceTables", summary = "The names of a source's tables")
    List<String> tables(@RequestParam("source") Optional<String> source) {
        return composer.tables(usual(source));
    }

    @GetMapping("/columns")
    @Operation(operationId = "tableColumns", summary = "The columns of a source's table")
    List<ColumnView> columns(@RequestParam("source") Optional<String> source, @RequestParam("table") String table) {
        var shape = composer.table(usual(source), table);
        return shape.columns().stream()
                .map(column -> new ColumnView(
                        column.name(),
                        column.type().map(type -> type.kind()),
                        shape.key().contains(column.name())))
                .toList();
    }

    @PostMapping("/start")
    @Operation(
            operationId = "startDataset",
            summary = "The document of a new dataset over a table, or built on another")
    DocumentView start(@RequestBody GrainBody body) {
        if (body.dataset().isPresent()) {
            return view(
                    Draft.on(body.id(), datasets.require(body.dataset().get()).definition()));
        }
        return view(composer.start(
                body.id(), usual(body.source()), body.table().orElseThrow(ComposeController::nothingToStartFrom)));
    }

    @PostMapping("/suggestions")
    @Operation(operationId = "suggestJoins", summary = "What tables of a source could join a document's")
    SuggestionsView suggestions(@RequestBody SuggestBody body) {
        Composer.Suggestions found = composer.suggestions(flat(body.definition()), usual(body.source()));
        return new SuggestionsView(
                found.joins().stream()
                        .map(s -> new SuggestedView(
                                new JoinBody(
                                        s.join().from(),
                                        s.join().columns(),
                                        s.join().source(),
                                        s.join().table(),
                                        s.join().key()),
                                Draft.noun(s.join().table()),
                                s.reason()))
                        .toList(),
                found.many().stream()
                        .map(m -> new ManyView(m.table(), Draft.noun(m.table()), m.to()))
                        .toList());
    }

    @PostMapping("/trial")
    @Operation(operationId = "tryJoin", summary = "How a join would match")
    JoinTrial trial(@RequestBody TrialBody body) {
        return composer.trial(flat(body.definition()), body.join().plan());
    }

    @PostMapping("/join")
    @Operation(
            operationId = "makeJoin",
            summary = "A document with one more table; refused where rows would be repeated")
    DocumentView join(@RequestBody MadeBody body) {
        return view(composer.joined(
                definition(body.definition()),
                flat(body.definition()),
                body.join().plan(),
                body.keep()));
    }

    @PostMapping("/removal")
    @Operation(operationId = "removeTable", summary = "A document without a table and all tables joined through it")
    DocumentView remove(@RequestBody TakenBody body) {
        Dataset dataset = definition(body.definition());
        if (dataset.grain().equals(body.table())) {
            throw new ProblemException(Problem.error(
                    "/table", "the dataset's rows are those of this table; take another dataset to have others"));
        }
        return view(Draft.without(dataset, body.table()));
    }

    @PostMapping("/dataset")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "addDataset", summary = "Keeps a new dataset")
    DocumentView add(@RequestBody DocumentView body, Principal principal) {
        Dataset dataset = definition(body.definition());
        datasets.add(dataset, accounts.find(principal.getName()).orElseThrow());
        return view(dataset);
    }

    private static ProblemException nothingToStartFrom() {
        return new ProblemException(Problem.error("/table", "expected a table or a dataset to start from"));
    }

    private static Dataset definition(JsonNode document) {
        return Definitions.readDataset(document.toString());
    }

    /** With what it is built on, since further tables may hang on that, too. */
    private Dataset flat(JsonNode document) {
        return datasets.model(definition(document)).definition();
    }

    private DocumentView view(Dataset dataset) {
        return new DocumentView(json.readTree(Definitions.write(dataset)));
    }

    private static Optional<String> usual(Optional<String> source) {
        return source.filter(id -> !id.isEmpty() && !id.equals(Dataset.USUAL_SOURCE));
    }
}
