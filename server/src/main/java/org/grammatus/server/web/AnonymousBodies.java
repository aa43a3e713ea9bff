package org.grammatus.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import org.grammatus.server.problem.ProblemAnswer;
import org.springframework.http.HttpStatus;

/**
 * Bodies of people who have not signed in: a name and a password, and no more. They are read whole before anything else begins, within
 * seconds, few at a time and fewer from one address, so that whoever lets them drip holds up nobody else.
 */
final class AnonymousBodies {

    private static final int MOST_AT_ONCE = 48;
    private static final int MOST_OF_ONE_ADDRESS = 6;
    private static final Duration LONGEST = Duration.ofSeconds(8);

    private final Semaphore reading = new Semaphore(MOST_AT_ONCE);
    private final Map<String, Integer> byAddress = new ConcurrentHashMap<>();

    void filter(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getContentLengthLong() > BodyLimitFilter.MOST_ANONYMOUS_BYTES) {
            ProblemAnswer.write(response, HttpStatus.CONTENT_TOO_LARGE, "Sign in first; so long a body is not read");
            return;
        }
        String address = request.getRemoteAddr();
        int ofThisAddress = byAddress.merge(address, 1, Integer::sum);
        byte[] body;
        try {
            if (ofThisAddress > MOST_OF_ONE_ADDRESS || !reading.tryAcquire()) {
                ProblemAnswer.later(
                        response,
                        HttpStatus.SERVICE_UNAVAILABLE,
                        Duration.ofSeconds(2),
                        "Too many people sign in at once; try again in a moment");
                return;
            }
            try {
                body = read(request);
            } finally {
                reading.release();
            }
        } finally {
            byAddress.computeIfPresent(address, (a, count) -> count > 1 ? count - 1 : null);
        }
        if (body == null) {
            response.setHeader("Connection", "close");
            ProblemAnswer.write(
                    response, HttpStatus.REQUEST_TIMEOUT, "The body was too long, or took too long to come");
            return;
        }
        chain.doFilter(new ReadRequest(request, body), response);
    }

    /** The body; null where it is too long or takes too long. */
    private static byte[] read(HttpServletRequest request) {
        long deadline = System.nanoTime() + LONGEST.toNanos();
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        byte[] part = new byte[2048];
        try {
            var in = request.getInputStream();
            for (int length = in.read(part); length >= 0; length = in.read(part)) {
                body.write(part, 0, length);
                if (body.size() > BodyLimitFilter.MOST_ANONYMOUS_BYTES || System.nanoTime() > deadline) {
                    return null;
                }
            }
            return body.toByteArray();
        } catch (IOException e) {
            return null;
        }
    }
}
