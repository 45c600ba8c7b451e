package zealoustarget.server.approval;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Supplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.subethamail.smtp.server.SMTPServer;
import tools.jackson.databind.JsonNode;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.Api.Answer;
import zealoustarget.server.testing.RunningServer;

/** Changes that wait for a second person, and every way around one. */
class ApprovalTest {
  private static final String QUOTA = "/api/v1/goals/quota";
  private static final String STANDING =
      "/api/v1/standing?axis=rep&from=2026-10&to=2026-10&goalSet=quota";
  private static final String PLAN =
      """
      {"name": "base", "measure": "revenue", "window": "month", "floor": {"percent": "0.5"},
       "paidFrom": "first unit", "method": "sliced", "steps": [{"from": "0", "rate": "0.05"}],
       "goalSet": "quota", "reps": ["A"]}
      """;
  private static final String LADDER =
      """
      {"measure": "revenue", "scale": "percent-to-goal",
       "rungs": [{"name": "Low", "tone": "bad"}, {"name": "Fine", "tone": "good", "from": "0.5"}]}
      """;

  @TempDir Path data;
  private RunningServer server;
  private Api maker;
  private Api approver;

  @BeforeEach
  void start() {
    server = RunningServer.start(data);
    maker = server.api();
    approver = server.as("approver", null);
    maker.loadAndPost(
        "roster.csv", "rep,name,from\nA,Ada Lund,2025-01\nB,Bo Lind,2025-01\n", "kind", "roster");
    maker.loadAndPost(
        "quota.csv",
        "month,rep,revenue\n2026-10,A,1000.00\n2026-10,B,500.00\n",
        "kind",
        "goals",
        "goalSet",
        "quota",
        "axis",
        "rep");
    maker.loadAndPost(
        "sold.csv", "month,rep,revenue\n2026-10,A,900.00\n2026-10,B,450.00\n", "kind", "actuals");
    assertThat(ask(true).status()).isEqualTo(200);
  }

  @AfterEach
  void stop() {
    server.close();
  }

  private Answer ask(boolean isAsked) {
    return maker.put(
        "/api/v1/rules",
        "{\"approval\": {\"goals\": %1$s, \"plans\": %1$s, \"ladders\": %1$s}}".formatted(isAsked));
  }

  private Answer save(String key, String amount) {
    Answer sheet = maker.get(QUOTA + "?from=2026-10&to=2026-10");
    return maker.put(
        QUOTA,
        """
        {"axis": "rep", "measure": "revenue", "tag": "%s",
         "cells": [{"key": "%s", "month": "2026-10", "amount": "%s"}]}
        """
            .formatted(sheet.text("tag"), key, amount));
  }

  private String goal(String key) {
    for (JsonNode row : maker.get(QUOTA + "?from=2026-10&to=2026-10").json().get("rows")) {
      if (row.get("key").asString().equals(key)) {
        return row.get("cells").get("2026-10").asString();
      }
    }
    return "none";
  }

  private static int proposed(Answer answer) {
    assertThat(answer.status()).as("%s", answer).isEqualTo(202);
    return answer.json().get("proposal").get("id").asInt();
  }

  private Answer accept(Api who, int id) {
    return who.post("/api/v1/proposals/" + id + "/accept");
  }

  private Answer decline(Api who, int id, String because) {
    return who.post(
        "/api/v1/proposals/" + id + "/decline", "{\"because\": \"%s\"}".formatted(because));
  }

