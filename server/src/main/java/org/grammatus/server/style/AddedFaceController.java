package org.grammatus.server.style;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import java.security.Principal;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.server.account.Accounts;
import org.grammatus.server.problem.ConflictException;
import org.grammatus.server.web.TakesTurn;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Faces for house styles: added from files, removed where no style is set in them. For authors alone. */
@RestController
@RequestMapping("/api/faces")
class AddedFaceController {

    private final AddedFaces faces;
    private final Styles styles;
    private final Accounts accounts;

    AddedFaceController(AddedFaces faces, Styles styles, Accounts accounts) {
        this.faces = faces;
        this.styles = styles;
        this.accounts = accounts;
    }

    /** A face from its files. */
    record NewFaceBody(
            String id,
            String name,
            String licence,

            @Schema(description = "A TrueType or OpenType file in Base64")
            String regular,

            @Schema(description = "The same for texts that stand out; may be left out")
            String semibold) {}

    @GetMapping
    @Operation(operationId = "addedFaces", summary = "The faces that were added, by name")
    List<AddedFaces.AddedFace> faces() {
        return faces.all();
    }

    @TakesTurn
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "addFace", summary = "Adds a face from its files")
    void add(@RequestBody NewFaceBody body, Principal principal) {
        Optional<String> semibold = Optional.ofNullable(body.semibold()).filter(file -> !file.isBlank());
        AddedFaces.AddedFace face = new AddedFaces.AddedFace(
                said(body.id()), said(body.name()).strip(), said(body.licence()).strip(), semibold.isPresent());
        faces.add(
                face,
                file("/regular", said(body.regular())),
                semibold.map(text -> file("/semibold", text)),
                accounts.find(principal.getName()).orElseThrow());
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "removeFace", summary = "Removes a face that no house style is set in")
    void remove(@PathVariable("id") String id) {
        List<String> setIn = styles.all().stream()
                .map(Styles.Saved::style)
                .filter(style -> style.look().face().filter(id::equals).isPresent())
                .map(style -> "\"" + style.name() + "\"")
                .toList();
        if (!setIn.isEmpty()) {
            throw new ConflictException("The face is that of the house style " + String.join(", ", setIn)
                    + "; choose another one there first");
        }
        faces.remove(id);
    }

    private static String said(String text) {
        return text == null ? "" : text;
    }

    private static byte[] file(String pointer, String base64) {
        try {
            return Base64.getDecoder().decode(base64);
        } catch (IllegalArgumentException e) {
            throw new ProblemException(Problem.error(pointer, "expected a file in Base64"));
        }
    }
}
