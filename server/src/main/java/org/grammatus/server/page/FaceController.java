package org.grammatus.server.page;

import io.swagger.v3.oas.annotations.Hidden;
import java.time.Duration;
import java.util.List;
import java.util.function.Function;
import org.grammatus.core.typography.Faces;
import org.grammatus.core.typography.Family;
import org.grammatus.core.typography.Weight;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.style.AddedFaces;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** The very font files that page widths are measured on. */
@RestController
@Hidden
class FaceController {

    private static final MediaType TRUE_TYPE = MediaType.parseMediaType("font/ttf");

    private final Faces added;

    FaceController(AddedFaces added) {
        this.added = added;
    }

    @GetMapping("/faces/{family}-{weight}.ttf")
    ResponseEntity<byte[]> face(@PathVariable("family") String family, @PathVariable("weight") String weight) {
        return file(
                one(Family.SHIPPED, Family::word, family),
                weight,
                CacheControl.maxAge(Duration.ofDays(30)).cachePublic());
    }

    /** Added ones are for those who have signed in: their licence may go no further. */
    @GetMapping("/api/faces/{id}/{weight}")
    ResponseEntity<byte[]> added(@PathVariable("id") String id, @PathVariable("weight") String weight) {
        Family family = added.find(id).orElseThrow(() -> unknown(id));
        return file(family, weight, CacheControl.maxAge(Duration.ofDays(1)).cachePrivate());
    }

    private static ResponseEntity<byte[]> file(Family family, String weight, CacheControl caching) {
        return ResponseEntity.ok()
                .contentType(TRUE_TYPE)
                .cacheControl(caching)
                .body(family.bytes(one(List.of(Weight.values()), Weight::word, weight)));
    }

    private static <T> T one(List<T> all, Function<T, String> word, String asked) {
        return all.stream()
                .filter(each -> word.apply(each).equals(asked))
                .findFirst()
                .orElseThrow(() -> unknown(asked));
    }

    private static NotFoundException unknown(String asked) {
        return new NotFoundException("There is no face \"" + asked + "\"");
    }
}
