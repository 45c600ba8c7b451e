package zealoustarget.server.transfer.company;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;
import zealoustarget.server.transfer.backup.TableSums;

/** A company goes out as open files and comes in again with equal figures. */
class CompanyTest {
  /** Made anew by reading the same files, or the one's own. */
  private static final Set<String> OTHERWISE =
      Set.of(
          "ACCOUNT",
          "API_TOKEN",
          "PULLED",
          "AUDIT_ENTRY",
          "RECORD_HEAD",
          "ORIGINAL",
          "ORIGINAL_PART");

  @TempDir Path folder;

  private static Path export(Api api, Path to) throws Exception {
    HttpResponse<Path> answer =
        HttpClient.newHttpClient()
            .send(api.request("/api/v1/company/export").build(), BodyHandlers.ofFile(to));
    assertThat(answer.statusCode()).isEqualTo(200);
    return to;
  }

  private static Map<String, TableSums.Sum> sums(RunningServer server) throws Exception {
    try (Connection connection = server.bean(DataSource.class).getConnection()) {
      Map<String, TableSums.Sum> sums = TableSums.of(connection);
      sums.keySet().removeIf(table -> OTHERWISE.contains(table) || table.startsWith("flyway"));
      return sums;
    }
  }

  /** A small company with all that is awkward to carry. */
  private static void fill(Api api) {
    api.put(
        "/api/v1/playbook",
        """
        {"measures": [{"code": "order", "unit": "EUR", "scale": 3, "direction": "LOWER"},
                      {"code": "loss", "direction": "LOWER", "quotient": ["order", "revenue"]}],
         "plans": [{"name": "P", "measure": "revenue", "goalSet": "quota", "window": "quarter",
                    "steps": [{"from": "0", "rate": "0.03"}], "reps": ["=1+1"]}]}
        """);
    api.loadAndPost(
        "roster.csv",
        """
        rep,name,region,manager,from,until
        =1+1,"'Ines ""B"", the
        2nd",-North,@Tull,2026-01,2026-09
        =1+1,Ines,South,+Orr,2026-10,
        'K2,Bo,South,+Orr,2026-01,
        """,
        "kind",
        "roster");
    api.loadAndPost("products.csv", "product,name,line\nP1,=Rope,-rope\n", "kind", "products");
    api.loadAndPost(
        "=quota.csv",
        "month,rep,revenue\n2026-10,=1+1,100\n",
        "kind",
        "goals",
        "goalSet",
        "quota",
        "axis",
        "rep");
    api.loadAndPost(
        "range.csv",
        "month,region,revenue.low,revenue.high\n2026-10,South,-5,7.5\n",
        "kind",
        "goals",
        "goalSet",
        "-range",
        "axis",
        "region");
    api.loadAndPost(
        "oct.csv",
        "date,order,rep,product,revenue\n2026-10-01,-1,=1+1,P1,-1.05\n2026-10-02,@2,'K2,,200\n",
        "kind",
        "actuals");
    api.loadAndPost("whole.csv", "month,region,revenue\n2026-09,-North,12\n", "kind", "actuals");
    int gone = api.loadAndPost("gone.csv", "month,rep,revenue\n2026-10,'K2,9\n", "kind", "actuals");
    assertThat(api.post("/api/v1/months/2026-09/seal").status()).isEqualTo(200);
    assertThat(api.post("/api/v1/months/2026-10/seal").status()).isEqualTo(200);
    assertThat(api.post("/api/v1/loads/" + gone + "/reverse").status()).isEqualTo(200);
    int late =
        api.load("l.csv", "date,order,rep,revenue\n2026-10-01,-1,=1+1,50\n", "kind", "actuals")
            .json()
            .get("id")
            .asInt();
    assertThat(api.post("/api/v1/loads/" + late + "/post?mode=correct").status()).isEqualTo(200);
    assertThat(api.put("/api/v1/notes/rep/'K2/2026-10", "{\"text\": \"=HYPERLINK(1)\"}").status())
        .isEqualTo(204);
    api.put("/api/v1/views/+v", "{\"address\": \"/standing?rep=R01\"}");
    api.load("open.csv", "month,rep,revenue\n2026-11,'K2,9\n2026-11,nobody,9\n", "kind", "actuals");
  }

  @Test
  void awkwardCompany_comesInAgain_tableByTable() throws Exception {
    Map<String, TableSums.Sum> before;
    Path file;
    JsonNode pay;
    try (RunningServer server = RunningServer.start(folder.resolve("data"))) {
      fill(server.api());
      pay = server.api().get("/api/v1/earnings?month=2026-11").json();
      file = export(server.api(), folder.resolve("c.zip"));
      server.api().delete("/api/v1/loads/" + lastLoad(server.api())); // what was not posted stays
      before = sums(server);
      assertThat(server.as("approver", null).get("/api/v1/company/export").code())
          .isEqualTo("not-allowed");
    }
    CompanyImport.Loaded loaded = CompanyImport.into(file, folder.resolve("other"));
    assertThat(loaded.loads()).isEqualTo(8);
    assertThat(loaded.figures()).isGreaterThan(20);
    try (RunningServer again = RunningServer.start(folder.resolve("other"))) {
      assertThat(sums(again)).isEqualTo(before);
      assertThat(again.api().get("/api/v1/earnings?month=2026-11").json()).isEqualTo(pay);
      assertThat(again.api().get("/api/v1/audit?text=loaded").json()).isNotEmpty();
      int next =
          again.api().loadAndPost("n.csv", "month,rep,revenue\n2026-11,'K2,1\n", "kind", "actuals");
      assertThat(next).isEqualTo(9);
    }
    assertThat(folder.resolve("other/import.part")).doesNotExist();
    Path full = folder.resolve("other");
    assertThatThrownBy(() -> CompanyImport.into(file, full)).hasMessageContaining("already");
  }

