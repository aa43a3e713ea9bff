package org.grammatus.server.web;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.InputStreamReader;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Enumeration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A request whose body was read already: it is given again, and the parameters of a form are taken from it. */
final class ReadRequest extends HttpServletRequestWrapper {

    private final byte[] body;
    private final Map<String, String[]> parameters = new LinkedHashMap<>();

    ReadRequest(HttpServletRequest request, byte[] body) {
        super(request);
        this.body = body;
        String type = request.getContentType();
        Map<String, List<String>> found = new LinkedHashMap<>();
        note(request.getQueryString() == null ? "" : request.getQueryString(), found);
        if (type != null && type.startsWith("application/x-www-form-urlencoded")) {
            note(new String(body, StandardCharsets.UTF_8), found);
        }
        found.forEach((name, values) -> parameters.put(name, values.toArray(String[]::new)));
    }

    private static void note(String form, Map<String, List<String>> found) {
        for (String pair : form.split("&")) {
            int equals = pair.indexOf('=');
            if (!pair.isEmpty()) {
                String name = decoded(equals < 0 ? pair : pair.substring(0, equals));
                found.computeIfAbsent(name, n -> new ArrayList<>())
                        .add(decoded(equals < 0 ? "" : pair.substring(equals + 1)));
            }
        }
    }

    /** What is not written as forms are stands for itself. */
    private static String decoded(String text) {
        try {
            return URLDecoder.decode(text, StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            return text;
        }
    }

    @Override
    public String getParameter(String name) {
        String[] values = parameters.get(name);
        return values == null ? null : values[0];
    }

    @Override
    public String[] getParameterValues(String name) {
        return parameters.get(name);
    }

    @Override
    public Map<String, String[]> getParameterMap() {
        return Collections.unmodifiableMap(parameters);
    }

    @Override
    public Enumeration<String> getParameterNames() {
        return Collections.enumeration(parameters.keySet());
    }

    @Override
    public BufferedReader getReader() {
        return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
    }

    @Override
    public ServletInputStream getInputStream() {
        ByteArrayInputStream bytes = new ByteArrayInputStream(body);
        return new ServletInputStream() {
            @Override
            public int read() {
                return bytes.read();
            }

            @Override
            public int read(byte[] into, int from, int length) {
                return bytes.read(into, from, length);
            }

            @Override
            public boolean isFinished() {
                return bytes.available() == 0;
            }

            @Override
            public boolean isReady() {
                return true;
            }

            @Override
            public void setReadListener(ReadListener listener) {
                throw new IllegalStateException("The body was read already");
            }
        };
    }
}
