package org.grammatus.sources;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.Key;
import java.security.KeyStore;
import java.security.cert.Certificate;
import java.util.Base64;

/**
 * A certificate that a server signs for itself, as PEM (RFC 7468).
 *
 * @param certificate also the authority that it leads to
 */
record TestCertificate(String certificate, String key) {

    private static final String PASSWORD = "changeit";

    /** Makes one for a host with the JDK's own tool. */
    static TestCertificate of(String host, Path folder) throws Exception {
        Path store = folder.resolve(host + ".p12");
        Process tool = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "keytool")
                                .toString(),
                        "-genkeypair",
                        "-alias",
                        "server",
                        "-keyalg",
                        "RSA",
                        "-dname",
                        "CN=" + host,
                        "-ext",
                        "san=dns:" + host,
                        "-storetype",
                        "PKCS12",
                        "-keystore",
                        store.toString(),
                        "-storepass",
                        PASSWORD)
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("keytool.log").toFile())
                .start();
        if (tool.waitFor() != 0) {
            throw new IllegalStateException(Files.readString(folder.resolve("keytool.log")));
        }
        return read(store);
    }

    private static TestCertificate read(Path store) throws IOException, GeneralSecurityException {
        KeyStore keys = KeyStore.getInstance(store.toFile(), PASSWORD.toCharArray());
        Certificate certificate = keys.getCertificate("server");
        Key key = keys.getKey("server", PASSWORD.toCharArray());
        return new TestCertificate(pem("CERTIFICATE", certificate.getEncoded()), pem("PRIVATE KEY", key.getEncoded()));
    }

    private static String pem(String what, byte[] content) {
        return "-----BEGIN " + what + "-----\n"
                + Base64.getMimeEncoder(64, new byte[] {'\n'}).encodeToString(content)
                + "\n-----END " + what + "-----\n";
    }

    /** Writes the certificate and the key that only its owner may read. */
    void write(Path certificateFile, Path keyFile) throws IOException {
        Files.writeString(certificateFile, certificate);
        Files.deleteIfExists(keyFile);
        Files.createFile(keyFile, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        Files.writeString(keyFile, key);
    }
}
