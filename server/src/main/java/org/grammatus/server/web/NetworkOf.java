package org.grammatus.server.web;

import java.net.Inet6Address;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.HexFormat;

/** By what senders are told apart: an IPv4 address, or the network of an IPv6 one, of which one sender has as many addresses as wanted. */
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
