package org.grammatus.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Duration;
import java.util.Optional;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Reads bodies whole before anything else begins, each within a size and a time, few at once from one person, so that whoever lets
 * them drip holds up nobody else. Of whoever has not signed in, bodies are small: a name and a password, and no more.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class BodyLimitFilter extends OncePerRequestFilter {

    static final long MOST_BYTES = 5_000_000;
    static final int MOST_ANONYMOUS_BYTES = 16_000;

    private final SenderBodies ofPeople = new SenderBodies(new SenderBodies.Limits(
            128,
            8,
            (int) MOST_BYTES,
            Duration.ofSeconds(60),
            "The body is larger than 5 MB, the most that is read",
            "Too many of your requests send their bodies at once; try again in a moment"));
    private final SenderBodies anonymous = new SenderBodies(new SenderBodies.Limits(
            48,
            6,
            MOST_ANONYMOUS_BYTES,
            Duration.ofSeconds(8),
            "Sign in first; so long a body is not read",
            "Too many people sign in at once; try again in a moment"));

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!UnreadBodies.hasBody(request.getContentLengthLong(), request.getHeader("Transfer-Encoding"))) {
            chain.doFilter(request, response);
            return;
        }
        Optional<String> person = person(request);
        if (person.isPresent()) {
            ofPeople.filter(person.get(), request, response, chain);
        } else {
            anonymous.filter(NetworkOf.address(request.getRemoteAddr()), request, response, chain);
        }
    }

    private static Optional<String> person(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return Optional.ofNullable(session)
                .map(s -> s.getAttribute(HttpSessionSecurityContextRepository.SPRING_SECURITY_CONTEXT_KEY))
                .map(SecurityContext.class::cast)
                .map(SecurityContext::getAuthentication)
                .map(Authentication::getName);
    }
}
