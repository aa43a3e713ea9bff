package org.grammatus.server.web;

import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.springframework.boot.tomcat.ConfigurableTomcatWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * Closes the connection of a request that was answered before its body was read. The web server would read the rest of it first, and
 * a thread would wait for whoever lets it drip.
 */
@Component
class UnreadBodies implements WebServerFactoryCustomizer<ConfigurableTomcatWebServerFactory> {

    private static final String READ = UnreadBodies.class.getName();

    /** Whether a request has a body. */
    static boolean hasBody(long contentLength, String transferEncoding) {
        return contentLength > 0 || transferEncoding != null;
    }

    /** Notes that a request's body was read to its end. */
    static void noteRead(ServletRequest request) {
        request.setAttribute(READ, true);
    }

    @Override
    public void customize(ConfigurableTomcatWebServerFactory server) {
        server.addEngineValves(new ValveBase(true) {
            @Override
            public void invoke(Request request, Response response) throws IOException, ServletException {
                getNext().invoke(request, response);
                boolean body = hasBody(request.getContentLengthLong(), request.getHeader("Transfer-Encoding"));
                if (body && request.getAttribute(READ) == null) {
                    request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
                }
            }
        });
    }
}
