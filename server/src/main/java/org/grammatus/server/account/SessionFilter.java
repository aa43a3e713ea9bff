package org.grammatus.server.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/** Ends sessions that have lasted as long as any may, or began before their account's password was changed. */
final class SessionFilter extends OncePerRequestFilter {

    /** Whoever works longer signs in again. */
    private static final Duration LONGEST = Duration.ofHours(12);

    private final Accounts accounts;
    private final Clock clock;

    SessionFilter(Accounts accounts, Clock clock) {
        this.accounts = accounts;
        this.clock = clock;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        HttpSession session = request.getSession(false);
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (session != null && who != null && who.getPrincipal() instanceof SignedIn signedIn) {
            boolean old = clock.millis() - session.getCreationTime() > LONGEST.toMillis();
            if (old || accounts.epoch(signedIn.getUsername()) != signedIn.epoch()) {
                session.invalidate();
                SecurityContextHolder.clearContext();
            }
        }
        chain.doFilter(request, response);
    }
}