  @Test
  void aGoal_countsOnceAnApproverHasAcceptedItAndNamesBoth() {
    int id = proposed(save("A", "1200.00"));
    assertThat(goal("A")).isEqualTo("1000.00");
    Answer waiting = approver.get("/api/v1/proposals/" + id);
    assertThat(waiting.text("subject")).isEqualTo("quota, 1 cell, October 2026");
    assertThat(waiting.json().get("mayDecide").asBoolean()).isTrue();
    JsonNode line = waiting.json().get("lines").get(0);
    assertThat(line.get("subject").asString()).isEqualTo("Ada Lund, October 2026");
    assertThat(line.get("before").asString()).isEqualTo("1000.00");
    assertThat(line.get("after").asString()).isEqualTo("1200.00");
    assertThat(waiting.json().get("effect").get("moves").get(0).get("after").asString())
        .endsWith("75.0 %");

    Answer own = accept(maker, id);
    assertThat(own.status()).isEqualTo(403);
    assertThat(own.code()).isEqualTo("own-proposal");
    assertThat(accept(server.as("analyst", null), id).code()).isEqualTo("not-allowed");
    assertThat(accept(server.as("rep", "A"), id).status()).isEqualTo(403);
    assertThat(goal("A")).isEqualTo("1000.00");

    Answer accepted = accept(approver, id);
    assertThat(accepted.text("state")).isEqualTo("accepted");
    assertThat(goal("A")).isEqualTo("1200.00");
    Answer load = maker.get("/api/v1/loads/" + accepted.json().get("load").asInt());
    assertThat(load.text("enteredBy")).isEqualTo(Api.NAME);
    assertThat(load.text("file")).contains("entered by " + Api.NAME).contains("accepted by");
    assertThat(accept(approver, id).code()).isEqualTo("proposal-decided");
    assertThat(maker.get("/api/v1/audit?text=proposal").json().toString())
        .contains("accepted")
        .contains("proposed");
  }

  @Test
  void aDraft_isDeclinedWithAReasonAndIsItsMakersDraftAgain() {
    String cells =
        "{\"year\": 2026, \"cells\": [{\"key\": \"B\", \"month\": \"2026-10\", \"amount\": \"700\"}]}";
    assertThat(maker.put(QUOTA + "/draft", cells).status()).isEqualTo(200);
    Answer applied = maker.post(QUOTA + "/draft/apply", "{\"year\": 2026}");
    int id = proposed(applied);
    assertThat(applied.json().get("desk").get("draft").isNull()).isTrue();

    assertThat(decline(approver, id, " ").code()).isEqualTo("value-missing");
    assertThat(decline(maker, id, "no").code()).isEqualTo("own-proposal");
    Answer declined = decline(approver, id, "the region's plan comes first");
    assertThat(declined.text("because")).isEqualTo("the region's plan comes first");
    assertThat(goal("B")).isEqualTo("500.00");
    JsonNode draft = maker.get(QUOTA + "/desk?year=2026").json().get("draft");
    assertThat(draft.get("changed").asInt()).isEqualTo(1);
    assertThat(approver.get(QUOTA + "/desk?year=2026").json().get("draft").isNull()).isTrue();
  }

  @Test
  void aProposal_canBeWithdrawnByItsMakerOnly() {
    int id = proposed(save("A", "1200.00"));
    assertThat(approver.delete("/api/v1/proposals/" + id).code()).isEqualTo("not-allowed");
    assertThat(maker.delete("/api/v1/proposals/" + id).text("state")).isEqualTo("withdrawn");
    assertThat(accept(approver, id).code()).isEqualTo("proposal-decided");
    assertThat(goal("A")).isEqualTo("1000.00");
  }

  @Test
  void aProposal_whoseGroundHasMovedSaysSoAndIsNotAccepted() {
    int first = proposed(save("A", "1200.00"));
    int second = proposed(save("A", "1300.00"));
    assertThat(accept(approver, first).status()).isEqualTo(200);
    assertThat(approver.get("/api/v1/proposals/" + second).json().get("stale").toString())
        .contains("Ada Lund, 2026-10 was changed since (quota, entered by " + Api.NAME);
    Answer late = accept(approver, second);
    assertThat(late.status()).isEqualTo(412);
    assertThat(late.code()).isEqualTo("changed-since");
    assertThat(goal("A")).isEqualTo("1200.00");
  }

