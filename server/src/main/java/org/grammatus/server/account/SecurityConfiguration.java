package org.grammatus.server.account;

import java.time.Clock;
import org.grammatus.server.problem.ProblemAnswer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.hierarchicalroles.RoleHierarchy;
import org.springframework.security.access.hierarchicalroles.RoleHierarchyImpl;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/**
 * Sign-in by session cookie, guarded against forged requests. Everything under {@code /api} asks for an account, and what
 * changes or shows definitions for an author, what says where data comes from for an administrator; the rest is the program's own pages, which anybody may load.
 */
@Configuration
class SecurityConfiguration {

    static final String SIGN_IN = "/api/session";
    static final String SIGN_OUT = "/api/session/end";

    private static final String CONTENT_POLICY = "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self'"
            + " data:; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }

    /** Each role also does what the next one does. */
    @Bean
    static RoleHierarchy roleHierarchy() {
        return RoleHierarchyImpl.withDefaultRolePrefix()
                .role(Role.ADMINISTRATOR.name())
                .implies(Role.AUTHOR.name())
                .role(Role.AUTHOR.name())
                .implies(Role.READER.name())
                .build();
    }

    @Bean
    SecurityFilterChain filterChain(
            HttpSecurity http,
            Accounts accounts,
            SignInThrottle throttle,
            KnownDevices devices,
            SecurityLog log,
            Clock clock)
            throws Exception {
        CookieCsrfTokenRepository csrfTokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
        csrfTokens.setCookieCustomizer(cookie -> cookie.sameSite("Strict"));
        return http.csrf(csrf -> {
                    csrf.spa();
                    csrf.csrfTokenRepository(csrfTokens);
                })
                .authorizeHttpRequests(requests -> AccessPolicy.addresses(requests, SIGN_IN))
                .formLogin(form -> form.loginProcessingUrl(SIGN_IN)
                        .usernameParameter("name")
                        .passwordParameter("password")
                        .successHandler((request, response, who) -> {
                            throttle.succeeded(who.getName(), SignInFilter.origin(request, devices));
                            devices.remember(request, response, who.getName());
                            log.note(SecurityLog.Event.SIGNED_IN, who.getName(), request.getRemoteAddr());
                            response.setStatus(204);
                        })
                        .failureHandler((request, response, failure) -> {
                            throttle.failed(SignInFilter.name(request), SignInFilter.origin(request, devices));
                            log.note(
                                    SecurityLog.Event.SIGN_IN_FAILED,
                                    SignInFilter.name(request),
                                    request.getRemoteAddr());
                            ProblemAnswer.write(
                                    response, HttpStatus.UNAUTHORIZED, "The name or the password is not right");
                        }))
                .addFilterBefore(new SignInFilter(throttle, devices, log), UsernamePasswordAuthenticationFilter.class)
                .addFilterBefore(new SessionFilter(accounts, clock), AuthorizationFilter.class)
                .logout(logout -> logout.logoutUrl(SIGN_OUT)
                        .logoutSuccessHandler((request, response, who) -> response.setStatus(204)))
                .exceptionHandling(handling -> handling.authenticationEntryPoint((request, response, failure) ->
                                ProblemAnswer.write(response, HttpStatus.UNAUTHORIZED, "Sign in first"))
                        .accessDeniedHandler((request, response, failure) -> ProblemAnswer.write(
                                response,
                                HttpStatus.FORBIDDEN,
                                "Your account may not do this, or the page is out of date; reload it")))
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_POLICY))
                        .referrerPolicy(policy -> policy.policy(ReferrerPolicy.SAME_ORIGIN)))
                .requestCache(cache -> cache.disable())
                .build();
    }
}
