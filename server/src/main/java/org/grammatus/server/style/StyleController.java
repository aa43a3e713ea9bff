package org.grammatus.server.style;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.definition.style.HouseStyle;
import org.grammatus.core.plan.style.HouseStyles;
import org.grammatus.core.plan.style.MarkStyle;
import org.grammatus.core.plan.style.PrintStyle;
import org.grammatus.core.plan.style.StylePlanning;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.server.account.Account;
import org.grammatus.server.account.Accounts;
import org.grammatus.server.web.TakesTurn;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** House styles: looked at, changed, made anew. For authors alone. */
@RestController
@RequestMapping("/api/styles")
class StyleController {

    private final Styles styles;
    private final Accounts accounts;
    private final JsonMapper json;

    StyleController(Styles styles, Accounts accounts, JsonMapper json) {
        this.styles = styles;
        this.accounts = accounts;
        this.json = json;
    }

    /**
     * A style.
     *
     * @param marks the looks that highlights choose from
     * @param revision 0 as it comes along
     */
    record StyleView(String id, String name, String description, List<MarkStyle> marks, long revision) {}

    /**
     * A style to be changed.
     *
     * @param whole what it comes to with what it leaves out
     * @param revisions the newest first
     * @param shipped whether it comes along, so that it can be had as it was at first
     */
    record StyleEditingView(
            JsonNode definition,
            WholeStyleView whole,
            long revision,
            List<Styles.StyleRevision> revisions,
            boolean shipped) {}

    /** All that a style and what it leaves out come to, but for its logo. */
    record WholeStyleView(
            String face,
            Map<TextStyle, PrintStyle.TextFace> texts,
            PrintStyle.Lines lines,
            PrintStyle.Spacing spacing,
            PrintStyle.Figures figures,
            List<MarkStyle> marks,
            List<String> palette) {

        static WholeStyleView of(PrintStyle style) {
            return new WholeStyleView(
                    style.face(),
                    style.texts(),
                    style.lines(),
                    style.spacing(),
                    style.figures(),
                    style.marks(),
                    style.palette());
        }
    }

    /** A changed document and the revision it was changed from. */
    record ChangedStyleBody(JsonNode definition, long base) {}

    /** A document. */
    record NewStyleBody(JsonNode definition) {}

    /** The newest revision's number. */
    record SavedStyleView(long revision) {}

    @GetMapping
    @Operation(operationId = "styles", summary = "The house styles, the usual one first")
    List<StyleView> styles() {
        return styles.all().stream()
                .map(saved -> new StyleView(
                        saved.style().id(),
                        saved.style().name(),
                        saved.style().description().orElse(""),
                        StylePlanning.of(saved.style()).marks(),
                        saved.revision()))
                .toList();
    }

    @GetMapping("/{id}")
    @Operation(operationId = "style", summary = "A house style's document, to be changed")
    StyleEditingView style(@PathVariable("id") String id) {
        Styles.Saved saved = styles.saved(id);
        return new StyleEditingView(
                json.readTree(Definitions.write(saved.style())),
                WholeStyleView.of(StylePlanning.of(saved.style())),
                saved.revision(),
                styles.revisions(id),
                HouseStyles.SHIPPED.stream().anyMatch(shipped -> shipped.id().equals(id)));
    }

    @GetMapping("/{id}/revisions/{number}")
    @Operation(operationId = "styleRevision", summary = "A house style as it was; 0 as it comes along")
    JsonNode revision(@PathVariable("id") String id, @PathVariable("number") long number) {
        return json.readTree(Definitions.write(styles.revision(id, number)));
    }

    @TakesTurn
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "addStyle", summary = "Adds a house style")
    SavedStyleView add(@RequestBody NewStyleBody body, Principal principal) {
        return new SavedStyleView(styles.add(styles.sound(text(body.definition())), account(principal)));
    }

    @TakesTurn
    @PutMapping("/{id}")
    @Operation(
            operationId = "saveStyle",
            summary = "Saves a changed house style, for all reports; refused where somebody saved since")
    SavedStyleView save(@PathVariable("id") String id, @RequestBody ChangedStyleBody body, Principal principal) {
        styles.saved(id);
        HouseStyle style = styles.sound(text(body.definition()));
        if (!style.id().equals(id)) {
            throw new ProblemException(Problem.error(
                    "/id", "found \"" + style.id() + "\", expected \"" + id + "\"; a house style keeps its id"));
        }
        return new SavedStyleView(styles.save(style, body.base(), account(principal)));
    }

    private static String text(JsonNode definition) {
        return definition == null ? "null" : definition.toString();
    }

    private Account account(Principal principal) {
        return accounts.find(principal.getName()).orElseThrow();
    }
}
