package org.grammatus.server.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import org.grammatus.server.problem.ProblemAnswer;
import org.springframework.http.HttpStatus;
import org.springframework.web.filter.OncePerRequestFilter;

/** Has whoever guesses passwords wait, before any password is looked at. */
final class SignInFilter extends OncePerRequestFilter {

    private final SignInThrottle throttle;
    private final SecurityLog log;

    SignInFilter(SignInThrottle throttle, SecurityLog log) {
        this.throttle = throttle;
        this.log = log;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !("POST".equals(request.getMethod()) && SecurityConfiguration.SIGN_IN.equals(request.getServletPath()));
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String name = name(request);
        Duration delay = throttle.delay(name, request.getRemoteAddr());
        if (delay.isPositive()) {
            log.note(SecurityLog.Event.SIGN_IN_DELAYED, name, request.getRemoteAddr());
            ProblemAnswer.later(
                    response,
                    HttpStatus.TOO_MANY_REQUESTS,
                    delay.plusMillis(999),
                    "Too many tries went wrong; try again in " + inWords(delay.plusMillis(999)));
            return;
        }
        chain.doFilter(request, response);
    }

    static String name(HttpServletRequest request) {
        String name = request.getParameter("name");
        return name == null ? "" : name;
    }

    private static String inWords(Duration delay) {
        long seconds = Math.max(1, delay.toSeconds());
        return seconds == 1 ? "a second" : seconds < 90 ? seconds + " seconds" : (seconds + 59) / 60 + " minutes";
    }
}
