package zealoustarget.server.platform.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SpaceTest {
  @Test
  void fileThatCannotBeKept_isRefusedBeforeItIsTakenIn(@TempDir Path folder) {
    Space space = new Space(folder.toString());
    assertThatCode(() -> space.checkFor(1)).doesNotThrowAnyException();
    assertThatThrownBy(() -> space.checkFor(1L << 60))
        .hasMessageContaining("MB left")
        .hasMessageContaining("Nothing was stored");
  }

  @Test
  void fullDisk_isToldFromOtherFailures() {
    Throwable full = new UncheckedIOException(new IOException("No space left on device"));
    assertThat(Space.isFull(new IllegalStateException(full))).isTrue();
    assertThat(Space.isFull(new IOException("Read-only file system"))).isTrue();
    assertThat(Space.isFull(new IOException("Connection reset"))).isFalse();
    assertThat(Space.isFull(new IllegalStateException("No space left on device"))).isFalse();
  }
}
