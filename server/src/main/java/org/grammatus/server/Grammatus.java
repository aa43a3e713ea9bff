package org.grammatus.server;

import org.grammatus.server.command.GrammatusCommand;

/** Where the program starts. */
public final class Grammatus {

    private Grammatus() {}

    public static void main(String[] args) {
        int status = GrammatusCommand.execute(args);
        if (status != GrammatusCommand.SERVING) {
            System.exit(status);
        }
    }
}