  @Test
  void goalsOfAFile_waitAsWellAndSoDoesTheirReversal() {
    Answer staged =
        maker.load(
            "more.csv",
            "month,rep,revenue\n2026-10,A,1100.00\n",
            "kind",
            "goals",
            "goalSet",
            "quota",
            "axis",
            "rep");
    int load = staged.json().get("id").asInt();
    int post = proposed(maker.post("/api/v1/loads/" + load + "/post"));
    assertThat(goal("A")).isEqualTo("1000.00");
    assertThat(accept(approver, post).json().get("load").asInt()).isEqualTo(load);
    assertThat(goal("A")).isEqualTo("1100.00");
    int reversal = proposed(maker.post("/api/v1/loads/" + load + "/reverse"));
    assertThat(goal("A")).isEqualTo("1100.00");
    assertThat(accept(approver, reversal).status()).isEqualTo(200);
    assertThat(goal("A")).isEqualTo("1000.00");
  }

  @Test
  void aLoadThatIsGoneOrPosted_cannotBeAcceptedAnyMore() {
    int load =
        maker
            .load(
                "more.csv",
                "month,rep,revenue\n2026-10,A,1100.00\n",
                "kind",
                "goals",
                "goalSet",
                "quota",
                "axis",
                "rep")
            .json()
            .get("id")
            .asInt();
    int once = proposed(maker.post("/api/v1/loads/" + load + "/post"));
    int twice = proposed(maker.post("/api/v1/loads/" + load + "/post"));
    accept(approver, once);
    assertThat(accept(approver, twice).code()).isEqualTo("changed-since");
  }

  @Test
  void rulesThatAskForIt_waitAndTheOthersDoNot() {
    assertThat(maker.put("/api/v1/rules", "{\"company\": {\"name\": \"Kontor\"}}").status())
        .isEqualTo(200);
    int ladder = proposed(maker.put("/api/v1/rules", "{\"ladders\": [" + LADDER + "]}"));
    int plan = proposed(maker.put("/api/v1/playbook", "{\"plans\": [" + PLAN + "]}"));
    JsonNode effect = approver.get("/api/v1/proposals/" + ladder).json().get("effect");
    assertThat(effect.get("moves").get(0).get("after").asString()).isEqualTo("Fine");
    JsonNode pay = approver.get("/api/v1/proposals/" + plan).json().get("effect").get("pay");
    assertThat(pay).hasSize(1);
    assertThat(pay.get(0).get("subject").asString()).isEqualTo("Ada Lund, October 2026");
    assertThat(pay.get(0).get("before").asString()).isEqualTo("0.00");
    assertThat(pay.get(0).get("after").asString()).isEqualTo("45.00");
    String before = maker.get(STANDING).json().toString();
    JsonNode rules = maker.get("/api/v1/rules").json();
    assertThat(rules.get("plans")).isEmpty();
    assertThat(accept(approver, ladder).status()).isEqualTo(200);
    assertThat(maker.get(STANDING).json().toString()).isNotEqualTo(before).contains("Fine");
    assertThat(approver.get("/api/v1/proposals/" + plan).json().get("stale")).isEmpty();
    assertThat(accept(approver, plan).status()).isEqualTo(200);
    assertThat(maker.get("/api/v1/rules").json().get("plans")).hasSize(1);
  }

  @Test
  void rules_thatWereChangedSinceAreNotAccepted() {
    int first = proposed(maker.put("/api/v1/rules", "{\"ladders\": [" + LADDER + "]}"));
    int second =
        proposed(
            maker.put("/api/v1/rules", "{\"ladders\": [" + LADDER.replace("0.5", "0.6") + "]}"));
    accept(approver, first);
    Answer late = accept(approver, second);
    assertThat(late.code()).isEqualTo("changed-since");
    assertThat(late.text("detail")).contains("status thresholds").contains("renewed");
  }

