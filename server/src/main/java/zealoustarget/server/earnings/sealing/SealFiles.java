package zealoustarget.server.earnings.sealing;

import java.io.IOException;
import java.io.OutputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import tools.jackson.core.StreamWriteFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectWriter;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import zealoustarget.server.ledger.sealing.Seal;
import zealoustarget.server.ledger.sealing.Seals;
import zealoustarget.server.platform.storage.Packed;
import zealoustarget.server.standing.view.Snapshots;

/** What was frozen with a month, as a ZIP of JSON files; docs/formats.md says what is in them. */
final class SealFiles {
  private static final JsonMapper JSON = new JsonMapper();
  private static final ObjectWriter LINES =
      JSON.writerWithDefaultPrettyPrinter().without(StreamWriteFeature.AUTO_CLOSE_TARGET);

  private SealFiles() {}

  static void write(Seal seal, Seals.Content content, OutputStream out) throws IOException {
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      add(zip, "seal.json", about(seal));
      add(zip, "rules.json", JSON.readTree(content.rules()));
      add(zip, "statements.json", Packed.fromDeflated(content.statements(), JsonNode.class));
      add(zip, "standings.json", Snapshots.read(content.figures()));
    }
  }

  private static ObjectNode about(Seal seal) {
    ObjectNode about =
        JSON.createObjectNode()
            .put("month", seal.month().toString())
            .put("sealedAt", seal.sealedAt().toString())
            .put("sealedBy", seal.sealedBy())
            .put("checksum", seal.checksum());
    ArrayNode loads = about.putArray("loads");
    seal.loads()
        .forEach(load -> loads.addObject().put("load", load.id()).put("mode", load.mode().word()));
    return about;
  }

  private static void add(ZipOutputStream zip, String name, JsonNode content) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    LINES.writeValue(zip, content);
    zip.closeEntry();
  }
}
