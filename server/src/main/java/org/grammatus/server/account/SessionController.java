package org.grammatus.server.account;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import org.grammatus.server.BusinessDate;
import org.grammatus.server.ServerSettings;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Who is signed in, and on which data. */
@RestController
@RequestMapping("/api/session")
class SessionController {

    private final Accounts accounts;
    private final ServerSettings settings;
    private final BusinessDate businessDate;

    SessionController(Accounts accounts, ServerSettings settings, BusinessDate businessDate) {
        this.accounts = accounts;
        this.settings = settings;
        this.businessDate = businessDate;
    }

    /**
     * The signed-in person.
     *
     * @param source the database that is reported on
     * @param businessDate the day that counts as today, ISO 8601
     */
    record SessionView(String name, String displayName, Role role, String source, boolean demo, String businessDate) {}

    @GetMapping
    @Operation(operationId = "session", summary = "Who is signed in, and on which data")
    SessionView session(Principal principal) {
        Account account = accounts.find(principal.getName()).orElseThrow();
        return new SessionView(
                account.name(),
                account.displayName(),
                account.role(),
                settings.database().getFileName().toString(),
                settings.demo(),
                businessDate.now().businessDate().toString());
    }
}
