package org.grammatus.server.problem;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;

/** Answers as RFC 9457 describes them, from outside any controller. */
public final class ProblemAnswer {

    private ProblemAnswer() {}

    /** @param detail in words, without quotes or backslashes */
    public static void write(HttpServletResponse response, HttpStatus status, String detail) throws IOException {
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        String body = "{\"type\":\"about:blank\",\"title\":\"%s\",\"status\":%d,\"detail\":\"%s\"}"
                .formatted(status.getReasonPhrase(), status.value(), detail);
        response.getOutputStream().write(body.getBytes(StandardCharsets.UTF_8));
    }

    /** A text as a detail can have it. */
    public static String plain(String text) {
        return text.replace('"', '\u2019').replace("\\", "/").replaceAll("[\\p{Cntrl}]+", " ");
    }

    /** The same, with how long to wait before asking again. */
    public static void later(HttpServletResponse response, HttpStatus status, Duration after, String detail)
            throws IOException {
        response.setHeader(HttpHeaders.RETRY_AFTER, String.valueOf(Math.max(1, after.toSeconds())));
        write(response, status, detail);
    }
}
