package org.grammatus.server.page;

import io.swagger.v3.oas.annotations.Hidden;
import java.time.Duration;
import java.util.Arrays;
import java.util.function.Function;
import org.grammatus.core.typography.Face;
import org.grammatus.core.typography.Family;
import org.grammatus.server.problem.NotFoundException;
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

    @GetMapping("/faces/{family}-{weight}.ttf")
    ResponseEntity<byte[]> face(@PathVariable("family") String family, @PathVariable("weight") String weight) {
        Family named = one(Family.values(), Family::word, family);
        Face face = one(Face.values(), Face::word, weight);
        return ResponseEntity.ok()
                .contentType(TRUE_TYPE)
                .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePublic())
                .body(named.bytes(face));
    }

    private static <T> T one(T[] all, Function<T, String> word, String asked) {
        return Arrays.stream(all)
                .filter(each -> word.apply(each).equals(asked))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("There is no face \"" + asked + "\""));
    }
}
