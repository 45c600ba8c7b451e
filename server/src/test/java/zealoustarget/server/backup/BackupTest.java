package zealoustarget.server.backup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicBoolean;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

class BackupTest {
  @TempDir Path folder;

  private static void fill(Api api, int files) {
    api.loadAndPost("roster.csv", "rep,name,from\nK1,Ines,2026-01\n", "kind", "roster");
    for (int file = 0; file < files; file++) {
      load(api, file);
    }
  }

  private static void load(Api api, int file) {
    StringBuilder lines = new StringBuilder("month,order,rep,revenue\n");
    for (int line = 0; line < 2_000; line++) {
      lines.append("2026-10,").append(file).append('-').append(line).append(",K1,1.00\n");
    }
    api.loadAndPost("f" + file + ".csv", lines.toString(), "kind", "actuals");
  }

  private static Map<String, TableSums.Sum> sums(RunningServer server) throws Exception {
    try (Connection connection = server.bean(DataSource.class).getConnection()) {
      return TableSums.of(connection);
    }
  }

  private static Path download(RunningServer server, String name, Path to) throws Exception {
    HttpClient.newHttpClient()
        .send(server.api().request("/api/v1/backups/" + name).build(), BodyHandlers.ofFile(to));
    return to;
  }

  private static String total(Api api) {
    return api.get("/api/v1/standing?from=2026-10").json().at("/total/actual").asString();
  }

  @Test
  void backup_restoredIntoAnEmptyFolder_isTheSameTableByTable() throws Exception {
    Map<String, TableSums.Sum> before;
    Path file;
    try (RunningServer server = RunningServer.start(folder.resolve("data"))) {
      fill(server.api(), 2);
      before = sums(server);
      JsonNode made = server.api().post("/api/v1/backups").json();
      file = download(server, made.get("name").asString(), folder.resolve("b.zip"));
      assertThat(server.api().get("/api/v1/backups").json().at("/0/bytes").asLong())
          .isEqualTo(Files.size(file));
      assertThat(server.as("approver", null).post("/api/v1/backups").code())
          .isEqualTo("not-allowed");
      Api api = server.api();
      assertThat(api.get("/api/v1/backups/zealous.mv.db").code()).isEqualTo("backup-unknown");
      for (String outside :
          List.of("..%2Fzealous.mv.db", "..%5Czealous.mv.db", "%2Fetc%2Fpasswd")) {
        assertThat(api.get("/api/v1/backups/" + outside).code()).isEqualTo("backup-unknown");
      }
    }
    BackupFile.Content content = BackupFile.restore(file, folder.resolve("other"));
    assertThat(content.tables()).isEqualTo(before);
    try (RunningServer again = RunningServer.start(folder.resolve("other"))) {
      assertThat(sums(again)).isEqualTo(before);
      assertThat(total(again.api())).isEqualTo("4000.00");
    }
    Path same = folder.resolve("other");
    assertThatThrownBy(() -> BackupFile.restore(file, same)).hasMessageContaining("already");
  }

  @Test
  void backup_whileFilesAreLoaded_isOfOneState() throws Exception {
    try (RunningServer server = RunningServer.start(folder.resolve("data"))) {
      fill(server.api(), 1);
      AtomicBoolean isOver = new AtomicBoolean();
      Thread loader =
          new Thread(
              () -> {
                for (int file = 1; !isOver.get(); file++) {
                  load(server.api(), file);
                }
              });
      loader.start();
      for (int time = 0; time < 3; time++) {
        Thread.sleep(1_100); // names are of the second
        JsonNode made = server.api().post("/api/v1/backups").json();
        Path file = download(server, made.get("name").asString(), folder.resolve(time + ".zip"));
        BackupFile.restore(file, folder.resolve("r" + time));
      }
      isOver.set(true);
      loader.join();
    }
    for (int time = 0; time < 3; time++) {
      try (RunningServer again = RunningServer.start(folder.resolve("r" + time))) {
        long posted =
            again
                .api()
                .get("/api/v1/loads")
                .json()
                .valueStream()
                .filter(load -> load.get("kind").asString().equals("actuals"))
                .filter(load -> load.get("state").asString().equals("posted"))
                .count();
        assertThat(total(again.api())).isEqualTo(posted * 2_000 + ".00");
      }
    }
  }

  @Test
  void fileThatIsDamaged_orNone_isRefused_andLeavesNothing() throws Exception {
    Path file;
    try (RunningServer server = RunningServer.start(folder.resolve("data"))) {
      fill(server.api(), 1);
      JsonNode made = server.api().post("/api/v1/backups").json();
      file = download(server, made.get("name").asString(), folder.resolve("b.zip"));
    }
    byte[] bytes = Files.readAllBytes(file);
    Path cut = Files.write(folder.resolve("cut.zip"), java.util.Arrays.copyOf(bytes, 900));
    bytes[bytes.length / 2] ^= 0x55;
    Path damaged = Files.write(folder.resolve("damaged.zip"), bytes);
    for (Path bad : new Path[] {cut, damaged, Files.writeString(folder.resolve("x"), "x")}) {
      Path target = folder.resolve("into-" + bad.getFileName());
      assertThatThrownBy(() -> BackupFile.restore(bad, target)).isInstanceOf(IOException.class);
      assertThat(target.resolve("zealous.mv.db")).doesNotExist();
    }
  }

  @Test
  void backups_areMadeByThemselves_andTheOldestGo() throws Exception {
    Path kept = folder.resolve("kept");
    try (RunningServer server =
        RunningServer.start(
            folder.resolve("data"),
            "zealous.backup.folder=" + kept,
            "zealous.backup.every=1h",
            "zealous.backup.keep=2")) {
      for (int wait = 0;
          wait < 100 && server.api().get("/api/v1/backups").json().isEmpty();
          wait++) {
        Thread.sleep(100);
      }
      assertThat(server.api().get("/api/v1/backups").json().at("/0/name").asString())
          .endsWith("-auto.zip");
      assertThat(server.api().get("/api/v1/audit?kind=backup").json().at("/0/by").asString())
          .isEqualTo("application");
    }
  }
}
