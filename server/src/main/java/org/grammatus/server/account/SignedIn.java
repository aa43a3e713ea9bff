package org.grammatus.server.account;

import java.util.Collection;
import java.util.List;
import org.springframework.security.core.CredentialsContainer;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.userdetails.UserDetails;

/** Whoever signed in, with the number that says which of the account's sessions are still good. */
final class SignedIn implements UserDetails, CredentialsContainer {

    private static final long serialVersionUID = 1L;

    private final String name;
    private final Role role;
    private final long epoch;
    private String passwordHash;

    SignedIn(String name, String passwordHash, Role role, long epoch) {
        this.name = name;
        this.passwordHash = passwordHash;
        this.role = role;
        this.epoch = epoch;
    }

    long epoch() {
        return epoch;
    }

    @Override
    public Collection<? extends GrantedAuthority> getAuthorities() {
        return List.of(new SimpleGrantedAuthority("ROLE_" + role.name()));
    }

    @Override
    public String getPassword() {
        return passwordHash;
    }

    @Override
    public String getUsername() {
        return name;
    }

    @Override
    public void eraseCredentials() {
        passwordHash = null;
    }
}
