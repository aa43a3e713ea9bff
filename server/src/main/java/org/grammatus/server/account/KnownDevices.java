package org.grammatus.server.account;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.grammatus.runs.OwnerOnly;
import org.grammatus.server.problem.CannotStartException;
import org.grammatus.server.store.DataFolder;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;

/**
 * Knows browsers in which somebody has signed in before, by a cookie that is signed with a key of this installation (HMAC, RFC 2104). It
 * opens nothing by itself: it tells whoever has an account from those who guess its password elsewhere.
 */
@Component
class KnownDevices {

    static final String COOKIE = "GRAMMATUS-DEVICE";

    private static final Duration REMEMBERED = Duration.ofDays(180);
    private static final String ALGORITHM = "HmacSHA256";
    private static final int KEY_BYTES = 32;
    private static final int ID_BYTES = 16;
    private static final Base64.Encoder BASE64 = Base64.getUrlEncoder().withoutPadding();

    private final SecretKeySpec key;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    KnownDevices(DataFolder folder, Clock clock) {
        this.key = new SecretKeySpec(keyIn(folder.deviceKey()), ALGORITHM);
        this.clock = clock;
    }

    private static byte[] keyIn(Path file) {
        try {
            OwnerOnly.file(file);
            byte[] key = Files.readAllBytes(file);
            if (key.length != KEY_BYTES) {
                key = new byte[KEY_BYTES];
                new SecureRandom().nextBytes(key);
                Files.write(file, key);
            }
            return key;
        } catch (IOException e) {
            throw new CannotStartException(
                    "The key of known browsers cannot be read or made: " + file.toAbsolutePath());
        }
    }

    /** What the browser of a request is called, where the account has signed in there before. */
    Optional<String> of(HttpServletRequest request, String account) {
        return Stream.ofNullable(request.getCookies())
                .flatMap(Stream::of)
                .filter(cookie -> cookie.getName().equals(COOKIE))
                .map(Cookie::getValue)
                .flatMap(value -> device(value, account).stream())
                .findFirst();
    }

    private Optional<String> device(String cookie, String account) {
        String[] parts = cookie.split("\\.", -1);
        if (parts.length != 3 || !parts[1].matches("\\d{1,12}")) {
            return Optional.empty();
        }
        boolean ours = MessageDigest.isEqual(
                signature(parts[0], parts[1], account).getBytes(StandardCharsets.US_ASCII),
                parts[2].getBytes(StandardCharsets.UTF_8));
        boolean fresh =
                Instant.ofEpochSecond(Long.parseLong(parts[1])).plus(REMEMBERED).isAfter(clock.instant());
        return ours && fresh ? Optional.of(parts[0]) : Optional.empty();
    }

    /** Notes that an account has signed in with the browser of a request. */
    void remember(HttpServletRequest request, HttpServletResponse response, String account) {
        byte[] id = new byte[ID_BYTES];
        random.nextBytes(id);
        String device = of(request, account).orElseGet(() -> BASE64.encodeToString(id));
        String since = String.valueOf(clock.instant().getEpochSecond());
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(COOKIE, device + "." + since + "." + signature(device, since, account))
                        .httpOnly(true)
                        .secure(request.isSecure())
                        .sameSite("Strict")
                        .path(SecurityConfiguration.SIGN_IN)
                        .maxAge(REMEMBERED)
                        .build()
                        .toString());
    }

    private String signature(String device, String since, String account) {
        try {
            Mac mac = Mac.getInstance(ALGORITHM);
            mac.init(key);
            String signed = device + "." + since + "." + account.strip().toLowerCase(Locale.ROOT);
            return BASE64.encodeToString(mac.doFinal(signed.getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Every Java platform has this algorithm", e);
        }
    }
}
