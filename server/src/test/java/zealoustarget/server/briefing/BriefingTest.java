package zealoustarget.server.briefing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.subethamail.smtp.RejectException;
import org.subethamail.smtp.server.SMTPServer;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** The month told, over HTTP; docs/calculations.md, section 10. */
class BriefingTest {
  private static final String LIST = "/api/v1/briefings";
  private static final String PASSWORD = "harbour lights at nine";

  @TempDir Path folder;
  private RunningServer server;
  private Api api;
  private SMTPServer post;
  private final List<String> mails = new CopyOnWriteArrayList<>();
  private final AtomicInteger refusals = new AtomicInteger();

  @BeforeEach
  void start() {
    post =
        SMTPServer.port(0)
            .messageHandler(
                (context, from, to, message) -> {
                  if (refusals.getAndDecrement() > 0) {
                    throw new RejectException(451, "not now");
                  }
                  mails.add(to + "\n" + new String(message, StandardCharsets.UTF_8));
                })
            .build();
    post.start();
    server =
        RunningServer.startBegun(
            folder,
            "zealous.mail.host=localhost",
            "zealous.mail.port=" + post.getPortAllocated(),
            "zealous.mail.from=target@reef.example",
            "zealous.briefing.retry=PT0.5S",
            "zealous.briefing.look=PT0.5S");
    api = server.api();
    api.put(
        "/api/v1/rules",
        "{\"company\":{\"name\":\"Reef and Rope\"},"
            + "\"calendar\":{\"startMonth\":7,\"yearNamedBy\":\"end\",\"holidays\":[]}}");
    api.loadAndPost(
        "roster.csv",
        "rep,name,region,manager,from\nK1,Ida Pell,North,Tull,2026-07\nK2,Ole Rand,South,Oster,2026-07\n",
        "kind",
        "roster");
    api.loadAndPost(
        "plan.csv",
        "month,region,revenue\n2026-10,North,100.00\n2026-10,South,200.00\n",
        "kind",
        "goals",
        "goalSet",
        "region plan",
        "axis",
        "region");
    api.loadAndPost(
        "quota.csv",
        "month,rep,revenue\n2026-10,K1,100.00\n2026-10,K2,200.00\n",
        "kind",
        "goals",
        "goalSet",
        "quota",
        "axis",
        "rep");
    sell("2026-10,K1,130.00\n2026-10,K2,150.00\n2026-11,K1,1.00\n");
  }

  @AfterEach
  void stop() {
    server.close();
    post.stop();
  }

  private int sell(String lines) {
    return api.loadAndPost("sold.csv", "month,rep,revenue\n" + lines, "kind", "actuals");
  }

  private JsonNode draft() {
    Api.Answer answer = api.post(LIST, "{\"to\":\"2026-10\"}");
    assertThat(answer.status()).as("%s", answer.json()).isEqualTo(201);
    return answer.json();
  }

  private static String at(JsonNode page, String more) {
    return LIST + "/" + page.get("id").asInt() + more;
  }

  private static List<String> sentences(JsonNode page) {
    List<String> sentences = new ArrayList<>();
    for (JsonNode block : page.get("blocks")) {
      if (block.get("kind").asString().equals("claim")) {
        StringBuilder text = new StringBuilder();
        block
            .get("pieces")
            .valueStream()
            .forEach(piece -> text.append(piece.get("text").asString()));
        sentences.add(text.toString());
      }
    }
    return sentences;
  }

  private static List<String> states(JsonNode page) {
    return page.get("blocks")
        .valueStream()
        .filter(block -> !block.get("state").isNull())
        .map(block -> block.get("state").asString())
        .toList();
  }

