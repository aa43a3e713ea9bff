package org.grammatus.server.store;

import java.sql.SQLException;

/** The reason why the records could not be written. */
public final class StoreFailure {

    private static final int FULL = 13;
    private static final int IO = 10;
    private static final int PRIMARY = 0xFF;

    private StoreFailure() {}

    /** Whether the disk had no room, or could not be written. */
    public static boolean isFull(Throwable failure) {
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLException sql) {
                int code = sql.getErrorCode() & PRIMARY;
                if (code == FULL || code == IO) {
                    return true;
                }
            }
        }
        return false;
    }
}
