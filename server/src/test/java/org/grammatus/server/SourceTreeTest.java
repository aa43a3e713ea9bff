package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The sources stay of a size that a person can take in: small files, small folders, no circles, enough tests. */
class SourceTreeTest {

    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();
    private static final int LONGEST = 450;
    private static final int LONG = 300;
    private static final int FULLEST = 30;
    private static final Pattern IMPORT = Pattern.compile("(?:from|import)\\s+['\"]([@.][^'\"]*)['\"]");
    /** A rule of {@code docs/meaning.md}, and the rules that a test names. */
    private static final Pattern RULE = Pattern.compile("(?m)^(\\d+)\\. \\*\\*");

    private static final Pattern NAMED = Pattern.compile("(?m)^ *@Meaning\\(([^)]*)\\)");
    private static final Pattern NO_CODE = Pattern.compile("\\s*(//.*|\\*.*|/\\*.*)?");

    /** Every source of ours by its path from the root, line by line. */
    private static final Map<String, List<String>> SOURCES = sources();

    private static Map<String, List<String>> sources() {
        Map<String, List<String>> sources = new TreeMap<>();
        try (Stream<Path> modules = Files.list(ROOT)) {
            for (Path module : modules.filter(Files::isDirectory).toList()) {
                if (Files.isDirectory(module.resolve("src"))) {
                    read(module.resolve("src"), sources);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return sources;
    }

    private static void read(Path folder, Map<String, List<String>> into) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                String name = ROOT.relativize(file).toString().replace('\\', '/');
                if (name.matches(".*\\.(java|ts|vue|css)") && !name.endsWith(".d.ts")) {
                    into.put(name, Files.readAllLines(file));
                }
            }
        }
    }

    private static boolean isTest(String name) {
        return name.contains("/src/test/") || name.startsWith("acceptance/");
    }

    /** Files of more lines than that; the texts of the interface may be many. */
    private static List<String> longerThan(int lines) {
        return SOURCES.entrySet().stream()
                .filter(file -> !file.getKey().contains("/words/"))
                .filter(file -> file.getValue().size() > lines)
                .map(Map.Entry::getKey)
                .toList();
    }

    @Test
    void everyRuleOfMeaningIsNamedByATest() throws IOException {
        Set<String> rules = found(RULE, Files.readString(ROOT.resolve("docs/meaning.md")));
        Set<String> named = SOURCES.entrySet().stream()
                .filter(file -> isTest(file.getKey()))
                .flatMap(file -> found(NAMED, String.join("\n", file.getValue())).stream())
                .flatMap(numbers -> Stream.of(numbers.split("[{, }]+")))
                .filter(number -> !number.isEmpty())
                .collect(Collectors.toSet());
        assertThat(rules).hasSizeGreaterThan(40);
        assertThat(named).as("rules that tests name").isEqualTo(rules);
    }

    private static Set<String> found(Pattern pattern, String text) {
        return pattern.matcher(text).results().map(one -> one.group(1)).collect(Collectors.toSet());
    }

    @Test
    void filesAreShort() {
        assertThat(SOURCES).hasSizeGreaterThan(500);
        assertThat(longerThan(LONGEST)).isEmpty();
        assertThat(longerThan(LONG).size() * 100)
                .as("three of a hundred files may be longer than %d lines: %s", LONG, longerThan(LONG))
                .isLessThanOrEqualTo(SOURCES.size() * 3);
    }

    @Test
    void foldersHoldNoMoreThanAPersonTakesIn() {
        Map<String, Long> folders = SOURCES.keySet().stream()
                .filter(name -> !isTest(name))
                .collect(
                        Collectors.groupingBy(name -> name.substring(0, name.lastIndexOf('/')), Collectors.counting()));
        assertThat(folders)
                .allSatisfy((folder, files) -> assertThat(files).as(folder).isLessThanOrEqualTo(FULLEST));
    }

    @Test
    void aQuarterOfTheCodeAndMoreIsTests() {
        long tests = 0;
        long all = 0;
        for (Map.Entry<String, List<String>> file : SOURCES.entrySet()) {
            long lines = file.getValue().stream()
                    .filter(line -> !NO_CODE.matcher(line).matches())
                    .count();
            all += lines;
            tests += isTest(file.getKey()) ? lines : 0;
        }
        assertThat(100.0 * tests / all).isBetween(25.0, 34.0);
    }

    @Test
    void theWebCodeHasNoCircle() {
        Map<String, Set<String>> imports = new HashMap<>();
        SOURCES.forEach((name, lines) -> {
            if (name.startsWith("web/src/")) {
                imports.put(name, imported(name, String.join("\n", lines)));
            }
        });
        assertThat(imports.values().stream().mapToInt(Set::size).sum()).isGreaterThan(300);
        imports.keySet()
                .forEach(from -> assertThat(reached(from, imports)).as(from).doesNotContain(from));
    }

    private static Set<String> imported(String name, String text) {
        return IMPORT.matcher(text)
                .results()
                .map((MatchResult found) -> found.group(1))
                .flatMap(path -> target(name, path).stream())
                .collect(Collectors.toSet());
    }

    private static List<String> target(String from, String path) {
        Path base = path.startsWith("@/")
                ? Path.of("web/src", path.substring(2))
                : Path.of(from).getParent().resolve(path);
        String name = base.normalize().toString().replace('\\', '/');
        return Stream.of("", ".ts", ".vue", "/index.ts")
                .map(name::concat)
                .filter(SOURCES::containsKey)
                .limit(1)
                .toList();
    }

    /** All that a file imports, and what that imports. */
    private static Set<String> reached(String from, Map<String, Set<String>> imports) {
        Set<String> reached = new HashSet<>();
        Deque<String> open = new ArrayDeque<>(new ArrayList<>(imports.get(from)));
        while (!open.isEmpty()) {
            String next = open.pop();
            if (reached.add(next)) {
                open.addAll(imports.getOrDefault(next, Set.of()));
            }
        }
        return reached;
    }
}