  @Test
  void noWay_leadsAroundTheSecondPerson() {
    String standing = maker.get(STANDING).json().toString();
    String rules = maker.get("/api/v1/rules").json().toString();
    int posted = maker.get("/api/v1/loads").json().get(1).get("id").asInt();
    Map<String, Supplier<Answer>> ways =
        Map.of(
            "sheet", () -> save("A", "1.00"),
            "file", () -> post("goals", "month,rep,revenue\n2026-10,A,1.00\n"),
            "goals beside actuals",
                () -> post("actuals", "month,rep,revenue,revenue quota\n2026-10,A,0.00,1.00\n"),
            "reversal", () -> maker.post("/api/v1/loads/" + posted + "/reverse"),
            "thresholds", () -> maker.put("/api/v1/rules", "{\"ladders\": [" + LADDER + "]}"),
            "plans", () -> maker.put("/api/v1/playbook", "{\"plans\": [" + PLAN + "]}"),
            "assignments",
                () -> maker.put("/api/v1/rules", "{\"plans\": [" + PLAN + "], \"credits\": []}"),
            "turning it off", () -> ask(false),
            "turning it off with something harmless",
                () ->
                    maker.put(
                        "/api/v1/rules",
                        "{\"company\": {\"name\": \"X\"}, \"approval\": {\"goals\": false}}"));
    assertThat(maker.get("/api/v1/loads/" + posted).text("kind")).isEqualTo("goals");
    ways.forEach(
        (way, going) -> {
          Answer answer = going.get();
          assertThat(answer.status()).as(way + ": " + answer).isEqualTo(202);
          assertThat(accept(maker, answer.json().get("proposal").get("id").asInt()).code())
              .as(way)
              .isEqualTo("own-proposal");
          assertThat(maker.get(STANDING).json().toString()).as(way).isEqualTo(standing);
          assertThat(maker.get("/api/v1/rules").json().toString()).as(way).isEqualTo(rules);
        });
    assertThat(maker.get("/api/v1/proposals").json()).hasSize(ways.size());
  }

  private Answer post(String kind, String lines) {
    Answer staged = maker.load("way.csv", lines, "kind", kind, "goalSet", "quota", "axis", "rep");
    return maker.post("/api/v1/loads/" + staged.json().get("id").asInt() + "/post?held=leave");
  }

  @Test
  void mail_tellsApproversOfAProposal(@TempDir Path other) throws Exception {
    List<String> mails = new CopyOnWriteArrayList<>();
    SMTPServer catcher =
        SMTPServer.port(0)
            .messageHandler(
                (context, from, to, message) ->
                    mails.add(to + new String(message, StandardCharsets.UTF_8)))
            .build();
    catcher.start();
    try (RunningServer mailing =
        RunningServer.start(
            other,
            "zealous.mail.host=127.0.0.1",
            "zealous.mail.port=" + catcher.getPortAllocated(),
            "zealous.mail.approvers=finance@saltmarsh.example")) {
      Api first = mailing.api();
      Api second = mailing.as("approver", null);
      first.put("/api/v1/rules", "{\"approval\": {\"ladders\": true}}");
      int id = proposed(first.put("/api/v1/rules", "{\"ladders\": [" + LADDER + "]}"));
      first.put("/api/v1/session/preferences", "{\"mail\": \"ada@saltmarsh.example\"}");
      second.post("/api/v1/proposals/" + id + "/accept", "{}");
    } // a stop sends what waits
    assertThat(mails).hasSize(2);
    assertThat(mails.get(1))
        .contains("ada@saltmarsh.example")
        .contains("Your proposal was accepted");
    assertThat(mails.get(0))
        .contains("finance@saltmarsh.example")
        .contains("Rules: status thresholds")
        .contains(Api.NAME + " proposes")
        .contains("Nothing of it counts");
    catcher.stop();
  }

  @Test
  void withoutAnApprover_nothingWaits() {
    List<JsonNode> accounts = maker.get("/api/v1/accounts").json().valueStream().toList();
    JsonNode only =
        accounts.stream()
            .filter(account -> account.get("role").asString().equals("approver"))
            .findFirst()
            .orElseThrow();
    assertThat(
            maker
                .put(
                    "/api/v1/accounts/" + only.get("id").asInt(),
                    "{\"role\": \"approver\", \"isDisabled\": true, \"version\": "
                        + only.get("version").asInt()
                        + "}")
                .status())
        .isEqualTo(200);
    assertThat(save("A", "1200.00").status()).isEqualTo(200);
    assertThat(goal("A")).isEqualTo("1200.00");
  }
}
