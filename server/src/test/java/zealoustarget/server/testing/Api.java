package zealoustarget.server.testing;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Speaks the wire contract to a running server. */
public final class Api {
  /** A status and the JSON that came with it. */
  public record Answer(int status, JsonNode json) {
    public String code() {
      return json.path("code").asString();
    }

    public String text(String name) {
      return json.path(name).asString();
    }
  }

  /** Name and password of the first account of servers in tests. */
  public static final String NAME = "Ada";

  public static final String PASSWORD = "a long one for tests";

  private static final String BOUNDARY = "boundary-7d1c";
  private static final JsonMapper JSON = new JsonMapper();

  private final HttpClient client = HttpClient.newHttpClient();
  private final String root;
  private final String authorization;

  Api(int port, String authorization) {
    root = "http://localhost:" + port;
    this.authorization = authorization;
  }

  static String basic(String name, String password) {
    byte[] pair = (name + ":" + password).getBytes(StandardCharsets.UTF_8);
    return "Basic " + Base64.getEncoder().encodeToString(pair);
  }

  public Answer get(String path) {
    return send(request(path).GET());
  }

  public Answer post(String path) {
    return send(request(path).POST(BodyPublishers.noBody()));
  }

  public Answer delete(String path) {
    return send(request(path).DELETE());
  }

  public Answer put(String path, String json) {
    return send(
        request(path)
            .header("Content-Type", "application/json")
            .PUT(BodyPublishers.ofString(json)));
  }

  public Answer post(String path, String json) {
    return send(
        request(path)
            .header("Content-Type", "application/json")
            .POST(BodyPublishers.ofString(json)));
  }

  /** Sends a file as a person drops one: recognised, read on beside the request. */
  public Answer receive(String name, byte[] content) {
    return multipart("/api/v1/loads/receive", name, content, Map.of());
  }

  /** Stages a file; {@code fields} are names and values in turn. */
  public Answer load(String name, String content, String... fields) {
    return load(name, content.getBytes(StandardCharsets.UTF_8), fields);
  }

  /** Stages a file of any bytes. */
  public Answer load(String name, byte[] content, String... fields) {
    Map<String, String> form = new LinkedHashMap<>();
    for (int i = 0; i < fields.length; i += 2) {
      form.put(fields[i], fields[i + 1]);
    }
    return load(name, content, form);
  }

  /** Stages a file with a form. */
  public Answer load(String name, byte[] content, Map<String, String> form) {
    return multipart("/api/v1/loads", name, content, form);
  }

  /** Sends a file with a form to any route. */
  public Answer multipart(String path, String name, byte[] content, Map<String, String> form) {
    ByteArrayOutputStream body = new ByteArrayOutputStream();
    form.forEach(
        (field, value) ->
            part(body, "name=\"" + field + "\"", value.getBytes(StandardCharsets.UTF_8)));
    part(body, "name=\"file\"; filename=\"" + name + "\"", content);
    body.writeBytes(("--" + BOUNDARY + "--\r\n").getBytes(StandardCharsets.UTF_8));
    return send(
        request(path)
            .header("Content-Type", "multipart/form-data; boundary=" + BOUNDARY)
            .POST(BodyPublishers.ofByteArray(body.toByteArray())));
  }

  /** Stages a file and posts it; both must go well. */
  public int loadAndPost(String name, String content, String... fields) {
    Answer staged = load(name, content, fields);
    int id = staged.json().path("id").asInt();
    Answer posted = post("/api/v1/loads/" + id + "/post?held=leave");
    if (staged.status() != 201 || posted.status() != 200) {
      throw new AssertionError(name + " was not posted: " + staged + ", " + posted);
    }
    return id;
  }

  /** Sends any request and gives the raw answer. */
  public HttpResponse<String> raw(HttpRequest request) {
    try {
      return client.send(request, BodyHandlers.ofString());
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    } catch (InterruptedException interrupted) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(interrupted);
    }
  }

  public HttpRequest.Builder request(String path) {
    HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(root + path));
    return authorization == null ? request : request.header("Authorization", authorization);
  }

  private Answer send(HttpRequest.Builder request) {
    HttpResponse<String> answer = raw(request.build());
    String body = answer.body();
    return new Answer(
        answer.statusCode(), JSON.readTree(body == null || body.isBlank() ? "null" : body));
  }

  private static void part(ByteArrayOutputStream body, String disposition, byte[] content) {
    body.writeBytes(
        ("--" + BOUNDARY + "\r\nContent-Disposition: form-data; " + disposition + "\r\n\r\n")
            .getBytes(StandardCharsets.UTF_8));
    body.writeBytes(content);
    body.writeBytes("\r\n".getBytes(StandardCharsets.UTF_8));
  }
}
