package org.grammatus.server.command;

import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.ArrayList;
import java.util.List;
import org.grammatus.server.Network;
import picocli.CommandLine.Option;

/** Where a server over one's own data listens. */
final class NetworkOptions {

    @Option(
            names = "--address",
            paramLabel = "ADDRESS",
            defaultValue = Network.LOOPBACK,
            description = "Address to listen on; ${DEFAULT-VALUE} unless said, which this machine alone reaches."
                    + " 0.0.0.0 listens on all.")
    private String address;

    @Option(
            names = "--host",
            paramLabel = "NAME",
            description = "A name that browsers may ask this server by, besides localhost. May be repeated.")
    private List<String> hosts = new ArrayList<>();

    @Option(
            names = "--trusted-proxy",
            paramLabel = "ADDRESS",
            description = "Address of a proxy whose X-Forwarded-Proto and X-Forwarded-For are taken. May be repeated.")
    private List<String> proxies = new ArrayList<>();

    Network network() {
        try {
            InetAddress.getByName(address);
        } catch (UnknownHostException e) {
            throw new CommandFailure("--address: \"" + address + "\" is no address of this machine");
        }
        if (!address.equals(Network.LOOPBACK) && hosts.isEmpty()) {
            throw new CommandFailure("--address " + address
                    + " is reached by others: say with --host by which names, such as --host reports.example");
        }
        return new Network(address, hosts, proxies);
    }
}
