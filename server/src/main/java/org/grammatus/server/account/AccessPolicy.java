package org.grammatus.server.account;

import static org.grammatus.server.store.generated.Tables.REPORT;

import org.jooq.Condition;
import org.springframework.http.HttpMethod;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AuthorizeHttpRequestsConfigurer;

/** Who may do what: the one place that knows what roles and ownership allow. Which rows somebody sees is in {@link RowAccess}. */
public final class AccessPolicy {

    private AccessPolicy() {}

    /** Which reports an account may see and run: starters, those offered to all, and its own. */
    public static Condition mayRun(Account account) {
        return REPORT.DELETED_AT
                .isNull()
                .and(REPORT.STARTER.isTrue().or(REPORT.OFFERED.isTrue()).or(REPORT.OWNER_ID.eq(account.id())));
    }

    /** Whether an account may make reports and change those of others. */
    public static boolean mayEdit(Account account) {
        return account.role() != Role.READER;
    }

    /**
     * Whether an account may change a report.
     *
     * @param starter whether the report comes with the product: copies of it are changed, never itself
     */
    public static boolean mayEdit(Account account, boolean starter) {
        return mayEdit(account) && !starter;
    }

    /**
     * Whether an account may rename, file and offer a report.
     *
     * @param owner whether the report is its own
     */
    public static boolean mayManage(Account account, boolean owner) {
        return owner || account.role() == Role.ADMINISTRATOR;
    }

    /** Whether an account may keep answers for everybody. */
    public static boolean mayKeepForAll(Account account) {
        return mayEdit(account);
    }

    /** Whether an account is told what concerns the making of a report: statements, counts read, advice. */
    public static boolean seesHowItIsMade(Account account) {
        return mayEdit(account);
    }

    /** Which addresses are open to whom. */
    static void addresses(
            AuthorizeHttpRequestsConfigurer<HttpSecurity>.AuthorizationManagerRequestMatcherRegistry requests,
            String signIn) {
        String administrator = Role.ADMINISTRATOR.name();
        String author = Role.AUTHOR.name();
        requests.requestMatchers(HttpMethod.POST, signIn, "/api/set-up")
                .permitAll()
                .requestMatchers("/api/records/**")
                .hasRole(administrator)
                .requestMatchers(HttpMethod.GET, "/api/sources")
                .hasRole(author)
                .requestMatchers("/api/sources/**")
                .hasRole(administrator)
                .requestMatchers(HttpMethod.PUT, "/api/calendar", "/api/calendar/holidays")
                .hasRole(administrator)
                .requestMatchers(
                        "/api/composing/**",
                        "/api/calendar/**",
                        "/api/datasets/**",
                        "/api/previews/**",
                        "/api/edits",
                        "/api/reports/*/definition",
                        "/api/styles/**",
                        "/api/faces",
                        "/api/faces/*",
                        "/api/reports/*/editing",
                        "/api/reports/*/draft",
                        "/api/reports/*/copy")
                .hasRole(author)
                .requestMatchers("/api/reports/*/kept-answers", "/api/reports/*/kept-answers/*")
                .authenticated()
                .requestMatchers(HttpMethod.POST, "/api/reports/*/answers", "/api/reports/*/choices")
                .authenticated()
                .requestMatchers(HttpMethod.GET, "/api/reports/**")
                .authenticated()
                .requestMatchers("/api/reports/**")
                .hasRole(author)
                .requestMatchers("/api/**")
                .authenticated()
                .requestMatchers("/error")
                .permitAll()
                .requestMatchers(HttpMethod.GET)
                .permitAll()
                .anyRequest()
                .denyAll();
    }
}
