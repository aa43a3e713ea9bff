package org.grammatus.server.web;

import java.net.Inet6Address;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.HexFormat;

/** The address or network that a sender counts as: an IPv4 address, or the /64 network of an IPv6 one, in which one sender can have any address. */
public final class NetworkOf {

    /** The part of an IPv6 address that names a network (RFC 4291): 64 bits. */
    private static final int NETWORK_BYTES = 8;

    private NetworkOf() {}

    /** The address as it is, or {@code 20010db800000000/64} for an IPv6 one. */
    public static String address(String remote) {
        if (remote == null || remote.indexOf(':') < 0) {
            return String.valueOf(remote);
        }
        try {
            InetAddress address = InetAddress.getByName(remote);
            return address instanceof Inet6Address six
                    ? HexFormat.of().formatHex(Arrays.copyOf(six.getAddress(), NETWORK_BYTES)) + "/64"
                    : address.getHostAddress();
        } catch (UnknownHostException e) {
            return remote;
        }
    }
}