  @Test
  void draft_tellsTheMonth_andEveryFigureIsBound() {
    JsonNode page = draft();
    assertThat(page.get("title").asString()).isEqualTo("October 2026");
    assertThat(sentences(page))
        .contains(
            "October 2026 ended 6.7 % below region plan: 280.00 against 300.00. Of two regions"
                + " one reached theirs.",
            "South ended 25.0 % below region plan, the largest shortfall: 50.00.",
            "North ended 30.0 % above region plan, the largest excess: 30.00.");
    assertThat(states(page)).isNotEmpty().allMatch("holds"::equals);
    JsonNode lanes =
        page.get("blocks")
            .valueStream()
            .filter(block -> block.at("/exhibit/kind").asString("").equals("lanes"))
            .findFirst()
            .orElseThrow();
    JsonNode standing =
        api.get("/api/v1/standing?axis=region&from=2026-10&to=2026-10&goalSet=region+plan").json();
    for (int row = 0; row < 2; row++) {
      assertThat(lanes.at("/data/rows/" + row + "/values/1").asString())
          .isEqualTo(standing.at("/rows/" + row + "/actual").asString());
      assertThat(lanes.at("/data/rows/" + row + "/values/3").asString())
          .isEqualTo(standing.at("/rows/" + row + "/variance").asString());
    }
    assertThat(lanes.at("/data/rows/2/values/1").asString()).isEqualTo("280.00");
    assertThat(lanes.at("/data/address").asString()).contains("against=set:region%20plan");
  }

  @Test
  void claim_moves_whenALoadChangesIt_isTakenAnew_orKeptWithAReason() {
    JsonNode page = draft();
    int more = sell("2026-10,K2,20.00\n");
    JsonNode moved = api.get(at(page, "")).json();
    assertThat(moved.get("moved").asInt()).isGreaterThanOrEqualTo(2);
    JsonNode total = moved.at("/blocks/0");
    assertThat(total.get("state").asString()).isEqualTo("moved");
    List<String> now = new ArrayList<>();
    total
        .get("pieces")
        .valueStream()
        .filter(piece -> !piece.get("now").isNull())
        .forEach(
            piece -> now.add(piece.get("text").asString() + " → " + piece.get("now").asString()));
    assertThat(now).contains("280.00 → 300.00", "below → exactly at");
    assertThat(total.get("cause").asString()).isEqualTo("sold.csv was posted");
    assertThat(api.post(at(page, "/hand"), "{}").code()).isEqualTo("briefing-moved");

    String block = total.get("id").asString();
    JsonNode taken = api.post(at(page, "/take?block=" + block)).json();
    assertThat(sentences(taken).get(0)).contains("exactly at region plan: 300.00 against 300.00");
    assertThat(taken.at("/blocks/0/state").asString()).isEqualTo("holds");
    String other =
        taken
            .get("blocks")
            .valueStream()
            .filter(one -> one.get("state").asString("").equals("moved"))
            .findFirst()
            .orElseThrow()
            .get("id")
            .asString();
    assertThat(api.post(at(page, "/keep"), "{\"block\":\"" + other + "\",\"text\":\" \"}").code())
        .isEqualTo("value-missing");
    JsonNode kept =
        api.post(at(page, "/keep"), "{\"block\":\"" + other + "\",\"text\":\"told on Monday\"}")
            .json();
    assertThat(states(kept)).contains("kept");
    sell("2026-10,K2,1.00\n");
    assertThat(states(api.get(at(page, "")).json()))
        .as("what moves on is not kept any more")
        .doesNotContain("kept");

    api.post("/api/v1/loads/" + more + "/reverse");
    assertThat(api.post(at(page, "/take")).json().get("moved").asInt()).isZero();
  }

  @Test
  void claim_isVoid_whenItsQueryCanNoLongerBeAsked() {
    JsonNode page = draft();
    for (JsonNode load : api.get("/api/v1/loads").json()) {
      if (load.get("file").asString().equals("plan.csv")) {
        api.post("/api/v1/loads/" + load.get("id").asInt() + "/reverse");
      }
    }
    JsonNode read = api.get(at(page, "")).json();
    assertThat(states(read).get(0)).isEqualTo("void");
    assertThat(api.post(at(page, "/take?block=" + read.at("/blocks/0/id").asString())).code())
        .isEqualTo("briefing-invalid");
    assertThat(
            api.post(
                    at(page, "/keep"),
                    "{\"block\":\""
                        + read.at("/blocks/0/id").asString()
                        + "\",\"text\":\"as then\"}")
                .json()
                .at("/blocks/0/state")
                .asString())
        .isEqualTo("kept");
  }

