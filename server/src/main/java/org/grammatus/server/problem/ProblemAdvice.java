package org.grammatus.server.problem;

import jakarta.servlet.http.HttpServletRequest;
import java.io.CharConversionException;
import java.io.IOException;
import java.nio.charset.CharacterCodingException;
import java.util.List;
import org.apache.catalina.connector.ClientAbortException;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.runs.turns.TooManyException;
import org.grammatus.server.store.StoreFailure;
import org.grammatus.sources.MissingInSourceException;
import org.grammatus.sources.SourceException;
import org.jooq.exception.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/** Turns failures into answers of type application/problem+json. */
@RestControllerAdvice
public class ProblemAdvice extends ResponseEntityExceptionHandler {

    /** What readers hear of a source that cannot be read. */
    public static final String SOURCE_FOR_READERS =
            "The data cannot be read at the moment. Try again later, and contact the report's author if it stays so";

    private static final System.Logger LOG = System.getLogger(ProblemAdvice.class.getName());

    @ExceptionHandler
    ProblemDetail refused(ProblemException failure) {
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(
                HttpStatus.UNPROCESSABLE_CONTENT,
                failure.problems().size() == 1
                        ? failure.problems().getFirst().message()
                        : failure.problems().size() + " things are wrong");
        detail.setProperty("problems", views(failure.problems()));
        return detail;
    }

    @ExceptionHandler
    ProblemDetail missing(NotFoundException failure) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, failure.getMessage());
    }

    @ExceptionHandler
    ProblemDetail conflict(ConflictException failure) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.CONFLICT, failure.getMessage());
    }

    @ExceptionHandler
    ProblemDetail newer(NewerRevisionException failure) {
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(HttpStatus.CONFLICT, failure.getMessage());
        detail.setProperty("revision", failure.revision());
        detail.setProperty("by", failure.by());
        return detail;
    }

    /** What a source says of itself is for those who know sources; readers hear that it cannot be read, and whom to tell. */
    @ExceptionHandler
    ProblemDetail source(SourceException failure, HttpServletRequest request) {
        boolean missing = failure instanceof MissingInSourceException;
        return ProblemDetail.forStatusAndDetail(
                missing ? HttpStatus.NOT_FOUND : HttpStatus.BAD_GATEWAY,
                request.isUserInRole("AUTHOR") ? failure.getMessage() : SOURCE_FOR_READERS);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> tooMany(TooManyException failure) {
        return ResponseEntity.status(HttpStatus.TOO_MANY_REQUESTS)
                .header(
                        HttpHeaders.RETRY_AFTER,
                        String.valueOf(Math.max(1, failure.retryAfter().toSeconds())))
                .body(ProblemDetail.forStatusAndDetail(HttpStatus.TOO_MANY_REQUESTS, failure.getMessage()));
    }

    /** The records could not be read or written; most of all because the disk is full. */
    @ExceptionHandler
    ProblemDetail records(DataAccessException failure) {
        LOG.log(System.Logger.Level.ERROR, "The records could not be read or written", failure);
        return StoreFailure.isFull(failure)
                ? ProblemDetail.forStatusAndDetail(
                        HttpStatus.INSUFFICIENT_STORAGE,
                        "The server's disk is full: nothing of this was saved, and nothing saved before was lost. Try again"
                                + " once there is room")
                : ProblemDetail.forStatusAndDetail(
                        HttpStatus.SERVICE_UNAVAILABLE,
                        "The server's records could not be reached: nothing of this was saved. Try again in a moment");
    }

    @ExceptionHandler
    ProblemDetail tooLarge(BodyTooLargeException failure) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.CONTENT_TOO_LARGE, failure.getMessage());
    }

    /** Somebody went to another page before this one was there: nobody is left to be told. */
    @ExceptionHandler
    void gone(ClientAbortException left) {
        LOG.log(System.Logger.Level.DEBUG, "A browser did not wait for its answer", left);
    }

    @ExceptionHandler({CharacterCodingException.class, CharConversionException.class})
    ProblemDetail unreadable(IOException failure) {
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.BAD_REQUEST, "The address or the body is no text in UTF-8; send it as such");
    }

    @ExceptionHandler
    ProblemDetail disk(IOException failure) {
        LOG.log(System.Logger.Level.ERROR, "A file could not be written or read", failure);
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.INSUFFICIENT_STORAGE,
                "The server could not write the file; its disk may be full. Nothing was lost; try again later");
    }

    /** A body that could not be read is said to be so, with what was wrong where that is known. */
    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException failure, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            if (cause instanceof BodyTooLargeException large) {
                return handleExceptionInternal(
                        failure, tooLarge(large), headers, HttpStatus.CONTENT_TOO_LARGE, request);
            }
            if (cause instanceof ProblemException problems) {
                return handleExceptionInternal(
                        failure, refused(problems), headers, HttpStatus.UNPROCESSABLE_CONTENT, request);
            }
        }
        return super.handleHttpMessageNotReadable(failure, headers, status, request);
    }

    private static List<ProblemView> views(List<Problem> problems) {
        return problems.stream().map(ProblemView::of).toList();
    }
}
