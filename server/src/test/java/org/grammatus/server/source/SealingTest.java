package org.grammatus.server.source;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import org.grammatus.server.problem.CannotStartException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is sealed opens with the same key and for the same name alone. */
class SealingTest {

    private static final String SECRET = "honey: ' \" Ä";

    @TempDir
    Path folder;

    @Test
    void itOpensAgainAfterARestartAndNeverLooksTheSame() {
        Path key = folder.resolve("key");
        String sealed = Sealing.withKeyIn(key).seal("hives", SECRET);
        assertThat(sealed)
                .isNotEqualTo(Sealing.withKeyIn(key).seal("hives", SECRET))
                .doesNotContain("honey");
        assertThat(Sealing.withKeyIn(key).open("hives", sealed)).contains(SECRET);
    }

    @Test
    void itOpensForNoOtherNameKeyOrText() {
        Sealing sealing = Sealing.withKeyIn(folder.resolve("key"));
        String sealed = sealing.seal("hives", SECRET);
        assertThat(sealing.open("yards", sealed)).isEmpty();
        assertThat(Sealing.withKeyIn(folder.resolve("other")).open("hives", sealed))
                .isEmpty();
        byte[] changed = Base64.getDecoder().decode(sealed);
        changed[changed.length - 1] ^= 1;
        assertThat(sealing.open("hives", Base64.getEncoder().encodeToString(changed)))
                .isEmpty();
    }

    @Test
    void aFileThatHoldsNoKeyIsSaidAndLeftAlone() throws Exception {
        for (String content : new String[] {"", "not a key", "c2hvcnQ="}) {
            Path file = Files.writeString(folder.resolve("bad"), content);
            assertThatThrownBy(() -> Sealing.withKeyIn(file))
                    .isInstanceOf(CannotStartException.class)
                    .hasMessageContaining("holds no key");
            assertThat(file).hasContent(content);
        }
    }
}