  @Test
  void wording_isFree_figuresStayBound_andTypedOnesAreMarkedAndOffered() {
    JsonNode page = draft();
    String first = page.at("/blocks/0/id").asString();
    String second = page.at("/blocks/1/id").asString();
    String body =
        "{\"blocks\":[{\"id\":\"%s\"},{\"id\":\"%s\",\"text\":\"{pct} {side}, says he, and 130.00 in the North.\"}]}";
    assertThat(api.put(at(page, ""), body.formatted(second, first)).code())
        .as("an exhibit needs its title")
        .isEqualTo("briefing-invalid");
    JsonNode saved =
        api.put(
                at(page, ""),
                body.replace("{\"id\":\"%s\"},", "{\"id\":\"%s\",\"text\":\"Regions\"},")
                    .formatted(second, first))
            .json();
    assertThat(saved.get("blocks").size()).isEqualTo(2);
    assertThat(sentences(saved)).containsExactly("6.7 % below, says he, and 130.00 in the North.");
    assertThat(saved.at("/blocks/1/unbound/0").asString()).isEqualTo("130.00");

    JsonNode offered = api.get(at(page, "/candidates?typed=130.00")).json();
    assertThat(offered.at("/0/words").asString()).isEqualTo("North, actual");
    String bound =
        "{\"blocks\":[{\"id\":\"%s\",\"text\":\"{x1} in the North.\",\"figures\":[{\"id\":\"x1\",\"query\":%s}]}]}"
            .formatted(first, offered.at("/0/query"));
    JsonNode after = api.put(at(page, ""), bound).json();
    assertThat(sentences(after)).containsExactly("130.00 in the North.");
    assertThat(after.at("/blocks/0/unbound").size()).isZero();
    assertThat(
            api.put(
                    at(page, ""),
                    "{\"blocks\":[{\"kind\":\"claim\",\"text\":\"{nothing} is bound\"}]}")
                .code())
        .isEqualTo("briefing-invalid");
    JsonNode old =
        api.raw(
                        api.request(at(page, ""))
                            .header("Content-Type", "application/json")
                            .header("If-Match", page.get("tag").asString())
                            .PUT(
                                java.net.http.HttpRequest.BodyPublishers.ofString(
                                    "{\"blocks\":[]}"))
                            .build())
                    .statusCode()
                == 412
            ? api.get(at(page, "")).json()
            : null;
    assertThat(old).as("somebody else's change is not lost").isNotNull();
    assertThat(sentences(old)).containsExactly("130.00 in the North.");
  }

