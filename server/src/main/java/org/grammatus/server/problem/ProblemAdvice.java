package org.grammatus.server.problem;

import java.io.IOException;
import java.util.List;
import org.apache.catalina.connector.ClientAbortException;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.sources.SourceException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/** Turns failures into answers of type application/problem+json. */
@RestControllerAdvice
class ProblemAdvice extends ResponseEntityExceptionHandler {

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

    @ExceptionHandler
    ProblemDetail source(SourceException failure) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.BAD_GATEWAY, failure.getMessage());
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

    @ExceptionHandler
    ProblemDetail disk(IOException failure) {
        LOG.log(System.Logger.Level.ERROR, "A file could not be written or read", failure);
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.INSUFFICIENT_STORAGE,
                "The server could not write the file; its disk may be full. Nothing was lost; try again later");
    }

    private static List<ProblemView> views(List<Problem> problems) {
        return problems.stream().map(ProblemView::of).toList();
    }
}
