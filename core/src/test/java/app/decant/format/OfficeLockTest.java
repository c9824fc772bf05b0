package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.DecantException;
import java.nio.charset.StandardCharsets;
import org.apache.poi.poifs.crypt.Decryptor;
import org.junit.jupiter.api.Test;

/** A file whose structure alone is protected is locked by a word that every reader knows (common practice, no source). */
class OfficeLockTest {
    private static final byte[] FILE = "PK and more".getBytes(StandardCharsets.UTF_8);

    @Test void theLockThatEverybodyHasTheKeyToOpensUnasked() {
        byte[] locked = OfficeLock.locked(FILE, Decryptor.DEFAULT_PASSWORD);
        assertThat(OfficeLock.unlocked(locked, "fares.xlsx", null)).isEqualTo(FILE);
        assertThat(OfficeLock.unlocked(locked, "fares.xlsx", "something else")).isEqualTo(FILE);
    }

    @Test void othersAskForTheirs() {
        byte[] locked = OfficeLock.locked(FILE, "half tide");
        assertThat(OfficeLock.unlocked(locked, "fares.xlsx", "half tide")).isEqualTo(FILE);
        assertThatThrownBy(() -> OfficeLock.unlocked(locked, "fares.xlsx", null)).isInstanceOf(DecantException.class).hasMessageContaining("fares.xlsx");
        assertThatThrownBy(() -> OfficeLock.unlocked(locked, "fares.xlsx", "high tide")).isInstanceOf(DecantException.class);
    }
}
