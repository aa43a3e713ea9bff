package org.grammatus.server.source;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.Base64;
import java.util.Optional;
import javax.crypto.AEADBadTagException;
import javax.crypto.Cipher;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.grammatus.runs.OwnerOnly;
import org.grammatus.server.problem.CannotStartException;

/**
 * Keeps passwords unreadable at rest: AES in Galois/Counter Mode (NIST SP 800-38D) under a key of 256 bits that is kept in a file of
 * its own, outside the records. What is sealed for one name does not open for another.
 */
final class Sealing {

    private static final String CIPHER = "AES/GCM/NoPadding";
    private static final int KEY_BYTES = 32;
    private static final int NONCE_BYTES = 12;
    private static final int TAG_BITS = 128;

    private final SecretKeySpec key;
    private final SecureRandom random = new SecureRandom();

    private Sealing(byte[] key) {
        this.key = new SecretKeySpec(key, "AES");
    }

    /**
     * Takes the key of a file; makes one where there is none, for its owner alone to read.
     *
     * @throws CannotStartException if the file cannot be read or made, or holds no key
     */
    static Sealing withKeyIn(Path file) {
        try {
            if (!Files.exists(file)) {
                make(file);
            }
            byte[] key = Base64.getDecoder().decode(Files.readString(file).strip());
            if (key.length == KEY_BYTES) {
                return new Sealing(key);
            }
        } catch (IllegalArgumentException e) {
            // Told below, with nothing of the file in it.
        } catch (IOException e) {
            throw new CannotStartException("The key file " + file.toAbsolutePath() + " cannot be read or made: "
                    + e.getClass().getSimpleName() + "; choose another with --key-file");
        }
        throw new CannotStartException("The key file " + file.toAbsolutePath()
                + " holds no key; bring the right one back, or move it away and enter the sources' passwords again");
    }

    private static void make(Path file) throws IOException {
        byte[] key = new byte[KEY_BYTES];
        new SecureRandom().nextBytes(key);
        Path parent = file.toAbsolutePath().getParent();
        Path made = Files.createTempFile(parent, "key", null);
        try {
            OwnerOnly.file(made);
            Files.writeString(made, Base64.getEncoder().encodeToString(key) + "\n", StandardCharsets.US_ASCII);
            Files.move(made, file);
        } catch (FileAlreadyExistsException e) {
            // Somebody made it in between; theirs is taken.
            Files.deleteIfExists(made);
        }
    }

    String seal(String name, String secret) {
        byte[] nonce = new byte[NONCE_BYTES];
        random.nextBytes(nonce);
        byte[] closed = transform(Cipher.ENCRYPT_MODE, name, nonce, secret.getBytes(StandardCharsets.UTF_8))
                .orElseThrow();
        byte[] whole = new byte[nonce.length + closed.length];
        System.arraycopy(nonce, 0, whole, 0, nonce.length);
        System.arraycopy(closed, 0, whole, nonce.length, closed.length);
        return Base64.getEncoder().encodeToString(whole);
    }

    /** What was sealed for a name; none where it was sealed with another key or for another name, or is damaged. */
    Optional<String> open(String name, String text) {
        byte[] whole = Base64.getDecoder().decode(text);
        byte[] nonce = Arrays.copyOf(whole, NONCE_BYTES);
        byte[] closed = Arrays.copyOfRange(whole, NONCE_BYTES, whole.length);
        return transform(Cipher.DECRYPT_MODE, name, nonce, closed)
                .map(secret -> new String(secret, StandardCharsets.UTF_8));
    }

    private Optional<byte[]> transform(int mode, String name, byte[] nonce, byte[] text) {
        try {
            Cipher cipher = Cipher.getInstance(CIPHER);
            cipher.init(mode, key, new GCMParameterSpec(TAG_BITS, nonce));
            cipher.updateAAD(name.getBytes(StandardCharsets.UTF_8));
            return Optional.of(cipher.doFinal(text));
        } catch (AEADBadTagException e) {
            return Optional.empty();
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Every Java platform has this cipher", e);
        }
    }
}
