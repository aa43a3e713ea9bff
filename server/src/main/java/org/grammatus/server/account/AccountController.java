package org.grammatus.server.account;

import io.swagger.v3.oas.annotations.Operation;
import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import java.time.Duration;
import java.util.Objects;
import java.util.Optional;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.runs.turns.TooManyException;
import org.grammatus.server.web.NetworkOf;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The first account of an installation, and everyone's own password. */
@RestController
class AccountController {

    private final Accounts accounts;
    private final FirstAccount first;
    private final SignInThrottle throttle;
    private final SecurityLog log;

    AccountController(Accounts accounts, FirstAccount first, SignInThrottle throttle, SecurityLog log) {
        this.accounts = accounts;
        this.first = first;
        this.throttle = throttle;
        this.log = log;
    }

    /**
     * The first account.
     *
     * @param secret as the server printed it
     */
    record FirstBody(String secret, String name, String displayName, String password) {

        FirstBody {
            secret = Objects.requireNonNullElse(secret, "");
            name = Objects.requireNonNullElse(name, "").strip();
            displayName = Objects.requireNonNullElse(displayName, "");
            password = Objects.requireNonNullElse(password, "");
        }

        /** Without what is secret, which must not get into a log. */
        @Override
        public String toString() {
            return "FirstBody[" + name + "]";
        }
    }

    /** A person's present password and the one that takes its place. */
    record PasswordBody(String present, String next) {

        PasswordBody {
            present = Objects.requireNonNullElse(present, "");
            next = Objects.requireNonNullElse(next, "");
        }

        @Override
        public String toString() {
            return "PasswordBody[]";
        }
    }

    @PostMapping("/api/set-up")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(
            operationId = "setUp",
            summary = "Makes the first account, an administrator's, with the secret that was printed")
    void setUp(@RequestBody FirstBody body, HttpServletRequest request) {
        String address = request.getRemoteAddr();
        requireNoDelay("set-up", address);
        try {
            first.make(body.secret(), body.name(), body.displayName(), body.password());
        } catch (org.grammatus.server.problem.NotFoundException e) {
            throttle.failed("set-up", origin(address));
            throw e;
        }
        log.note(SecurityLog.Event.SET_UP, body.name(), address);
    }

    @PutMapping("/api/session/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(
            operationId = "changePassword",
            summary = "Changes one's own password; all sessions of the account are over then, this one included")
    void changePassword(@RequestBody PasswordBody body, Principal principal, HttpServletRequest request) {
        String name = principal.getName();
        requireNoDelay(name, request.getRemoteAddr());
        if (!accounts.matches(name, body.present())) {
            throttle.failed(name, origin(request.getRemoteAddr()));
            log.note(SecurityLog.Event.SIGN_IN_FAILED, name, request.getRemoteAddr());
            throw new ProblemException(Problem.error("/present", "this is not your present password"));
        }
        accounts.changePassword(name, body.next());
        log.note(SecurityLog.Event.PASSWORD_CHANGED, name, request.getRemoteAddr());
    }

    private void requireNoDelay(String name, String address) {
        Duration delay = throttle.delay(name, origin(address));
        if (delay.isPositive()) {
            throw new TooManyException("Too many tries went wrong; try again in a while", delay);
        }
    }

    private static SignInThrottle.Origin origin(String address) {
        return new SignInThrottle.Origin(NetworkOf.address(address), Optional.empty());
    }
}
