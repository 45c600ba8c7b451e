package zealoustarget.server.testing;

import java.io.ByteArrayInputStream;
import java.net.http.HttpClient;
import java.net.http.HttpResponse;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What was frozen with a month, as it is taken along. */
public final class SealedFiles {
  private SealedFiles() {}

  /** The JSON files of a month's ZIP, by name. */
  public static Map<String, JsonNode> of(Api api, String month) throws Exception {
    HttpResponse<byte[]> answer =
        HttpClient.newHttpClient()
            .send(
                api.request("/api/v1/months/" + month + "/seal/snapshot.zip").build(),
                HttpResponse.BodyHandlers.ofByteArray());
    Map<String, JsonNode> files = new TreeMap<>();
    try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(answer.body()))) {
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        files.put(entry.getName(), new JsonMapper().readTree(zip.readAllBytes()));
      }
    }
    return files;
  }
}