  @Test
  void signedBriefing_neverChanges_isVerifiedOutside_andTheNextNamesWhatMoved() throws Exception {
    JsonNode page = draft();
    String remarked = page.at("/blocks/0/id").asString();
    JsonNode remark =
        api.post(at(page, "/remarks"), "{\"block\":\"" + remarked + "\",\"text\":\"Really?\"}")
            .json();
    api.put(
        at(page, "/remarks/" + remark.at("/remarks/0/id").asInt()),
        "{\"text\":\"Yes, see the file.\"}");
    assertThat(api.post(at(page, "/sign")).code()).isEqualTo("briefing-not-handed");
    assertThat(api.post(at(page, "/hand"), "{\"signer\":\"me\"}").status()).isEqualTo(200);
    assertThat(api.post(at(page, "/decline"), "{\"text\":\"\"}").code()).isEqualTo("value-missing");
    assertThat(
            api.post(at(page, "/decline"), "{\"text\":\"too long\"}")
                .json()
                .get("because")
                .asString())
        .isEqualTo("too long");
    api.post(at(page, "/hand"), "{}");
    JsonNode signed = api.post(at(page, "/sign")).json();
    assertThat(signed.get("state").asString()).as("%s", signed).isEqualTo("signed");
    assertThat(
            api.get("/api/v1/months/2026-10/close-list")
                .json()
                .get("lines")
                .valueStream()
                .filter(line -> line.get("code").asString().equals("briefing"))
                .map(line -> line.get("state").asString()))
        .containsExactly("done");
    String before = html(page);
    sell("2026-10,K2,20.00\n");
    JsonNode later = api.get(at(page, "")).json();
    assertThat(later.get("checksum")).isEqualTo(signed.get("checksum"));
    assertThat(sentences(later)).isEqualTo(sentences(signed));
    assertThat(later.get("moved").asInt()).as("it says what moved since").isPositive();
    assertThat(html(page)).as("bytes").isEqualTo(before);
    assertThat(api.put(at(page, ""), "{\"blocks\":[]}").code()).isEqualTo("briefing-signed");
    assertThat(api.post(at(page, "/take")).code()).isEqualTo("briefing-signed");
    assertThat(api.delete(at(page, "")).code()).isEqualTo("briefing-signed");

    Path file = Files.writeString(folder.resolve("page.html"), before);
    assertThat(check(file)).isZero();
    String forged =
        before.replaceFirst(
            "briefing-content:(.{40}).",
            "briefing-content:$1"
                + (before.charAt(before.indexOf("briefing-content:") + 57) == 'A' ? "B" : "A"));
    assertThat(check(Files.writeString(file, forged))).isEqualTo(1);

    JsonNode next = draft();
    assertThat(next.at("/movedSince/0/title").asString()).isEqualTo("October 2026");
    assertThat(next.get("movedSince").valueStream().map(one -> one.get("then").asString()))
        .contains("280.00");
    assertThat(check(Files.writeString(file, html(next)))).as("a draft").isEqualTo(2);
  }

  private String html(JsonNode page) {
    return api.raw(api.request(at(page, "/briefing.html")).GET().build()).body();
  }

  private static int check(Path page) throws IOException, InterruptedException {
    return new ProcessBuilder("sh", "../docs/check-briefing.sh", page.toString())
        .redirectErrorStream(true)
        .redirectOutput(ProcessBuilder.Redirect.DISCARD)
        .start()
        .waitFor();
  }

