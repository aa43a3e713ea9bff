package org.grammatus.server.account;

/** What an account may do: an author also does what a reader does. */
public enum Role {
    AUTHOR,
    READER
}
