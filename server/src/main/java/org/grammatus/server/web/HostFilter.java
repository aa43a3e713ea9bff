package org.grammatus.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import org.grammatus.server.ServerSettings;
import org.grammatus.server.problem.ProblemAnswer;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Answers only to the names that this server goes by, so that no other page's name can be made to lead here. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class HostFilter extends OncePerRequestFilter {

    private static final Set<String> OF_THE_MACHINE = Set.of("localhost", "127.0.0.1", "[::1]");

    private final Set<String> hosts = new TreeSet<>(OF_THE_MACHINE);

    HostFilter(ServerSettings settings) {
        settings.network().hosts().forEach(host -> hosts.add(host.toLowerCase(Locale.ROOT)));
        hosts.add(settings.network().address());
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String host = request.getServerName();
        if (host == null || !hosts.contains(host.toLowerCase(Locale.ROOT))) {
            ProblemAnswer.write(
                    response,
                    HttpStatus.MISDIRECTED_REQUEST,
                    "This server does not accept requests under this name; start it with --host to allow more names");
            return;
        }
        chain.doFilter(request, response);
    }
}
