package zealoustarget.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** Small worked companies, loaded, posted and read through the wire contract. */
class WorkedCasesTest {
  private static final JsonMapper JSON = new JsonMapper();
  private static final Set<String> TEXTS =
      Set.of("key", "name", "state", "rep", "plan", "what", "event", "closed", "asOf", "tone");

  private final Map<String, Integer> loads = new HashMap<>();
  private final Map<String, String> tags = new HashMap<>();

  @ParameterizedTest
  @ValueSource(
      strings = {
        "two-reps",
        "order-lines",
        "fiscal-july",
        "lower-spend",
        "prior-year",
        "mover",
        "range-goals",
        "return-rate",
        "commission",
        "late-correction",
        "part-goals",
        "running-month",
        "spread",
        "entered-goals",
        "outlook"
      })
  void everyStep_asExpected(String name, @TempDir Path data) {
    JsonNode worked = JSON.readTree(text(name, "expected.json"));
    try (RunningServer server = RunningServer.start(data)) {
      Api api = server.api();
      if (WorkedCasesTest.class.getResource("/cases/" + name + "/setup.json") != null) {
        assertThat(api.put("/api/v1/playbook", text(name, "setup.json")).status()).isEqualTo(200);
      }
      for (JsonNode step : worked.get("steps")) {
        switch (step.get("step").asString()) {
          case "load" -> load(api, name, step);
          case "post", "reverse" -> move(api, step);
          case "seal" -> seal(api, step);
          case "earnings" -> earnings(api, step);
          case "outlook" -> read(api, "outlook", step);
          case "bridge" ->
              same("bridge", step.get("expect"), answer(api, "outlook/bridge", query(step)).json());
          case "spread" -> spread(api, step);
          case "goals" -> goals(api, step);
          case "goals_put" -> enter(api, step);
          default -> read(api, "standing", step);
        }
      }
    }
  }

  private void load(Api api, String name, JsonNode step) {
    Map<String, String> form = new LinkedHashMap<>();
    step.get("fields").properties().forEach(f -> form.put(f.getKey(), f.getValue().asString()));
    String file = step.get("file").asString();
    Api.Answer staged = api.load(file, text(name, file).getBytes(StandardCharsets.UTF_8), form);
    assertThat(staged.status()).as("%s", staged.json()).isEqualTo(201);
    loads.put(step.get("name").asString(), staged.json().get("id").asInt());
    for (var field : step.get("expect").properties()) {
      if (field.getKey().equals("sums")) {
        field
            .getValue()
            .properties()
            .forEach(
                sum ->
                    assertThat(staged.json().at("/sums/" + sum.getKey() + "/file").asString())
                        .isEqualTo(sum.getValue().asString()));
      } else {
        assertThat(staged.json().get(field.getKey()))
            .as(field.getKey())
            .isEqualTo(field.getValue());
      }
    }
    staged
        .json()
        .get("findings")
        .forEach(found -> assertThat(found.get("code").asString()).isEqualTo("deal-overdue"));
  }

  private void move(Api api, JsonNode step) {
    String sealed = step.has("sealed") ? "?sealed=" + step.get("sealed").asString() : "";
    String load = "/api/v1/loads/" + loads.get(step.get("name").asString());
    Api.Answer moved = api.post(load + "/" + step.get("step").asString() + sealed);
    assertThat(moved.status()).as("%s", moved.json()).isEqualTo(step.at("/expect/status").asInt());
    assertThat(moved.text("state")).isEqualTo(step.at("/expect/state").asString());
  }

  private static void seal(Api api, JsonNode step) {
    Api.Answer sealed = api.post("/api/v1/months/" + step.get("month").asString() + "/seal");
    assertThat(sealed.status())
        .as("%s", sealed.json())
        .isEqualTo(step.at("/expect/status").asInt());
  }

  private static void spread(Api api, JsonNode step) {
    Api.Answer answer = api.post("/api/v1/goals/spread", step.get("body").toString());
    assertThat(answer.status())
        .as("%s %s", step.get("body"), answer.json())
        .isEqualTo(step.at("/expect/status").asInt());
    if (step.at("/expect").has("code")) {
      assertThat(answer.code()).isEqualTo(step.at("/expect/code").asString());
      return;
    }
    assertThat(answer.text("whole")).isEqualTo(step.at("/expect/whole").asString());
    JsonNode parts = answer.json().get("parts");
    assertThat(parts).hasSameSizeAs(step.at("/expect/parts"));
    for (int at = 0; at < parts.size(); at++) {
      JsonNode expected = step.at("/expect/parts").get(at);
      for (var field : expected.properties()) {
        assertThat(parts.get(at).get(field.getKey()))
            .as("%s", step.get("body"))
            .isEqualTo(field.getValue());
      }
    }
  }

  private static String sheet(JsonNode step) {
    return "/api/v1/goals/"
        + URLEncoder.encode(step.get("goalSet").asString(), StandardCharsets.UTF_8)
            .replace("+", "%20");
  }

  private void goals(Api api, JsonNode step) {
    List<String> query = new ArrayList<>();
    step.get("query")
        .properties()
        .forEach(one -> query.add(one.getKey() + "=" + one.getValue().asString()));
    Api.Answer answer = api.get(sheet(step) + "?" + String.join("&", query));
    assertThat(answer.status()).as("%s", answer.json()).isEqualTo(200);
    assertThat(answer.json().get("rows")).isEqualTo(step.at("/expect/rows"));
    assertThat(answer.json().get("totals")).isEqualTo(step.at("/expect/totals"));
    if (step.has("name")) {
      tags.put(step.get("name").asString(), answer.text("tag"));
    }
  }

