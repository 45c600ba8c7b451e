package zealoustarget.server.earnings.statements;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.math.BigDecimal;
import java.net.ServerSocket;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.subethamail.smtp.RejectException;
import org.subethamail.smtp.server.SMTPServer;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** Statements as files and by mail. */
class StatementsTest {
  @TempDir Path data;
  private final List<String> taken = new CopyOnWriteArrayList<>();
  private SMTPServer mail;
  private RunningServer server;
  private Api api;

  @BeforeEach
  void start() {
    mail =
        SMTPServer.port(0)
            .messageHandler(
                (context, from, to, message) -> {
                  if (to.startsWith("B@")) {
                    throw new RejectException(550, "no such box");
                  }
                  taken.add(to);
                })
            .build();
    mail.start();
    serve(mail.getPortAllocated());
    api.loadAndPost(
        "roster.csv",
        """
        rep,name,region,manager,from
        A,Łucja <Ada> Lund,North,M1,2026-01
        B,=Bo Lind,North,M1,2026-01
        C,Cleo Ask,South,M2,2026-01
        """,
        "kind",
        "roster");
    api.loadAndPost(
        "quota.csv",
        "month,rep,revenue\n2026-07,A,1000.00\n2026-08,A,1000.00\n2026-07,B,1000.00\n"
            + "2026-08,B,1000.00\n",
        "kind",
        "goals",
        "goalSet",
        "quota",
        "axis",
        "rep");
    api.loadAndPost(
        "sold.csv",
        "date,order,rep,revenue\n2026-07-03,1,A,1200.00\n2026-07-04,2,B,900.00\n"
            + "2026-08-03,3,A,100.00\n2026-08-04,4,B,1000.00\n",
        "kind",
        "actuals");
    api.put(
        "/api/v1/playbook",
        """
        {"calendar": {"startMonth": 7}, "plans": [{"name": "Field", "window": "quarter",
          "goalSet": "quota", "floor": {"percent": "0.5"}, "cap": "1500.00",
          "steps": [{"from": "0", "rate": "0.03"}, {"from": "1", "rate": "0.05"}],
          "bonus": "1500.00", "negativeDue": "hold", "reps": ["A", "B"]}]}
        """);
  }

  private void serve(int mailPort) {
    server =
        RunningServer.start(
            data,
            "zealous.mail.host=127.0.0.1",
            "zealous.mail.port=" + mailPort,
            "zealous.mail.timeout=1s",
            "zealous.mail.to={rep}@saltmarsh.example");
    api = server.api();
  }

  @AfterEach
  void stop() {
    server.close();
    mail.stop();
  }

  private JsonNode finished(String path) {
    Api.Answer started = api.post(path);
    assertThat(started.status()).as("%s", started.json()).isEqualTo(200);
    String job = "/api/v1/earnings/jobs/" + started.json().get("id").asInt();
    return await()
        .atMost(Duration.ofSeconds(20))
        .until(() -> api.get(job).json(), one -> !one.get("state").asString().equals("running"));
  }

  private String pdf(String path) throws IOException, InterruptedException {
    HttpResponse<byte[]> answer =
        java.net.http.HttpClient.newHttpClient()
            .send(api.request(path).build(), HttpResponse.BodyHandlers.ofByteArray());
    try (PDDocument document = Loader.loadPDF(answer.body())) {
      return new PDFTextStripper().getText(document).replace('\u202f', ' ');
    }
  }

  @Test
  void payrollLines_addToWhatIsDue_perRep() {
    api.post("/api/v1/months/2026-07/seal");
    for (String month : List.of("2026-07", "2026-08")) {
      Map<String, BigDecimal> sums = new HashMap<>();
      String csv =
          api.raw(api.request("/api/v1/earnings/payroll.csv?month=" + month).build()).body();
      csv.lines()
          .skip(1)
          .map(line -> line.split(",", -1))
          .forEach(
              cells ->
                  sums.merge(cells[1], new BigDecimal(cells[cells.length - 2]), BigDecimal::add));
      int rows = 0;
      for (JsonNode row : api.get("/api/v1/earnings?month=" + month).json()) {
        if (!row.get("due").isNull()) {
          assertThat(sums.get(row.get("rep").asString()))
              .as(csv)
              .isEqualByComparingTo(row.get("due").asString());
          rows++;
        }
      }
      assertThat(rows).isEqualTo(2);
      assertThat(csv).contains("'=Bo Lind").doesNotContain(",=Bo");
    }
    String august =
        api.raw(api.request("/api/v1/earnings/payroll.csv?month=2026-08").build()).body();
    assertThat(august.lines().filter(line -> line.startsWith("2026-08,A")).toList())
        .anyMatch(line -> line.contains(",settled,settled,\"Earned by July 2026, already paid\""));
  }

