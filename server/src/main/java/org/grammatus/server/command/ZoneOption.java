package org.grammatus.server.command;

import java.time.ZoneId;
import java.util.Optional;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.prompt.RunContext;
import picocli.CommandLine.Option;

/** The time zone of what is done, the same for every command. */
final class ZoneOption {

    @Option(
            names = "--zone",
            paramLabel = "ZONE",
            description = "IANA time zone of reports that name none, such as Europe/Berlin; UTC unless said.")
    private Optional<String> zone = Optional.empty();

    ZoneId zone() {
        return zone.map(name -> RunContext.zone(name)
                        .orElseThrow(() -> new CommandFailure("--zone: unknown time zone \"" + name
                                + "\", expected an IANA name such as Europe/Berlin"
                                + Suggestion.inWords(name, ZoneId.getAvailableZoneIds()))))
                .orElse(RunContext.UTC);
    }
}
