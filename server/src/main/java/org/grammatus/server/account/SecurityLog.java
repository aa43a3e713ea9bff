package org.grammatus.server.account;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import org.grammatus.server.store.DataFolder;
import org.springframework.stereotype.Component;

/**
 * Who signed in or failed to, when and from where, and whose password was changed: one line each in {@code security.log} of the data
 * folder. It never holds a password. At its largest the file is put aside once, under another name. Thread-safe.
 */
@Component
public class SecurityLog {

    private static final System.Logger LOG = System.getLogger(SecurityLog.class.getName());
    private static final long LARGEST = 10_000_000;
    private static final int LONGEST_NAME = 100;

    private final Path file;
    private final Clock clock;

    /** What happened. */
    public enum Event {
        SIGNED_IN,
        SIGN_IN_FAILED,
        SIGN_IN_DELAYED,
        PASSWORD_CHANGED,
        SET_UP
    }

    SecurityLog(DataFolder folder, Clock clock) {
        this.file = folder.securityLog();
        this.clock = clock;
    }

    /** @param account as it was written, whether there is such an account or not */
    public synchronized void note(Event event, String account, String address) {
        String name = account.replaceAll("[\\p{Cntrl}\\s]+", "_");
        String line = clock.instant().truncatedTo(ChronoUnit.SECONDS) + " " + event + " account="
                + name.substring(0, Math.min(LONGEST_NAME, name.length())) + " address=" + address + "\n";
        try {
            if (Files.exists(file) && Files.size(file) > LARGEST) {
                Files.move(file, file.resolveSibling(file.getFileName() + ".1"), StandardCopyOption.REPLACE_EXISTING);
            }
            Files.writeString(file, line, StandardOpenOption.CREATE, StandardOpenOption.APPEND);
        } catch (IOException e) {
            LOG.log(System.Logger.Level.WARNING, "The security log could not be written: " + line.strip(), e);
        }
    }
}
