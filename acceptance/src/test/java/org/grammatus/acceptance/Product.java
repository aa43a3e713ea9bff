package org.grammatus.acceptance;

import com.google.gson.JsonObject;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.Cookie;
import com.microsoft.playwright.options.ReducedMotion;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** The packaged product and one browser, started once for all tests of a lane. */
public final class Product implements BeforeAllCallback, AfterEachCallback {

    private static final List<String> BROWSER_FLAGS = List.of(
            "--no-sandbox",
            "--disable-gpu",
            // Pages live for seconds: code that is made well does not earn back what making it takes.
            "--js-flags=--always-sparkplug,--no-opt",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync");

    /** By account, the cookies of a session on the server of this lane. */
    private static final Map<String, List<Cookie>> SESSIONS = new HashMap<>();

    /** By account, the page that its first page in each test is: what it has loaded and made ready once is there for the next. */
    private static final Map<String, Page> KEPT = new HashMap<>();

    /** The browsers of the test that is going on: left open, their pages would go on working beside all later ones. */
    private static final List<BrowserContext> OPEN = new ArrayList<>();

    /** A page without anything of ours on it. */
    private static final String PLAIN = "/notices/server.txt";

    /** Leaves nothing of what earlier tests did to the account: no draft, and nothing in its browser. */
    private static final String FORGET = """
            async () => {
              localStorage.clear()
              sessionStorage.clear()
              const token = decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)?.[1] ?? '')
              const reports = await (await fetch('/api/reports')).json()
              for (const { id } of reports.filter((report) => report.drafted)) {
                await fetch(`/api/reports/${id}/draft`, { method: 'DELETE', headers: { 'X-XSRF-TOKEN': token } })
              }
            }
            """;

    private static final int WIDTH = 1280;
    private static final int HEIGHT = 800;

    /** How many characters of a page are told of. */
    private static final int MOST_TOLD = 1_500;

    private static Product started;

    private Process server;
    private String address;
    private Path folder;
    private Playwright playwright;
    private Browser browser;

    @Override
    public void beforeAll(ExtensionContext context) throws Exception {
        synchronized (Product.class) {
            if (started == null) {
                start();
                started = this;
                // A lane of its own, which runs one class after the other, keeps it until it ends.
                Runtime.getRuntime().addShutdownHook(new Thread(this::close));
            } else {
                address = started.address;
                folder = started.folder;
                browser = started.browser;
            }
        }
    }

    @Override
    public void afterEach(ExtensionContext test) {
        if (test.getExecutionException().isPresent()) {
            OPEN.forEach(context -> context.pages().forEach(page -> tell(test, page)));
        }
        OPEN.stream().filter(context -> !isKept(context)).forEach(BrowserContext::close);
        OPEN.clear();
        KEPT.values().forEach(this::leave);
    }

    private static boolean isKept(BrowserContext context) {
        return KEPT.values().stream().anyMatch(page -> page.context() == context);
    }

    /** Leaves what a test has opened on a page, so that it does not go on working. */
    private void leave(Page kept) {
        kept.context().pages().stream().filter(page -> page != kept).forEach(Page::close);
        kept.unrouteAll();
        kept.setViewportSize(WIDTH, HEIGHT);
        kept.navigate(address + PLAIN);
    }

    /** Says what stood on a page when its test failed. */
    private static void tell(ExtensionContext test, Page page) {
        String text = page.locator("body").innerText().strip();
        // Dialogs and messages come last.
        System.out.println(test.getDisplayName() + " left " + page.url() + "\n"
                + text.substring(Math.max(0, text.length() - MOST_TOLD)));
    }

    private void start() throws IOException {
        folder = Files.createTempDirectory("grammatus-acceptance");
        DemoServer started = DemoServer.start(data(), 0);
        server = started.process();
        address = started.address();
        // A server that has just started takes its time for the first page.
        PlaywrightAssertions.setDefaultAssertionTimeout(20_000);
        playwright = Playwright.create(new Playwright.CreateOptions().setEnv(environment()));
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of(System.getProperty("grammatus.browser", "/usr/bin/chromium")))
                        .setArgs(BROWSER_FLAGS));
    }

    /** Playwright's driver runs on the system's Node.js. */
    private static Map<String, String> environment() {
        Map<String, String> environment = new HashMap<>(System.getenv());
        environment.computeIfAbsent(
                "PLAYWRIGHT_NODEJS_PATH",
                name -> Arrays.stream(System.getenv("PATH").split(File.pathSeparator))
                        .map(folder -> Path.of(folder, "node"))
                        .filter(Files::isExecutable)
                        .findFirst()
                        .orElseThrow()
                        .toString());
        environment.put("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1");
        return environment;
    }

    Path data() {
        return folder.resolve("data");
    }

    Path database() {
        return data().resolve("demo").resolve("merrowdale.db");
    }

    String address() {
        return address;
    }

    /** A page of a browser of its own, in English, 1280 × 800. */
    Page open(String path) {
        return openAt(address + path);
    }

    Page openAt(String url) {
        Page page = newPage();
        page.navigate(url);
        return page;
    }

    private Page newPage() {
        BrowserContext context = newContext();
        OPEN.add(context);
        Page page = context.newPage();
        page.setDefaultTimeout(20_000);
        return page;
    }

    private BrowserContext newContext() {
        return browser.newContext(new Browser.NewContextOptions()
                .setViewportSize(WIDTH, HEIGHT)
                .setLocale("en-GB")
                .setReducedMotion(ReducedMotion.REDUCE)
                .setAcceptDownloads(true));
    }

    /** The page that is kept for an account, or another where this test has opened it already. */
    private Page pageOf(String name) {
        Page kept = KEPT.get(name);
        if (kept == null) {
            Page made = newPage();
            KEPT.put(name, made);
            made.onClose(closed -> KEPT.remove(name, closed));
            return made;
        }
        if (OPEN.contains(kept.context())) {
            return newPage();
        }
        OPEN.add(kept.context());
        return kept;
    }

    /** A page on which somebody is signed in: by the form the first time, by that session's cookies from then on. */
    Page signedIn(String name, String path) {
        List<Cookie> session = SESSIONS.get(name);
        if (session == null) {
            Page page = open(path);
            signIn(page, name);
            SESSIONS.put(name, page.context().cookies());
            return page;
        }
        Page page = pageOf(name);
        page.context().clearCookies();
        page.context().addCookies(session);
        if (KEPT.containsValue(page)) {
            page.navigate(address + PLAIN);
            page.evaluate(FORGET);
        }
        page.navigate(address + path);
        return page;
    }

    /** A page that is changed itself is not kept for other tests. */
    private static void spend(Page page) {
        KEPT.values().remove(page);
    }

    /** Lets every run of a page count as quick: how fast a machine is just now says nothing of the product. */
    static void quick(Page page) {
        spend(page);
        page.addInitScript("const now = performance.now(); performance.now = () => now");
        page.reload();
    }

    /** Makes every answer that a page waits for come so much later, in milliseconds: a slow line, a busy machine. */
    static void late(Page page, int millis) {
        spend(page);
        CDPSession browser = page.context().newCDPSession(page);
        browser.send("Network.enable");
        JsonObject line = new JsonObject();
        line.addProperty("offline", false);
        line.addProperty("latency", millis);
        line.addProperty("downloadThroughput", -1);
        line.addProperty("uploadThroughput", -1);
        browser.send("Network.emulateNetworkConditions", line);
    }

    static void signIn(Page page, String name) {
        page.getByLabel("Name").fill(name);
        page.getByLabel("Password").fill(name + "-demo");
        page.keyboard().press("Enter");
        page.waitForURL(url -> !url.contains("sign-in"));
    }

    private void close() {
        playwright.close();
        server.destroy();
    }
}
