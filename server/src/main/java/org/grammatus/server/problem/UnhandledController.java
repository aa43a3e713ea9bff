package org.grammatus.server.problem;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Answers what nothing else has answered, by its status alone. Whoever comes to the address by themselves finds nothing there. */
@Hidden
@RestController
class UnhandledController implements ErrorController {

    @RequestMapping("/error")
    ResponseEntity<ProblemDetail> unhandled(HttpServletRequest request) {
        HttpStatus status = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE) instanceof Integer code
                ? HttpStatus.resolve(code)
                : HttpStatus.NOT_FOUND;
        return ResponseEntity.status(status == null ? HttpStatus.INTERNAL_SERVER_ERROR : status)
                .body(ProblemDetail.forStatus(status == null ? HttpStatus.INTERNAL_SERVER_ERROR : status));
    }
}