  private static int lastLoad(Api api) {
    return api.get("/api/v1/loads").json().at("/0/id").asInt();
  }

  @Test
  void demoCompany_comesInAgain_withItsSealsAndFiles() throws Exception {
    Path file = folder.resolve("c.zip");
    JsonNode sealed;
    JsonNode sheet;
    try (RunningServer server =
        RunningServer.start(folder.resolve("data"), "zealous.seed-dir=../demo/files")) {
      sealed = server.api().get("/api/v1/months/2026-09/changed").json();
      sheet = server.api().get("/api/v1/loads/17/sheet?from=100").json();
      export(server.api(), file);
    }
    assertThat(sealed.get("reps")).isNotEmpty();
    assertThat(CompanyImport.into(file, folder.resolve("other")).figures()).isGreaterThan(3_000);
    try (RunningServer again = RunningServer.start(folder.resolve("other"))) {
      assertThat(again.api().get("/api/v1/months/2026-09/changed").json()).isEqualTo(sealed);
      assertThat(again.api().get("/api/v1/loads/17/sheet?from=100").json()).isEqualTo(sheet);
    }
  }

  @Test
  void everyTable_goesOut_orIsLeftOutOnPurpose() throws Exception {
    Set<String> known = new TreeSet<>(CompanyTables.LEFT_OUT);
    known.addAll(CompanyTables.BY_LOAD);
    CompanyTables.PLAIN.forEach(table -> known.add(table.name()));
    try (RunningServer server = RunningServer.start(folder);
        Connection connection = server.bean(DataSource.class).getConnection()) {
      assertThat(TableSums.of(connection).keySet()).isEqualTo(known);
    }
  }

  /** The same export with one of its files changed. */
  private static void change(Path file, String name, UnaryOperator<String> change)
      throws IOException {
    try (FileSystem zip = FileSystems.newFileSystem(file)) {
      Path inside = zip.getPath(name);
      String before = Files.readString(inside);
      String after = change.apply(before);
      assertThat(after).isNotEqualTo(before);
      Files.writeString(inside, after);
    }
  }

  @ParameterizedTest
  @CsvSource({
    "loads/00005-actuals.csv, 200.00, 201.00, The figures differ from figures/standing.csv",
    "loads/00005-actuals.csv, 200.00, 2oo.00, 'loads/00005-actuals.csv, line 3'",
    "loads/00005-actuals.csv, 'P1', 'P9', is not in tables/member.csv",
    "tables/setting.csv, calendar, =calendar, does not fit together",
    "tables/goal_set.csv, 1, 7, names something that is not in the export",
    "figures/earnings.csv, 2026-10, 2026-11, The figures differ from figures/earnings.csv",
    "company.json, zealous-company/1, zealous-company/2, is understood here",
    "company.json, '\"schema\" : \"', '\"schema\" : \"9', newer version",
    "company.json, '{', '', cannot be read",
  })
  void exportThatWasChanged_isRefusedInWords_andLeavesNothing(
      String name, String from, String to, String words) throws Exception {
    Path file = folder.resolve("c.zip");
    Files.copy(small(), file);
    change(file, name, text -> text.replaceFirst(java.util.regex.Pattern.quote(from), to));
    Path other = folder.resolve("other");
    assertThatThrownBy(() -> CompanyImport.into(file, other))
        .isInstanceOf(IOException.class)
        .hasMessageContaining(words);
    try (Stream<Path> left = Files.list(other)) {
      assertThat(left).isEmpty();
    }
  }

  private static Path made;

  /** One export for all that is changed in it. */
  private static synchronized Path small() throws Exception {
    if (made == null) {
      Path data = Files.createTempDirectory("company");
      try (RunningServer server = RunningServer.start(data.resolve("data"))) {
        fill(server.api());
        made = export(server.api(), data.resolve("c.zip"));
      }
      made.toFile().deleteOnExit();
    }
    return made;
  }

  @Test
  void fileThatIsNone_isRefused() throws Exception {
    Path text = Files.writeString(folder.resolve("x.zip"), "no zip");
    assertThatThrownBy(() -> CompanyImport.into(text, folder.resolve("other")))
        .hasMessageContaining("is not an export");
  }

  @Test
  void files_areOpen_andHoldNoFormulaAndNoSecret() throws Exception {
    try (FileSystem zip = FileSystems.newFileSystem(small())) {
      JsonNode said = new JsonMapper().readTree(Files.readAllBytes(zip.getPath("company.json")));
      assertThat(said.get("notPosted").asInt()).isEqualTo(1);
      assertThat(said.at("/loads/4/amounts/0/decimals").asInt()).isEqualTo(2);
      assertThat(Files.readString(zip.getPath("loads/00005-actuals.csv")))
          .isEqualToNormalizingNewlines(
              """
              file_line,month,date,rep,region,product,order,revenue
              2,2026-10,2026-10-01,'=1+1,,P1,'-1,-1.05
              3,2026-10,2026-10-02,''K2,,,'@2,200.00
              """);
      assertThat(Files.readString(zip.getPath("figures/earnings.csv"))).contains("2026-10,'=1+1");
      Set<String> names;
      try (Stream<Path> walk = Files.walk(zip.getPath("/"))) {
        names = walk.map(Path::toString).collect(Collectors.toSet());
      }
      assertThat(names)
          .contains("/playbook.json", "/seals/1-rules.json", "/tables/audit_entry.csv")
          .noneMatch(name -> name.contains("account") || name.contains("token"));
    }
  }
}
