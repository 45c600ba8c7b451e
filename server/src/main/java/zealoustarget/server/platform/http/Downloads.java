package zealoustarget.server.platform.http;

import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Answers that a browser saves as a file. */
public final class Downloads {
  public static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);

  public static final MediaType WORKBOOK =
      MediaType.parseMediaType("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");

  private Downloads() {}

  /** A file of that name and type, written while it is sent. */
  public static ResponseEntity<StreamingResponseBody> of(
      String name, MediaType type, StreamingResponseBody body) {
    return ResponseEntity.ok()
        .contentType(type)
        .header(HttpHeaders.CONTENT_DISPOSITION, disposition(name))
        .body(body);
  }

  /** The header by which a browser saves an answer under a name. */
  public static String disposition(String name) {
    return ContentDisposition.attachment()
        .filename(name, StandardCharsets.UTF_8)
        .build()
        .toString();
  }
}
