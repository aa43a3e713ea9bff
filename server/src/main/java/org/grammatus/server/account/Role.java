package org.grammatus.server.account;

/** What an account may do. Each also does what those after it do. */
public enum Role {
    ADMINISTRATOR,
    AUTHOR,
    READER
}
