package org.grammatus.server.page;

import io.swagger.v3.oas.annotations.Hidden;
import java.time.Duration;
import java.util.Arrays;
import org.grammatus.core.typography.Face;
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

    @GetMapping("/faces/{word}.ttf")
    ResponseEntity<byte[]> face(@PathVariable("word") String word) {
        Face face = Arrays.stream(Face.values())
                .filter(f -> f.word().equals(word))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("There is no face \"" + word + "\""));
        return ResponseEntity.ok()
                .contentType(TRUE_TYPE)
                .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePublic())
                .body(face.bytes());
    }
}
