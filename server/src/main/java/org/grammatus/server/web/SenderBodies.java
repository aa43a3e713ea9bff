package org.grammatus.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import org.grammatus.server.problem.ProblemAnswer;
import org.springframework.http.HttpStatus;

/** Reads bodies, few at once and fewer from one sender. Thread-safe. */
final class SenderBodies {

    private static final Duration RETRY = Duration.ofSeconds(2);
    private static final int PART = 16_384;

    /** How long the rest of a body that is too long is waited for. */
    private static final Duration PATIENCE = Duration.ofSeconds(2);

    private final Limits limits;
    private final Semaphore reading;
    private final Map<String, Integer> bySender = new ConcurrentHashMap<>();

    /**
     * What is read.
     *
     * @param atOnce how many bodies at once
     * @param ofOne how many of these from one sender
     * @param bytes how long each may be
     * @param longest how long each may take
     * @param tooLong what is answered to one that is longer
     * @param tooMany what is answered where too many are being read
     */
    record Limits(int atOnce, int ofOne, int bytes, Duration longest, String tooLong, String tooMany) {}

    SenderBodies(Limits limits) {
        this.limits = limits;
        this.reading = new Semaphore(limits.atOnce());
    }

    /** Reads a request's body and passes it on, or refuses it. */
    void filter(String sender, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Optional<byte[]> body;
        try {
            boolean many = bySender.merge(sender, 1, Integer::sum) > limits.ofOne() || !reading.tryAcquire();
            if (many) {
                response.setHeader("Connection", "close");
                ProblemAnswer.later(response, HttpStatus.SERVICE_UNAVAILABLE, RETRY, limits.tooMany());
                return;
            }
            try {
                body = request.getContentLengthLong() > limits.bytes()
                        ? tooLong(request, response)
                        : read(request, response);
            } finally {
                reading.release();
            }
        } finally {
            bySender.computeIfPresent(sender, (same, count) -> count > 1 ? count - 1 : null);
        }
        if (body.isPresent()) {
            UnreadBodies.noteRead(request);
            chain.doFilter(new ReadRequest(request, body.get()), response);
        }
    }

    /** The body; none, and answered, where it is too long or takes too long. */
    private Optional<byte[]> read(HttpServletRequest request, HttpServletResponse response) throws IOException {
        long deadline = System.nanoTime() + limits.longest().toNanos();
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        byte[] part = new byte[PART];
        try {
            var in = request.getInputStream();
            for (int length = in.read(part); length >= 0; length = in.read(part)) {
                body.write(part, 0, length);
                if (body.size() > limits.bytes()) {
                    return tooLong(request, response);
                }
                if (System.nanoTime() > deadline) {
                    return refused(response, HttpStatus.REQUEST_TIMEOUT, "The body took too long to come");
                }
            }
            return Optional.of(body.toByteArray());
        } catch (IOException e) {
            return refused(response, HttpStatus.REQUEST_TIMEOUT, "The body did not come whole");
        }
    }

    /** Refuses what is too long; whoever sends it promptly is still sending, and reads the answer only once that is done. */
    private Optional<byte[]> tooLong(HttpServletRequest request, HttpServletResponse response) throws IOException {
        long deadline = System.nanoTime() + PATIENCE.toNanos();
        byte[] part = new byte[PART];
        var in = request.getInputStream();
        for (long left = limits.bytes(); left > 0 && System.nanoTime() < deadline; ) {
            int length = in.read(part);
            left = length < 0 ? 0 : left - length;
        }
        return refused(response, HttpStatus.CONTENT_TOO_LARGE, limits.tooLong());
    }

    private static Optional<byte[]> refused(HttpServletResponse response, HttpStatus status, String why)
            throws IOException {
        response.setHeader("Connection", "close");
        ProblemAnswer.write(response, status, why);
        return Optional.empty();
    }
}
