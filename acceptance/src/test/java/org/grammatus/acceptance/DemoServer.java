package org.grammatus.acceptance;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A server of the packaged product.
 *
 * @param address where it answers
 */
record DemoServer(Process process, String address) {

    static final Path JAR = Path.of(System.getProperty("grammatus.jar"));
    private static final Pattern ADDRESS = Pattern.compile("Grammatus is ready: +(http://\\S+)");

    /** Starts one and returns once it answers. */
    static DemoServer start(Path data, int port) throws IOException {
        Process process = new ProcessBuilder(
                        java(),
                        // It lives for minutes: the time that better code takes to be made does not come back.
                        "-XX:TieredStopAtLevel=1",
                        "-jar",
                        JAR.toString(),
                        "demo",
                        "--port",
                        Integer.toString(port),
                        "--data-dir",
                        data.toString())
                .redirectErrorStream(true)
                .start();
        BufferedReader output =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
        List<String> said = new ArrayList<>();
        for (String line = output.readLine(); line != null; line = output.readLine()) {
            said.add(line);
            Matcher ready = ADDRESS.matcher(line);
            if (ready.find()) {
                Thread drain = new Thread(() -> output.lines().forEach(System.out::println));
                drain.setDaemon(true);
                drain.start();
                return new DemoServer(process, ready.group(1));
            }
        }
        throw new IllegalStateException("The server did not start:\n" + String.join("\n", said));
    }

    static String java() {
        return Path.of(System.getProperty("java.home"), "bin", "java").toString();
    }
}
