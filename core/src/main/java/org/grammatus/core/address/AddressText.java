package org.grammatus.core.address;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Keys inside addresses: what would end a key there, or a list of addresses, is percent-encoded (RFC 3986). */
final class AddressText {

    private static final Pattern ENDING = Pattern.compile("[%/#,]");
    private static final Pattern ESCAPED = Pattern.compile("%([0-7][0-9A-Fa-f])?");

    private AddressText() {}

    static String escape(String key) {
        return ENDING.matcher(key)
                .replaceAll(found -> "%%%02X".formatted((int) found.group().charAt(0)));
    }

    /** @throws IllegalArgumentException where a percent sign has no two digits behind it */
    static String unescape(String text) {
        return ESCAPED.matcher(text).replaceAll(found -> {
            if (found.group(1) == null) {
                throw new IllegalArgumentException("\"%\" in \"" + text + "\" needs two hexadecimal digits behind it");
            }
            return Matcher.quoteReplacement(String.valueOf((char) Integer.parseInt(found.group(1), 16)));
        });
    }
}
