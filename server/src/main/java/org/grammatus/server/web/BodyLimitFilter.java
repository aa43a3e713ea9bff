package org.grammatus.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import org.grammatus.server.problem.BodyTooLargeException;
import org.grammatus.server.problem.ProblemAnswer;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses bodies that nothing here needs: by their stated length at once, by their real length and the time they take while they are
 * read. Of whoever has not signed in, bodies are small, few at a time, and read before anything else begins.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class BodyLimitFilter extends OncePerRequestFilter {

    static final long MOST_BYTES = 5_000_000;
    static final int MOST_ANONYMOUS_BYTES = 16_000;

    private static final Duration LONGEST = Duration.ofSeconds(60);
    private static final String REFUSAL = "The body is larger than 5 MB, the most that is read";

    private final AnonymousBodies anonymous = new AnonymousBodies();

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean body = request.getContentLengthLong() > 0 || request.getHeader("Transfer-Encoding") != null;
        if (request.getContentLengthLong() > MOST_BYTES) {
            ProblemAnswer.write(response, HttpStatus.CONTENT_TOO_LARGE, REFUSAL);
        } else if (body && isAnonymous(request)) {
            anonymous.filter(request, response, chain);
        } else {
            chain.doFilter(body ? new Limited(request) : request, response);
        }
    }

    private static boolean isAnonymous(HttpServletRequest request) {
        var session = request.getSession(false);
        return session == null
                || session.getAttribute(HttpSessionSecurityContextRepository.SPRING_SECURITY_CONTEXT_KEY) == null;
    }

    private static final class Limited extends HttpServletRequestWrapper {
        Limited(HttpServletRequest request) {
            super(request);
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            return new LimitedStream(super.getInputStream(), LONGEST) {
                @Override
                protected void counted(long read) {
                    if (read > MOST_BYTES) {
                        throw new BodyTooLargeException(REFUSAL);
                    }
                }
            };
        }
    }
}
