package zealoustarget.server.earnings;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zealoustarget.server.seals.Seal;
import zealoustarget.server.seals.Seals;
import zealoustarget.server.testing.RunningServer;
import zealoustarget.server.testing.StoppableSealer;

/** A month is sealed wholly or not at all, whenever the process ends. */
class SealHaltTest {
  @TempDir Path data;

  @ParameterizedTest
  @ValueSource(longs = {51, 52, 53})
  void killedWhileSealing_everyAnsweredSealIsWhole_andNoneIsHalf(long seed)
      throws IOException, InterruptedException {
    Process child = StoppableSealer.start(data);
    int answered = 0;
    try (BufferedReader said =
        new BufferedReader(new InputStreamReader(child.getInputStream(), StandardCharsets.UTF_8))) {
      int wanted = 1 + new Random(seed).nextInt(4);
      for (String line = said.readLine();
          line != null && answered < wanted;
          line = said.readLine()) {
        if (line.startsWith("sealed ")) {
          answered = Integer.parseInt(line.substring("sealed ".length()));
        }
      }
      TimeUnit.MILLISECONDS.sleep(new Random(seed).nextInt(120));
      child.destroyForcibly().waitFor();
    }
    try (RunningServer server = RunningServer.start(data)) {
      List<Seal> seals = server.bean(Seals.class).inForce();
      assertThat(seals).as("seed %d", seed).hasSizeGreaterThanOrEqualTo(answered);
      for (Seal seal : seals) {
        assertThat(Seals.checksum(seal.rules(), seal.statements(), seal.figures()))
            .isEqualTo(seal.checksum());
        assertThat(server.api().get("/api/v1/earnings?month=" + seal.month()).json().size())
            .isEqualTo(300);
      }
      assertThat(server.api().get("/api/v1/audit?kind=month%20sealed").json().size())
          .isEqualTo(seals.size());
      String next = seals.get(seals.size() - 1).month().plusMonths(1).toString();
      assertThat(server.api().post("/api/v1/months/" + next + "/seal").status()).isEqualTo(200);
    }
  }
}
