package org.grammatus.server.problem;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Refuses bodies that no definition needs: by their stated length at once, by their real length while they are read. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class BodyLimitFilter extends OncePerRequestFilter {

    static final long MOST_BYTES = 5_000_000;

    private static final String REFUSAL = "The body is larger than 5 MB, the most that is read";

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getContentLengthLong() > MOST_BYTES) {
            response.setStatus(HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE);
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            String body = "{\"type\":\"about:blank\",\"title\":\"Content Too Large\",\"status\":413,\"detail\":\""
                    + REFUSAL + "\"}";
            response.getOutputStream().write(body.getBytes(StandardCharsets.UTF_8));
            return;
        }
        chain.doFilter(new Limited(request), response);
    }

    private static final class Limited extends HttpServletRequestWrapper {
        Limited(HttpServletRequest request) {
            super(request);
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            return new LimitedStream(super.getInputStream());
        }
    }

    private static final class LimitedStream extends ServletInputStream {
        private final ServletInputStream in;
        private long read;

        LimitedStream(ServletInputStream in) {
            this.in = in;
        }

        private int counted(int bytes) {
            read += Math.max(0, bytes);
            if (read > MOST_BYTES) {
                throw new BodyTooLargeException(REFUSAL);
            }
            return bytes;
        }

        @Override
        public int read() throws IOException {
            int b = in.read();
            counted(b < 0 ? 0 : 1);
            return b;
        }

        @Override
        public int read(byte[] bytes, int from, int length) throws IOException {
            return counted(in.read(bytes, from, length));
        }

        @Override
        public boolean isFinished() {
            return in.isFinished();
        }

        @Override
        public boolean isReady() {
            return in.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            in.setReadListener(listener);
        }
    }
}
