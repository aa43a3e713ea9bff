package org.grammatus.server;

import java.util.Map;
import org.grammatus.server.problem.CannotStartException;
import org.grammatus.server.store.DataFolder;
import org.springframework.boot.Banner;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.PortInUseException;
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
        DataFolder folder = DataFolder.open(settings.dataDir());
        SpringApplication application = new SpringApplication(ServerConfiguration.class);
        application.setBannerMode(Banner.Mode.OFF);
        application.setLogStartupInfo(false);
        application.setDefaultProperties(
                Map.of("server.address", "127.0.0.1", "server.port", Integer.toString(settings.port())));
        application.addInitializers(context -> {
            GenericApplicationContext beans = (GenericApplicationContext) context;
            beans.registerBean(ServerSettings.class, () -> settings);
            beans.registerBean(DataFolder.class, () -> folder);
        });
        try {
            return new Server(settings, application.run());
        } catch (RuntimeException e) {
            folder.close();
            for (Throwable cause = e; cause != null; cause = cause.getCause()) {
                if (cause instanceof PortInUseException) {
                    throw new CannotStartException(
                            "Port " + settings.port() + " is in use; choose another with --port");
                }
            }
            throw e;
        }
    }

    public ServerSettings settings() {
        return settings;
    }

    /** Where the server answers: {@code http://127.0.0.1:8080}. */
    public String address() {
        return "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
    }

    @Override
    public void close() {
        context.close();
    }
}
