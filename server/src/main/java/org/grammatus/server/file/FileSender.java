package org.grammatus.server.file;

import jakarta.annotation.PreDestroy;
import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.ServletOutputStream;
import jakarta.servlet.WriteListener;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.concurrent.CancellationException;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.BooleanSupplier;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.runs.RunService;
import org.grammatus.server.problem.ProblemAnswer;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Has files made by run workers and sends them as the browser takes them. No request thread waits for either: a slow browser holds a
 * file, and nothing else.
 */
@Component
public class FileSender {

    private static final System.Logger LOG = System.getLogger(FileSender.class.getName());
    /** Whoever takes longer for one file asks again. */
    private static final Duration LONGEST = Duration.ofMinutes(60);

    /** How often it is looked whether a browser still waits. */
    private static final Duration LOOK = Duration.ofSeconds(1);

    private static final int PART = 32_768;

    private final RunService runs;
    private final FileFolder folder;
    private final ScheduledExecutorService watches = Executors.newSingleThreadScheduledExecutor(
            work -> Thread.ofPlatform().daemon().name("waiting-browsers").unstarted(work));

    FileSender(RunService runs, FileFolder folder) {
        this.runs = runs;
        this.folder = folder;
    }

    @PreDestroy
    void stop() {
        watches.shutdownNow();
    }

    /** Makes a file. */
    public interface Maker {

        /**
         * @param wanted whether somebody still waits for it; asked now and then
         * @throws ProblemException if what is asked for does not fit the format
         * @throws CancellationException if nobody waits for it any more
         */
        void make(Path file, BooleanSupplier wanted) throws IOException;
    }

    /**
     * What a file is.
     *
     * @param name that it is kept under, with its ending
     */
    public record Kind(String name, String mediaType) {}

    /**
     * Sends a file that is to be made; returns at once.
     *
     * @throws org.grammatus.runs.TooManyException if too many are on their way
     */
    public void send(String owner, Kind kind, Maker maker, HttpServletRequest request, HttpServletResponse response)
            throws IOException {
        FileFolder.Place place =
                folder.place(owner, kind.name().substring(kind.name().lastIndexOf('.')));
        AsyncContext async = request.startAsync(request, response);
        async.setTimeout(LONGEST.toMillis());
        Waiting waiting = new Waiting(async, new Presence(request));
        Future<?> watch =
                watches.scheduleWithFixedDelay(waiting::look, LOOK.toMillis(), LOOK.toMillis(), TimeUnit.MILLISECONDS);
        async.addListener(new Ending(place, waiting, watch));
        runs.compute(owner, () -> {
            try {
                if (waiting.isOver()) {
                    return;
                }
                maker.make(place.path(), () -> !waiting.isOver());
                place.made();
                if (waiting.end()) {
                    begin(async, place, kind, response);
                }
            } catch (IOException | RuntimeException | Error e) {
                // An error, too, such as too little memory: nobody else would give the file's place back.
                if (waiting.end()) {
                    refuse(async, response, e);
                }
            } finally {
                // Whoever left has given its place back already, and what was written since goes with it.
                place.discardIfClosed();
            }
        });
    }

    /** A browser that waits for its file. Whoever ends the waiting first, the file's maker or the one who looks after it, goes on. */
    private static final class Waiting {

        private final AsyncContext async;
        private final Presence presence;
        private final AtomicBoolean over = new AtomicBoolean();

        Waiting(AsyncContext async, Presence presence) {
            this.async = async;
            this.presence = presence;
        }

        boolean isOver() {
            return over.get();
        }

        boolean end() {
            return over.compareAndSet(false, true);
        }

        /** Ends it where the browser has left. */
        void look() {
            if (!isOver() && presence.hasLeft() && end()) {
                LOG.log(System.Logger.Level.DEBUG, "A browser left before its file was made");
                async.complete();
            }
        }
    }

    private static void begin(AsyncContext async, FileFolder.Place place, Kind kind, HttpServletResponse response)
            throws IOException {
        response.setContentType(kind.mediaType());
        response.setContentLengthLong(Files.size(place.path()));
        response.setHeader(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment()
                        .filename(kind.name(), StandardCharsets.UTF_8)
                        .build()
                        .toString());
        // Compressing needs a thread that waits for the browser.
        response.setHeader(HttpHeaders.CONTENT_ENCODING, "identity");
        ServletOutputStream out = response.getOutputStream();
        out.setWriteListener(new Writing(async, out, Files.newInputStream(place.path())));
    }

    private static void refuse(AsyncContext async, HttpServletResponse response, Throwable failure) {
        try {
            switch (failure) {
                case ProblemException e ->
                    ProblemAnswer.write(
                            response, HttpStatus.UNPROCESSABLE_CONTENT, ProblemAnswer.plain(e.getMessage()));
                case CancellationException e ->
                    ProblemAnswer.write(response, HttpStatus.CONFLICT, "The file was not made: its run was given up");
                case IOException e -> {
                    LOG.log(System.Logger.Level.ERROR, "A file could not be made", e);
                    ProblemAnswer.write(
                            response,
                            HttpStatus.INSUFFICIENT_STORAGE,
                            "The server could not write the file; its disk may be full. Nothing was lost; try again later");
                }
                case OutOfMemoryError e -> {
                    LOG.log(System.Logger.Level.ERROR, "A file took more memory than there is", e);
                    ProblemAnswer.write(
                            response,
                            HttpStatus.INSUFFICIENT_STORAGE,
                            "The file takes more memory than the server has; narrow the report, or take it as CSV");
                }
                default -> {
                    LOG.log(System.Logger.Level.ERROR, "A file could not be made", failure);
                    ProblemAnswer.write(
                            response,
                            HttpStatus.INTERNAL_SERVER_ERROR,
                            "The file could not be made; the server's log says why");
                }
            }
        } catch (IOException | IllegalStateException gone) {
            LOG.log(System.Logger.Level.DEBUG, "Nobody waits for the file any more", gone);
        } finally {
            async.complete();
        }
    }

    /** Writes whenever the browser takes more. */
    private static final class Writing implements WriteListener {

        private final AsyncContext async;
        private final ServletOutputStream out;
        private final InputStream in;
        private final byte[] part = new byte[PART];

        Writing(AsyncContext async, ServletOutputStream out, InputStream in) {
            this.async = async;
            this.out = out;
            this.in = in;
        }

        @Override
        public void onWritePossible() throws IOException {
            while (out.isReady()) {
                int length = in.read(part);
                if (length < 0) {
                    in.close();
                    async.complete();
                    return;
                }
                out.write(part, 0, length);
            }
        }

        @Override
        public void onError(Throwable failure) {
            LOG.log(System.Logger.Level.DEBUG, "A browser left before its file was there", failure);
            try {
                in.close();
            } catch (IOException e) {
                LOG.log(System.Logger.Level.DEBUG, "A file could not be closed", e);
            }
            async.complete();
        }
    }

    /** However the sending ends, the file gives its place back. */
    private record Ending(FileFolder.Place place, Waiting waiting, Future<?> watch) implements AsyncListener {

        @Override
        public void onComplete(AsyncEvent event) {
            waiting.end();
            watch.cancel(false);
            place.close();
        }

        @Override
        public void onTimeout(AsyncEvent event) {
            event.getAsyncContext().complete();
        }

        @Override
        public void onError(AsyncEvent event) {
            event.getAsyncContext().complete();
        }

        @Override
        public void onStartAsync(AsyncEvent event) {}
    }
}
