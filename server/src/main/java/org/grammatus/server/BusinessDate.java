package org.grammatus.server;

import org.grammatus.core.prompt.RunContext;

/** Tells the day that counts as today, and the zone. */
public interface BusinessDate {

    RunContext now();
}