  @Test
  void exports_sayTheSame_asThePage() throws IOException {
    JsonNode page = draft();
    List<String> sentences = sentences(page);
    byte[] pdf = bytes(page, "/briefing.pdf");
    try (PDDocument document = Loader.loadPDF(pdf)) {
      String text = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
      assertThat(text).contains("Draft, not signed", "Reef and Rope");
      sentences.forEach(one -> assertThat(text).contains(one));
      assertThat(document.getDocumentCatalog().getMarkInfo().isMarked()).isTrue();
      assertThat(document.getDocumentCatalog().getDocumentOutline().getFirstChild()).isNotNull();
      document
          .getPage(0)
          .getResources()
          .getFontNames()
          .forEach(
              name -> {
                try {
                  assertThat(document.getPage(0).getResources().getFont(name).isEmbedded())
                      .isTrue();
                } catch (IOException failure) {
                  throw new AssertionError(failure);
                }
              });
    }
    String web = html(page);
    sentences.forEach(one -> assertThat(web).contains(one));
    assertThat(web).doesNotContain("<script", "http://", "https://", "src=");
    String text = new String(bytes(page, "/briefing.txt"), StandardCharsets.UTF_8);
    sentences.forEach(one -> assertThat(text).contains(one));
    assertThat(text).contains("Draft, not signed", "\u221250.00");

    byte[] book = bytes(page, "/briefing.xlsx");
    try (ReadableWorkbook workbook = new ReadableWorkbook(new ByteArrayInputStream(book))) {
      List<Row> rows = workbook.getFirstSheet().read();
      assertThat(rows.stream().map(row -> row.getCellText(0)).toList())
          .anyMatch(cell -> cell.contains(sentences.get(0)));
      Row north =
          workbook.getSheet(1).orElseThrow().read().stream()
              .filter(row -> row.getCellText(0).equals("North"))
              .findFirst()
              .orElseThrow();
      assertThat(north.getCell(3).getFormula()).isEqualTo("B2-C2");
      assertThat(north.getCellRawValue(3).orElseThrow()).isEqualTo("30.00");
    }
    try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(book))) {
      List<String> entries = new ArrayList<>();
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        entries.add(entry.getName());
      }
      assertThat(entries).contains("xl/worksheets/sheet2.xml");
    }
  }

  private byte[] bytes(JsonNode page, String file) {
    try {
      return java.net.http.HttpClient.newHttpClient()
          .send(
              api.request(at(page, file)).GET().build(),
              java.net.http.HttpResponse.BodyHandlers.ofByteArray())
          .body();
    } catch (IOException | InterruptedException failure) {
      throw new IllegalStateException(failure);
    }
  }

  @Test
  void eachPerson_getsItOnce_withWhatTheyMaySee_alsoAfterTheMailServerRefused() {
    account("tull@reef.example", "manager", "Tull");
    account("boss@reef.example", "approver", null);
    JsonNode page = draft();
    refusals.set(1);
    String body = "{\"to\":[\"tull@reef.example\",\"boss@reef.example\"],\"asPdf\":false}";
    assertThat(api.post(at(page, "/send"), body).json().get("queued").asInt()).isEqualTo(2);
    await().atMost(Duration.ofSeconds(20)).until(() -> mails.size() == 2);
    assertThat(api.post(at(page, "/send"), body).json().get("queued").asInt()).isZero();
    await().during(Duration.ofSeconds(2)).until(() -> mails.size() == 2);

    String manager =
        mails.stream().filter(mail -> mail.contains("tull@")).findFirst().orElseThrow();
    String boss =
        mails.stream()
            .filter(mail -> mail.startsWith("[boss@") || mail.contains("boss@"))
            .filter(mail -> !mail.contains("tull@"))
            .findFirst()
            .orElseThrow();
    assertThat(boss).contains("South ended 25.0 % below").doesNotContain("left out");
    assertThat(manager)
        .as("a manager of the North sees nothing of the South, nor the totals")
        .contains("North ended 30.0 % above")
        .contains("are left out")
        .doesNotContain("South", "280.00", "150.00");
    assertThat(api.get(at(page, "")).json().get("sent").size()).isEqualTo(2);
    assertThat(api.post(at(page, "/send"), "{\"to\":[\"nobody\"],\"asPdf\":true}").code())
        .isEqualTo("account-unknown");
  }

  @Test
  void everybodyWithARole_getsItOnce_whoHasAnAddress() {
    account("tull@reef.example", "manager", "Tull");
    account("oster@reef.example", "manager", "Oster");
    account("no address", "manager", "Oster");
    JsonNode page = draft();
    assertThat(api.post(at(page, "/send"), "{\"roles\":[\"rep\"],\"asPdf\":false}").text("detail"))
        .contains("No account with the role rep has a mail address");
    assertThat(api.post(at(page, "/send"), "{\"roles\":[\"boss\"],\"asPdf\":false}").code())
        .isEqualTo("value-unknown");
    String body = "{\"to\":[\"tull@reef.example\"],\"roles\":[\"manager\"],\"asPdf\":false}";
    assertThat(api.post(at(page, "/send"), body).json().get("queued").asInt()).isEqualTo(2);
    await().atMost(Duration.ofSeconds(20)).until(() -> mails.size() == 2);
    assertThat(mails).anyMatch(mail -> mail.startsWith("[oster@") || mail.startsWith("oster@"));
    JsonNode schedule =
        api.post(
                LIST + "/schedules",
                "{\"rhythm\":\"after-closing\",\"roles\":[\"manager\"],\"asPdf\":false}")
            .json();
    assertThat(schedule.at("/0/roles/0").asString()).isEqualTo("manager");
    assertThat(schedule.at("/0/to").size()).isZero();
  }

  @Test
  void stagedLines_areSaid_untilTheyArePosted() {
    int load =
        api.load(
                "late.csv",
                "month,rep,revenue\n2026-10,K2,40.00\n2026-10,K2,10.00\n",
                "kind",
                "actuals")
            .json()
            .get("id")
            .asInt();
    JsonNode page = draft();
    assertThat(sentences(page))
        .contains("Lines of staged files that are not counted here: two.")
        .anyMatch(one -> one.startsWith("South ended 25.0 % below"));
    api.post("/api/v1/loads/" + load + "/post", "{}");
    JsonNode after = api.get(at(page, "")).json();
    assertThat(after.get("blocks").valueStream())
        .filteredOn(block -> block.at("/text").asString().startsWith("Lines of staged"))
        .allMatch(block -> block.get("state").asString().equals("moved"))
        .hasSize(1);
    assertThat(sentences(draft())).noneMatch(one -> one.startsWith("Lines of staged"));
  }

  private JsonNode exhibit(JsonNode page, String kind) {
    return page.get("blocks")
        .valueStream()
        .filter(block -> block.at("/exhibit/kind").asString("").equals(kind))
        .findFirst()
        .orElseThrow()
        .get("data");
  }

  @Test
  void followUps_areTold_alsoInLaterMonths_whileTheyAreOpen() {
    JsonNode made =
        api.post(
                "/api/v1/notes/rep/K2/2026-10/follow-ups",
                "{\"what\":\"Call the boatyards\",\"who\":\"Oster\",\"due\":\"2026-11-12\"}")
            .json();
    JsonNode page = draft();
    assertThat(sentences(page)).contains("Follow-ups that were agreed: one; still open: one.");
    JsonNode row = exhibit(page, "follow-ups").at("/rows/0/shown");
    assertThat(row.valueStream().map(JsonNode::asString))
        .containsExactly(
            "Ole Rand", "October 2026", "Call the boatyards", "Oster", "2026-11-12", "open");
    JsonNode november = api.post(LIST, "{\"to\":\"2026-11\"}").json();
    assertThat(exhibit(november, "follow-ups").at("/rows/0/shown/2").asString())
        .isEqualTo("Call the boatyards");
    JsonNode south =
        api.post(LIST, "{\"to\":\"2026-10\",\"axis\":\"region\",\"key\":\"South\"}").json();
    assertThat(exhibit(south, "follow-ups").at("/rows").size()).isEqualTo(1);
    JsonNode north =
        api.post(LIST, "{\"to\":\"2026-10\",\"axis\":\"region\",\"key\":\"North\"}").json();
    assertThat(sentences(north)).noneMatch(one -> one.startsWith("Follow-ups"));

    api.put("/api/v1/follow-ups/" + made.get("id").asInt(), "{\"done\":true}");
    JsonNode after = api.get(at(page, "")).json();
    assertThat(after.get("moved").asInt()).as("one fewer is open").isEqualTo(1);
    assertThat(exhibit(after, "follow-ups").at("/rows/0/shown/5").asString()).isEqualTo("done");
  }

  @Test
  void pay_isDrawnAsStairs_whereRepsStandOnTheirPlan() throws IOException {
    api.put(
        "/api/v1/rules",
        """
        {"plans": [{"name": "Field", "measure": "revenue", "window": "month", "goalSet": "quota",
          "floor": {"percent": "0.5"}, "paidFrom": "first unit", "method": "sliced",
          "steps": [{"from": "0", "rate": "0.1"}, {"from": "1", "rate": "0.2"}],
          "negativeDue": "recover", "reps": ["K1", "K2"]}]}
        """);
    JsonNode page = draft();
    JsonNode stairs = exhibit(page, "stairs");
    JsonNode ida = stairs.at("/rows/0");
    assertThat(ida.at("/shown/0").asString()).isEqualTo("Ida Pell");
    assertThat(ida.at("/shown/3").asString()).as("130 of 100").isEqualTo("130.0");
    assertThat(ida.at("/shown/4").asString()).as("10 and 6").isEqualTo("16.00");
    assertThat(ida.at("/stair/at/sales").asString()).as("130 of 150").isEqualTo("0.8667");
    assertThat(ida.at("/stair/floor").asString()).as("50 of 150").isEqualTo("0.3333");
    assertThat(stairs.get("goalAt").asString()).isEqualTo("0.6667");
    List<String> places =
        ida.at("/stair/curve").valueStream().map(one -> one.get("sales").asString()).toList();
    assertThat(places).isSorted().hasSizeGreaterThan(2);
    String web = html(page);
    assertThat(web).contains("class=\"slice slice-good\"", "left:66.67%");
    try (PDDocument document = Loader.loadPDF(bytes(page, "/briefing.pdf"))) {
      assertThat(new PDFTextStripper().getText(document)).contains("How pay climbs", "16.00");
    }
  }

  @Test
  void claims_holdExactlyWhile_theSameQueriesGiveTheSame() {
    JsonNode page = draft();
    java.util.Random random = new java.util.Random(5);
    List<Integer> posted = new ArrayList<>();
    for (int round = 0; round < 8; round++) {
      if (!posted.isEmpty() && random.nextBoolean()) {
        api.post("/api/v1/loads/" + posted.remove(posted.size() - 1) + "/reverse");
      } else {
        String month = random.nextBoolean() ? "2026-10" : "2026-11";
        posted.add(
            sell(month + ",K" + (1 + random.nextInt(2)) + "," + random.nextInt(90) + ".00\n"));
      }
      JsonNode total =
          api.get("/api/v1/standing?axis=region&from=2026-10&to=2026-10&goalSet=region+plan")
              .json();
      boolean isSame =
          total.at("/total/actual").asString().equals("280.00")
              && total.at("/spoken/reached").asString().equals("1");
      assertThat(api.get(at(page, "")).json().at("/blocks/0/state").asString())
          .as("round %d: %s", round, total.at("/total/actual"))
          .isEqualTo(isSame ? "holds" : "moved");
    }
  }

  @Test
  void reasons_areToldByMonth_andReviewersAreNamed() {
    api.put("/api/v1/reasons", "[{\"code\":\"ill\",\"name\":\"Illness\"}]");
    api.put("/api/v1/notes/rep/K2/2026-10", "{\"reason\":\"ill\",\"text\":\"\"}");
    JsonNode page = draft();
    assertThat(sentences(page)).contains("Illness accounts for 50.00 of the shortfall.");
    JsonNode table =
        page.get("blocks")
            .valueStream()
            .filter(block -> block.at("/exhibit/kind").asString("").equals("reasons"))
            .findFirst()
            .orElseThrow()
            .get("data");
    assertThat(table.at("/rows/0/values/0").asString()).isEqualTo("Illness");
    assertThat(table.at("/rows/0/shown").size()).as("four months and their sum").isEqualTo(6);
    assertThat(table.at("/rows/0/shown/5").asString()).isEqualTo("50.00");

    account("tull@reef.example", "manager", "Tull");
    Api boss = server.as("approver", null);
    assertThat(api.post(at(page, "/reviewers"), "{\"to\":[\"tull@reef.example\"]}").code())
        .isEqualTo("account-unknown");
    JsonNode asked = api.post(at(page, "/reviewers"), "{\"to\":[\"approver 1\"]}").json();
    assertThat(asked.at("/reviewers/0/remarks").asInt()).isZero();
    boss.post(
        at(page, "/remarks"),
        "{\"block\":\"" + page.at("/blocks/0/id").asString() + "\",\"text\":\"Good\"}");
    assertThat(api.get(at(page, "")).json().at("/reviewers/0/remarks").asInt()).isEqualTo(1);
  }

  @Test
  void schedule_sendsEachPeriodOnce() {
    account("boss@reef.example", "approver", null);
    String to = "\"to\":[\"boss@reef.example\"],\"asPdf\":false}";
    assertThat(api.post(LIST + "/schedules", "{\"rhythm\":\"hourly\"," + to).code())
        .isEqualTo("value-unknown");
    assertThat(
            api.post(LIST + "/schedules", "{\"rhythm\":\"weekly\",\"to\":[\"who\"],\"asPdf\":true}")
                .code())
        .isEqualTo("account-unknown");
    String month = java.time.YearMonth.now(java.time.ZoneOffset.UTC).toString();
    sell(month + ",K1,7.00\n");
    JsonNode made = api.post(LIST + "/schedules", "{\"rhythm\":\"weekly\"," + to).json();
    assertThat(made.at("/0/lastPeriod").isNull()).isTrue();
    await().atMost(Duration.ofSeconds(20)).until(() -> mails.size() == 1);
    assertThat(mails.get(0)).contains("boss@reef.example");
    assertThat(api.get(LIST + "/schedules").json().at("/0/lastPeriod").asString()).contains("-W");
    await().during(Duration.ofSeconds(2)).until(() -> mails.size() == 1);
    assertThat(api.get(LIST).json().at("/0/from").asString()).isEqualTo(month);
    api.delete(LIST + "/schedules/" + made.at("/0/id").asInt());
    assertThat(api.get(LIST + "/schedules").json().size()).isZero();
  }

  private void account(String name, String role, String member) {
    Api.Answer made =
        api.post(
            "/api/v1/accounts",
            "{\"name\":\"%s\",\"role\":\"%s\",\"member\":%s,\"password\":\"%s\"}"
                .formatted(name, role, member == null ? "null" : "\"" + member + "\"", PASSWORD));
    assertThat(made.status()).as("%s", made.json()).isEqualTo(201);
  }

  @Test
  void signing_takesAnApprover_whereThereIsOne() {
    account("boss@reef.example", "approver", null);
    JsonNode page = draft();
    api.post(at(page, "/hand"), "{}");
    assertThat(api.post(at(page, "/sign")).code()).isEqualTo("another-person");
    assertThat(api.get(at(page, "")).json().get("maySign").asBoolean()).isFalse();
  }

  @Test
  void template_keepsACompanysOwnOrder_andARegionHasAPageOfItsOwn() {
    assertThat(api.put(LIST + "/templates/short", "{\"parts\":[\"poem\"]}").code())
        .isEqualTo("value-unknown");
    assertThat(api.put(LIST + "/templates/short", "{\"parts\":[\"excess\",\"total\"]}").status())
        .isEqualTo(204);
    JsonNode page = api.post(LIST, "{\"to\":\"2026-10\",\"template\":\"short\"}").json();
    assertThat(page.at("/blocks/0/part").asString()).isEqualTo("excess");
    assertThat(page.at("/blocks/1/part").asString()).isEqualTo("total");
    JsonNode north =
        api.post(LIST, "{\"to\":\"2026-10\",\"axis\":\"region\",\"key\":\"North\"}").json();
    assertThat(north.get("title").asString()).isEqualTo("October 2026 · North");
    assertThat(sentences(north).get(0)).contains("30.0 % above quota: 130.00 against 100.00");
    assertThat(api.post(LIST, "{\"to\":\"2026-10\",\"axis\":\"region\",\"key\":\"Moon\"}").code())
        .isEqualTo("member-unknown");
    assertThat(api.post(LIST, "{\"from\":\"2026-11\",\"to\":\"2026-10\"}").code())
        .isEqualTo("span-backwards");
    assertThat(api.get(LIST).json().size()).isEqualTo(2);
    assertThat(api.delete(at(north, "")).status()).isEqualTo(204);
    assertThat(api.get(at(north, "")).code()).isEqualTo("briefing-unknown");
  }
}
