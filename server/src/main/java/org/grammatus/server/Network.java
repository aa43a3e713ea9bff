package org.grammatus.server;

import java.util.List;

/**
 * Where a server listens and what it is called.
 *
 * @param address of the network interface it listens on
 * @param hosts names, besides those of the machine itself, by which browsers may ask for it
 * @param trustedProxies addresses of proxies whose word on the client's address and protocol is taken
 */
public record Network(String address, List<String> hosts, List<String> trustedProxies) {

    public static final String LOOPBACK = "127.0.0.1";

    /** On this machine alone. */
    public static final Network LOCAL = new Network(LOOPBACK, List.of(), List.of());

    public Network {
        hosts = List.copyOf(hosts);
        trustedProxies = List.copyOf(trustedProxies);
    }
}
