package org.grammatus.server.file;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.security.Principal;
import java.util.concurrent.CancellationException;
import java.util.concurrent.locks.LockSupport;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Makes a file for as long as somebody waits for it. */
@Hidden
@RestController
class SlowFileController {

    private static final int PAUSE_NANOS = 10_000_000;

    private final FileSender files;

    SlowFileController(FileSender files) {
        this.files = files;
    }

    @GetMapping("/api/slow-file")
    void file(Principal principal, HttpServletRequest request, HttpServletResponse response) throws IOException {
        FileSender.Kind kind = new FileSender.Kind("slow.txt", "text/plain");
        files.send(
                principal.getName(),
                kind,
                (file, wanted) -> {
                    while (wanted.getAsBoolean()) {
                        Files.writeString(file, "still at it");
                        LockSupport.parkNanos(PAUSE_NANOS);
                    }
                    throw new CancellationException();
                },
                request,
                response);
    }
}