  @Test
  void statement_isTheSameOnPageAndInPdf() throws Exception {
    String text = pdf("/api/v1/earnings/reps/A/statement.pdf?month=2026-07");
    assertThat(text).contains("Łucja <Ada> Lund", "Commission statement, July 2026 · Field");
    assertThat(text).contains("Provisional", "Cap on pay", "\u221240.00");
    JsonNode page = api.get("/api/v1/earnings/reps/A?month=2026-07").json();
    for (JsonNode line : page.get("lines")) {
      assertThat(text).contains(line.get("words").asString().replace('\u202f', ' '));
    }
    assertThat(api.get("/api/v1/earnings/reps/Z/statement.pdf?month=2026-07").code())
        .isEqualTo("member-unknown");
    api.put(
        "/api/v1/playbook",
        "{\"company\": {\"writing\": {\"decimal\": \",\", \"grouping\": \".\"}}}");
    assertThat(pdf("/api/v1/earnings/reps/A/statement.pdf?month=2026-07"))
        .contains("\u221240,00", "1.200,00");
    assertThat(api.raw(api.request("/api/v1/earnings/payroll.csv?month=2026-07").build()).body())
        .contains(";cap;")
        .contains(";-40,00;");
  }

  @Test
  void allStatements_areOnePdf_withAPageEach() throws Exception {
    JsonNode job = finished("/api/v1/earnings/jobs/pdf?month=2026-07");
    assertThat(job.get("done").asInt()).isEqualTo(2);
    String text = pdf("/api/v1/earnings/jobs/" + job.get("id").asInt() + "/statements.pdf");
    assertThat(text).contains("Łucja", "=Bo Lind").doesNotContain("Cleo");
    assertThat(api.get("/api/v1/earnings/jobs/99").code()).isEqualTo("not-found");
  }

  @Test
  void statement_isSentOncePerVersion_andWhatIsRefusedCanBeTriedAgain() {
    api.post("/api/v1/months/2026-07/seal");
    JsonNode first = finished("/api/v1/earnings/jobs/send?month=2026-07");
    assertThat(taken).containsExactly("A@saltmarsh.example");
    assertThat(first.at("/refused/0/rep").asString()).isEqualTo("B");
    assertThat(first.at("/refused/0/why").asString()).contains("no such box");
    JsonNode second = finished("/api/v1/earnings/jobs/send?month=2026-07");
    assertThat(second.get("already").asInt()).isEqualTo(1);
    assertThat(taken).hasSize(1);
    JsonNode sent = api.get("/api/v1/earnings/sent?month=2026-07").json().get("statements");
    assertThat(sent.at("/0/isPresent").asBoolean()).isTrue();
    assertThat(sent.at("/1/begunAt").isNull()).isTrue();
    assertThat(api.get("/api/v1/audit?kind=statement%20sent").json().size()).isEqualTo(1);
    // August changes, so there is another version to send
    finished("/api/v1/earnings/jobs/send?month=2026-08&rep=A");
    api.loadAndPost(
        "more.csv", "date,order,rep,revenue\n2026-08-09,9,A,50.00\n", "kind", "actuals");
    assertThat(
            api.get("/api/v1/earnings/sent?month=2026-08")
                .json()
                .at("/statements/0/isPresent")
                .asBoolean())
        .isFalse();
    api.loadAndPost(
        "mail.csv",
        "rep,name,region,manager,from,mail\nA,Ada,North,M1,2026-09,ada@lund.example\n"
            + "A,Ada,North,M1,2027-01,\n",
        "kind",
        "roster");
    finished("/api/v1/earnings/jobs/send?month=2026-08&rep=A");
    assertThat(taken)
        .containsExactly("A@saltmarsh.example", "A@saltmarsh.example", "ada@lund.example");
  }

  @Test
  void serverThatHangs_isGivenUp_andNothingIsHalfSent() throws IOException {
    server.close();
    try (ServerSocket silent = new ServerSocket(0)) {
      serve(silent.getLocalPort());
      JsonNode job = finished("/api/v1/earnings/jobs/send?month=2026-07&rep=A");
      assertThat(job.get("state").asString()).isEqualTo("done");
      assertThat(job.get("refused").size()).isEqualTo(1);
      assertThat(
              api.get("/api/v1/earnings/sent?month=2026-07")
                  .json()
                  .at("/statements/0/begunAt")
                  .isNull())
          .isTrue();
    }
  }

  @Test
  void withoutAMailServer_nothingIsBegun() {
    server.close();
    server = RunningServer.start(data);
    api = server.api();
    assertThat(api.post("/api/v1/earnings/jobs/send?month=2026-07").code())
        .isEqualTo("mail-failed");
    assertThat(api.get("/api/v1/earnings/sent?month=2026-07").json().get("canSend").asBoolean())
        .isFalse();
  }
}
