package org.grammatus.server;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.grammatus.server.account.FirstAccount;
import org.grammatus.server.problem.CannotStartException;
import org.grammatus.server.store.DataFolder;
import org.springframework.boot.Banner;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;

/** A running server. */
public final class Server implements AutoCloseable {

    private final ServerSettings settings;
    private final ConfigurableApplicationContext context;

    private Server(ServerSettings settings, ConfigurableApplicationContext context) {
        this.settings = settings;
        this.context = context;
    }

    /**
     * Starts a server and returns once it answers.
     *
     * @throws CannotStartException if the port or the data folder is in use, or the folder cannot be written to
     */
    public static Server start(ServerSettings settings) {
        DataFolder folder = DataFolder.open(settings.dataDir(), settings.demo());
        SpringApplication application = new SpringApplication(ServerConfiguration.class);
        application.setBannerMode(Banner.Mode.OFF);
        application.setLogStartupInfo(false);
        application.setDefaultProperties(properties(settings));
        application.addInitializers(context -> {
            GenericApplicationContext beans = (GenericApplicationContext) context;
            beans.registerBean(ServerSettings.class, () -> settings);
            beans.registerBean(DataFolder.class, () -> folder);
        });
        try {
            return new Server(settings, application.run());
        } catch (RuntimeException e) {
            folder.close();
            throw StartFailure.inWords(e, settings, folder);
        }
    }

    private static Map<String, Object> properties(ServerSettings settings) {
        Network network = settings.network();
        Map<String, Object> properties = new HashMap<>();
        properties.put("server.address", network.address());
        properties.put("server.port", Integer.toString(settings.port()));
        if (!network.trustedProxies().isEmpty()) {
            properties.put("server.forward-headers-strategy", "native");
            properties.put(
                    "server.tomcat.remoteip.internal-proxies",
                    network.trustedProxies().stream().map(Pattern::quote).collect(Collectors.joining("|")));
        }
        return properties;
    }

    /** The address at which the first account is made; none where there is one. */
    public Optional<String> setUpAddress() {
        return context.getBean(FirstAccount.class).secret().map(secret -> address() + "/set-up#" + secret);
    }

    /** A part of the server, for tests that do what nobody can over HTTP. */
    <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    public ServerSettings settings() {
        return settings;
    }

    /** Where the server answers: {@code http://127.0.0.1:8080}. */
    public String address() {
        String address = settings.network().address();
        boolean everywhere = address.equals("0.0.0.0") || address.equals("::");
        String host = everywhere
                ? settings.network().hosts().stream().findFirst().orElse("localhost")
                : address.contains(":") ? "[" + address + "]" : address;
        return "http://" + host + ":" + context.getEnvironment().getProperty("local.server.port");
    }

    @Override
    public void close() {
        context.close();
    }
}