  private void enter(Api api, JsonNode step) {
    String axis = step.get("axis").asString();
    String measure = step.get("measure").asString();
    String tag =
        step.has("tag")
            ? tags.get(step.get("tag").asString())
            : api.get(
                    sheet(step)
                        + "?axis="
                        + axis
                        + "&measure="
                        + measure
                        + "&from=2026-07&to=2026-08")
                .text("tag");
    var body = JSON.createObjectNode().put("axis", axis).put("measure", measure).put("tag", tag);
    body.set("cells", step.get("cells"));
    Api.Answer answer = api.put(sheet(step), body.toString());
    assertThat(answer.status())
        .as("%s", answer.json())
        .isEqualTo(step.at("/expect/status").asInt());
    if (step.at("/expect").has("code")) {
      assertThat(answer.code()).isEqualTo(step.at("/expect/code").asString());
      return;
    }
    JsonNode load = answer.json().get("load");
    assertThat(load.get("state")).isEqualTo(step.at("/expect/state"));
    assertThat(load.get("lines")).isEqualTo(step.at("/expect/lines"));
    assertThat(load.get("origin").asString()).isEqualTo("entered");
    loads.put(step.get("name").asString(), load.get("id").asInt());
  }

  private static String query(JsonNode step) {
    List<String> parameters = new ArrayList<>();
    for (var parameter : step.get("query").properties()) {
      for (JsonNode value :
          parameter.getValue().isArray() ? parameter.getValue() : List.of(parameter.getValue())) {
        parameters.add(
            parameter.getKey() + "=" + URLEncoder.encode(value.asString(), StandardCharsets.UTF_8));
      }
    }
    return String.join("&", parameters);
  }

  private static Api.Answer answer(Api api, String route, String query) {
    Api.Answer answer = api.get("/api/v1/" + route + "?" + query);
    assertThat(answer.status()).as("%s", answer.json()).isEqualTo(200);
    return answer;
  }

  private static void read(Api api, String route, JsonNode step) {
    String query = query(step);
    Api.Answer answer = answer(api, route, query);
    JsonNode expected = step.get("expect");
    same(query + " total", expected.get("total"), answer.json().get("total"));
    for (String part :
        List.of("asOf", "closed", "corrections", "emptyMonths", "noGoal", "summary")) {
      if (expected.has(part)) {
        same(
            query,
            JSON.createObjectNode().set(part, expected.get(part)),
            JSON.createObjectNode().set(part, answer.json().get(part)));
      }
    }
    if (!expected.has("rows")) {
      return;
    }
    Map<String, JsonNode> rows = new HashMap<>();
    answer.json().get("rows").forEach(row -> rows.put(row.get("key").asString(), row));
    assertThat(rows).as(query).hasSameSizeAs(expected.get("rows"));
    for (JsonNode row : expected.get("rows")) {
      String key = row.get("key").asString();
      same(query + " " + key, row, rows.get(key));
    }
  }

  private static void earnings(Api api, JsonNode step) {
    Api.Answer answer = api.get("/api/v1/earnings?month=" + step.at("/query/month").asString());
    assertThat(answer.status()).as("%s", answer.json()).isEqualTo(200);
    Map<String, JsonNode> rows = new HashMap<>();
    answer.json().forEach(row -> rows.put(row.get("rep").asString(), row));
    assertThat(rows).hasSameSizeAs(step.get("expect"));
    for (JsonNode row : step.get("expect")) {
      String key = row.get("rep").asString();
      same("earnings " + key, row, rows.get(key));
    }
  }

  /** Compares the fields that the expectation has; "core" ones are the core's own tests' matter. */
  private static void same(String where, JsonNode expected, JsonNode found) {
    assertThat(found).as(where).isNotNull();
    for (var field : expected.properties()) {
      String name = field.getKey();
      String at = where + " " + name;
      JsonNode value = found.get(name);
      if (name.equals("core")) {
        continue;
      }
      assertThat(value).as(at).isNotNull();
      if (field.getValue().isArray()) {
        assertThat(value.size()).as(at).isEqualTo(field.getValue().size());
        for (int entry = 0; entry < value.size(); entry++) {
          if (!field.getValue().get(entry).isObject()) {
            assertThat(value.get(entry)).as(at).isEqualTo(field.getValue().get(entry));
            continue;
          }
          same(at + "[" + entry + "]", field.getValue().get(entry), value.get(entry));
        }
      } else if (field.getValue().isObject()) {
        same(at, field.getValue(), value);
      } else if (field.getValue().isNull() || !field.getValue().isString() || isText(name)) {
        assertThat(value).as(at).isEqualTo(field.getValue());
      } else if (name.equals("status") || name.equals("expectedStatus")) {
        assertThat(value.asString()).as(at).isEqualTo(field.getValue().asString());
      } else {
        sameNumber(at, field.getValue().asString(), value.asString());
      }
    }
  }

  private static boolean isText(String name) {
    return TEXTS.contains(name);
  }

  /** A fraction must be met by the nearest decimal of at least six places. */
  private static void sameNumber(String at, String expected, String found) {
    BigDecimal number = new BigDecimal(found);
    if (!expected.contains("/")) {
      assertThat(number).as(at).isEqualByComparingTo(expected);
      return;
    }
    String[] parts = expected.split("/", -1);
    assertThat(number.scale()).as(at).isGreaterThanOrEqualTo(6);
    assertThat(number)
        .as(at)
        .isEqualTo(
            new BigDecimal(parts[0])
                .divide(new BigDecimal(parts[1]), number.scale(), RoundingMode.HALF_UP));
  }

  private static String text(String name, String file) {
    try (InputStream in =
        WorkedCasesTest.class.getResourceAsStream("/cases/" + name + "/" + file)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    }
  }
}
