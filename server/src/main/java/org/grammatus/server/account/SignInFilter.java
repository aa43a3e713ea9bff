package org.grammatus.server.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.concurrent.Semaphore;
import org.grammatus.server.problem.ProblemAnswer;
import org.grammatus.server.web.NetworkOf;
import org.springframework.http.HttpStatus;
import org.springframework.web.filter.OncePerRequestFilter;

/** Has whoever guesses passwords wait, before any password is looked at. */
final class SignInFilter extends OncePerRequestFilter {

    private static final int MOST_AT_ONCE = 2;

    private final SignInThrottle throttle;
    private final KnownDevices devices;
    private final SecurityLog log;
    /** Checking a password takes computing on purpose. */
    private final Semaphore checking = new Semaphore(MOST_AT_ONCE, true);

    SignInFilter(SignInThrottle throttle, KnownDevices devices, SecurityLog log) {
        this.throttle = throttle;
        this.devices = devices;
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
        Duration delay = throttle.delay(name, origin(request, devices));
        if (delay.isPositive()) {
            log.note(SecurityLog.Event.SIGN_IN_DELAYED, name, request.getRemoteAddr());
            ProblemAnswer.later(
                    response,
                    HttpStatus.TOO_MANY_REQUESTS,
                    delay.plusMillis(999),
                    "Too many tries went wrong; try again in " + inWords(delay.plusMillis(999)));
            return;
        }
        checking.acquireUninterruptibly();
        try {
            chain.doFilter(request, response);
        } finally {
            checking.release();
        }
    }

    /** Where a try to sign in comes from. */
    static SignInThrottle.Origin origin(HttpServletRequest request, KnownDevices devices) {
        return new SignInThrottle.Origin(
                NetworkOf.address(request.getRemoteAddr()), devices.of(request, name(request)));
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
