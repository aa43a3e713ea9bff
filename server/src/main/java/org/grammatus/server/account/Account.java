package org.grammatus.server.account;

/** A person's account, without its password. */
public record Account(long id, String name, String displayName, Role role) {}
