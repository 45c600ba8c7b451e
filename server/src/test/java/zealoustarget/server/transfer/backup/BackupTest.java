package zealoustarget.server.transfer.backup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.UnaryOperator;
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

  private BackupKey key() throws IOException {
    return BackupKey.ofInstallation(folder.resolve("data"));
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
    BackupFile.Content content = BackupFile.restore(file, folder.resolve("other"), key());
    before.remove("flyway_schema_history");
    assertThat(content.tables()).isEqualTo(before);
    before.keySet().removeAll(List.of("AUDIT_ENTRY", "RECORD_HEAD")); // it says that it is restored
    try (RunningServer again = RunningServer.start(folder.resolve("other"))) {
      assertThat(sums(again)).containsAllEntriesOf(before);
      assertThat(total(again.api())).isEqualTo("4000.00");
    }
    Path same = folder.resolve("other");
    assertThatThrownBy(() -> BackupFile.restore(file, same, key())).hasMessageContaining("already");
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
        JsonNode made = madeInItsSecond(server.api());
        Path file = download(server, made.get("name").asString(), folder.resolve(time + ".zip"));
        BackupFile.restore(file, folder.resolve("r" + time), key());
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
      assertThatThrownBy(() -> BackupFile.restore(bad, target, key()))
          .isInstanceOf(IOException.class);
      assertThat(target.resolve("zealous.mv.db")).doesNotExist();
    }
  }

  @Test
  void restoring_takesTwo_whereThatIsSet_andIsInTheTrail() throws Exception {
    Path file;
    try (RunningServer server = RunningServer.start(folder.resolve("data"))) {
      fill(server.api(), 1);
      server.as("approver", null);
      server.as("analyst", null);
      JsonNode made = server.api().post("/api/v1/backups").json();
      file = download(server, made.get("name").asString(), folder.resolve("b.zip"));
    }
    String confirm = "/api/v1/backups/restored";
    BackupFile.restore(file, folder.resolve("one"), key());
    try (RunningServer one = RunningServer.start(folder.resolve("one"))) {
      assertThat(one.api().get("/api/v1/standing?from=2026-10").status()).isEqualTo(200);
      assertThat(one.api().get("/api/v1/audit?text=restored").json().at("/0/by").asString())
          .isEqualTo("console");
      assertThat(one.api().post(confirm).code()).isEqualTo("nothing-restored");
    }
    BackupFile.restore(file, folder.resolve("two"), key());
    String set = "zealous.accounts.two-persons=true";
    try (RunningServer two = RunningServer.start(folder.resolve("two"), set)) {
      assertThat(two.api().get("/api/v1/standing?from=2026-10").code())
          .isEqualTo("restore-unconfirmed");
      assertThat(two.api().get("/api/v1/accounts").status()).isEqualTo(200);
      assertThat(two.api("analyst 2", Api.PASSWORD).post(confirm).code()).isEqualTo("not-allowed");
    }
    try (RunningServer two = RunningServer.start(folder.resolve("two"), set)) {
      Api approver = two.api("approver 1", Api.PASSWORD);
      assertThat(approver.get("/api/v1/company").code())
          .as("a restart confirms nothing")
          .isEqualTo("restore-unconfirmed");
      assertThat(approver.post(confirm).status()).isEqualTo(204);
      assertThat(approver.get("/api/v1/standing?from=2026-10").status()).isEqualTo(200);
      JsonNode said = two.api().get("/api/v1/audit?text=restored").json();
      assertThat(said.at("/0/by").asString()).isEqualTo("approver 1");
      assertThat(said.at("/0/subject").asString()).endsWith("confirmed");
    }
  }

  /** The same backup with one of its parts changed, and its checksums right again. */
  private static Path changed(Path file, Path to, String part, UnaryOperator<byte[]> change)
      throws IOException {
    Files.copy(file, to);
    try (FileSystem zip = FileSystems.newFileSystem(to)) {
      Path inside = zip.getPath(part);
      byte[] before = Files.exists(inside) ? Files.readAllBytes(inside) : new byte[0];
      Files.write(inside, change.apply(before));
    }
    return to;
  }

  private static byte[] replaced(byte[] text, String from, String to) {
    String before = new String(text, StandardCharsets.ISO_8859_1);
    assertThat(before).contains(from);
    return before.replace(from, to).getBytes(StandardCharsets.ISO_8859_1);
  }

  @Test
  void backupThatWasChanged_orSealedElsewhere_isRefused() throws Exception {
    Path file;
    try (RunningServer server = RunningServer.start(folder.resolve("data"))) {
      fill(server.api(), 1);
      JsonNode made = server.api().post("/api/v1/backups").json();
      file = download(server, made.get("name").asString(), folder.resolve("b.zip"));
    }
    Path rows =
        changed(
            file, folder.resolve("1.zip"), "tables/STAY_ROW", all -> replaced(all, "Ines", "Inez"));
    Path sums =
        changed(
            file,
            folder.resolve("2.zip"),
            "content.json",
            all -> replaced(all, "\"rows\" : 1,", "\"rows\" : 2,"));
    Path seal =
        changed(
            file,
            folder.resolve("3.zip"),
            "seal.json",
            all -> replaced(all, "\"mac\":\"", "\"mac\":\"0"));
    Path database = changed(file, folder.resolve("4.zip"), "zealous.mv.db", all -> new byte[9]);
    Path into = folder.resolve("into");
    assertThatThrownBy(() -> BackupFile.restore(rows, into, key()))
        .hasMessageContaining("STAY_ROW differ");
    for (Path bad : new Path[] {sums, seal}) {
      assertThatThrownBy(() -> BackupFile.restore(bad, into, key()))
          .hasMessageContaining("sealed with another key");
    }
    assertThatThrownBy(() -> BackupFile.restore(database, into, key()))
        .hasMessageContaining("earlier version");
    BackupKey other = BackupKey.ofInstallation(Files.createDirectory(folder.resolve("elsewhere")));
    for (BackupKey wrong : new BackupKey[] {other, BackupKey.of("a passphrase")}) {
      assertThatThrownBy(() -> BackupFile.restore(file, into, wrong))
          .hasMessageContaining("ZEALOUS_BACKUP_PASSPHRASE");
    }
    assertThat(into.resolve("zealous.mv.db")).doesNotExist();
    assertThat(BackupFile.restore(file, into, null).tables())
        .as("where that is asked for")
        .isNotEmpty();
  }

  @Test
  void backupByAPassphrase_isRestoredOnAnotherMachine_andNobodyElseReadsIt() throws Exception {
    Path file;
    try (RunningServer server =
        RunningServer.start(folder.resolve("data"), "zealous.backup.passphrase=correct horse")) {
      fill(server.api(), 1);
      String name = server.api().post("/api/v1/backups").text("name");
      file = folder.resolve("data/backups").resolve(name);
      assertThat(Files.getPosixFilePermissions(file)).hasSize(2);
      assertThat(Files.getPosixFilePermissions(folder.resolve("data/zealous.mv.db"))).hasSize(2);
      assertThat(Files.getPosixFilePermissions(folder.resolve("data"))).hasSize(3);
    }
    BackupFile.restore(file, folder.resolve("other"), BackupKey.of("correct horse"));
    try (RunningServer again = RunningServer.start(folder.resolve("other"))) {
      assertThat(total(again.api())).isEqualTo("2000.00");
      assertThat(again.api().get("/api/v1/record").json().get("isWhole").asBoolean()).isTrue();
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
      await().until(() -> !server.api().get("/api/v1/backups").json().isEmpty());
      assertThat(server.api().get("/api/v1/backups").json().at("/0/name").asString())
          .endsWith("-auto.zip");
      assertThat(server.api().get("/api/v1/audit?kind=backup").json().at("/0/by").asString())
          .isEqualTo("application");
    }
  }

  /** Names are of the second, so that one made in the same is refused. */
  private static JsonNode madeInItsSecond(Api api) {
    return await().until(() -> api.post("/api/v1/backups"), made -> made.status() < 300).json();
  }
}
