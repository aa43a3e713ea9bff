package org.grammatus.server.library;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.server.account.AccessPolicy;
import org.grammatus.server.account.Account;
import org.grammatus.server.account.Accounts;
import org.grammatus.server.problem.NotFoundException;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Answers to a report's prompts under a name. */
@RestController
@RequestMapping("/api/reports/{report}/kept-answers")
class KeptAnswersController {

    private static final int LONGEST_NAME = 100;
    private static final int MOST = 200;
    private static final int MOST_CHARACTERS = 100_000;

    private final KeptAnswers kept;
    private final Reports reports;
    private final Accounts accounts;

    KeptAnswersController(KeptAnswers kept, Reports reports, Accounts accounts) {
        this.kept = kept;
        this.reports = reports;
        this.accounts = accounts;
    }

    /**
     * Answers to be kept.
     *
     * @param forAll whether everybody who runs the report is to be offered them; only authors may say so
     */
    record KeepBody(String name, boolean forAll, Map<String, String> answers) {}

    @GetMapping
    @Operation(
            operationId = "keptAnswers",
            summary = "The answers that this person kept, and those kept for all, by name")
    List<KeptAnswers.Kept> all(@PathVariable("report") String report, Principal principal) {
        Account account = reading(report, principal);
        return kept.of(report, account);
    }

    @PostMapping
    @Operation(operationId = "keepAnswers", summary = "Keeps answers under a name; those of the same name give way")
    List<KeptAnswers.Kept> keep(
            @PathVariable("report") String report, @RequestBody KeepBody body, Principal principal) {
        Account account = reading(report, principal);
        String name = body.name == null ? "" : body.name.trim();
        if (name.isEmpty() || name.length() > LONGEST_NAME) {
            throw wrong("/name", "found " + name.length() + " characters, expected 1 to " + LONGEST_NAME);
        }
        if (body.forAll && !AccessPolicy.mayKeepForAll(account)) {
            throw wrong("/forAll", "only authors keep answers for all; keep them for yourself");
        }
        int characters = body.answers.values().stream().mapToInt(String::length).sum();
        // What others keep for all takes nobody's room, and what gives way makes some.
        long others = kept.of(report, account).stream()
                .filter(KeptAnswers.Kept::mine)
                .filter(one -> !one.name().equals(name))
                .count();
        if (characters > MOST_CHARACTERS || others >= MOST) {
            throw wrong("/answers", "there is no room for so many; delete some that are kept");
        }
        kept.keep(report, name, body.forAll, body.answers, account);
        return kept.of(report, account);
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "discardAnswers", summary = "Discards answers that this person kept")
    void discard(@PathVariable("report") String report, @PathVariable("id") long id, Principal principal) {
        if (!kept.discard(report, id, reading(report, principal))) {
            throw new NotFoundException("You keep no such answers");
        }
    }

    /** Whoever may run the report. */
    private Account reading(String report, Principal principal) {
        Account account = accounts.find(principal.getName()).orElseThrow();
        reports.definition(report, account);
        return account;
    }

    private static ProblemException wrong(String pointer, String message) {
        return new ProblemException(Problem.error(pointer, message));
    }
}
