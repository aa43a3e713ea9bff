package org.grammatus.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Set;
import org.grammatus.server.problem.ProblemAnswer;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Bodies are JSON or plain text, in UTF-8; a form is only what one signs in with. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 2)
class ContentTypeFilter extends OncePerRequestFilter {

    private static final Set<MediaType> TAKEN = Set.of(MediaType.APPLICATION_JSON, MediaType.TEXT_PLAIN);

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (isTaken(request)) {
            chain.doFilter(request, response);
        } else {
            ProblemAnswer.write(
                    response, HttpStatus.UNSUPPORTED_MEDIA_TYPE, "Send the body as application/json, in UTF-8");
        }
    }

    private static boolean isTaken(HttpServletRequest request) {
        String written = request.getContentType();
        if (written == null) {
            return true;
        }
        try {
            MediaType type = MediaType.parseMediaType(written);
            boolean signsIn = request.getRequestURI().equals("/api/session")
                    && type.equalsTypeAndSubtype(MediaType.APPLICATION_FORM_URLENCODED);
            boolean utf8 = type.getCharset() == null || type.getCharset().equals(StandardCharsets.UTF_8);
            return utf8 && (signsIn || TAKEN.stream().anyMatch(type::equalsTypeAndSubtype));
        } catch (IllegalArgumentException e) {
            return false;
        }
    }
}
