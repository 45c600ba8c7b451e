package zealoustarget.server.standing;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.zip.CRC32;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;
import zealoustarget.server.accounts.Acting;
import zealoustarget.server.platform.DataState;

/**
 * Keeps the answers of large views, compressed, for each state of the data, each query and each
 * part of the rows that may be seen. An unchanged view costs a 304 and nothing else.
 */
@Component
class AnswerCache extends OncePerRequestFilter {
  private static final long MOST_BYTES = 64L << 20;
  private static final Set<String> KEPT =
      Set.of(
          "/api/v1/standing",
          "/api/v1/standing/sheet",
          "/api/v1/standing/claims",
          "/api/v1/months",
          "/api/v1/earnings",
          "/api/v1/earnings/desk");

  private record Answer(byte[] packed, String type) {}

  private final DataState state;
  private final Clock clock;
  private final Map<String, Answer> answers = new LinkedHashMap<>(64, 0.75f, true);
  private long bytes;

  AnswerCache(DataState state, Clock clock) {
    this.state = state;
    this.clock = clock;
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return !request.getMethod().equals("GET") || !KEPT.contains(request.getRequestURI());
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    long number = state.number();
    String key = key(request, number);
    String tag = tag(key);
    if (tag.equals(request.getHeader(HttpHeaders.IF_NONE_MATCH))) {
      setHeaders(response, tag);
      response.setStatus(HttpServletResponse.SC_NOT_MODIFIED);
      return;
    }
    Answer answer = find(key);
    if (answer == null) {
      answer = read(request, response, chain);
      if (answer == null) {
        return;
      }
      if (state.number() == number) {
        keep(key, answer);
      }
    }
    setHeaders(response, tag);
    write(request, response, answer);
  }

  /** Everything that the answer depends on; open months are read as of today. */
  private String key(HttpServletRequest request, long number) {
    return number
        + "\n"
        + LocalDate.now(clock)
        + "\n"
        + Acting.account().sightKey()
        + "\n"
        + request.getRequestURI()
        + "?"
        + request.getQueryString();
  }

  private static String tag(String key) {
    CRC32 sum = new CRC32();
    sum.update(key.getBytes(java.nio.charset.StandardCharsets.UTF_8));
    return "W/\""
        + key.substring(0, key.indexOf('\n'))
        + "-"
        + Long.toHexString(sum.getValue())
        + Integer.toHexString(key.hashCode())
        + "\"";
  }

  private static void setHeaders(HttpServletResponse response, String tag) {
    response.setHeader(HttpHeaders.ETAG, tag);
    response.setHeader(HttpHeaders.CACHE_CONTROL, "private, no-cache");
    response.setHeader(HttpHeaders.VARY, "Accept-Encoding, Authorization, Cookie");
  }

  /** Reads the answer; null where it is written already, as it is none to keep. */
  private static Answer read(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    ContentCachingResponseWrapper caught = new ContentCachingResponseWrapper(response);
    chain.doFilter(request, caught);
    if (caught.getStatus() != HttpServletResponse.SC_OK) {
      caught.copyBodyToResponse();
      return null;
    }
    ByteArrayOutputStream packed = new ByteArrayOutputStream();
    try (GZIPOutputStream pack = new GZIPOutputStream(packed, 8192)) {
      pack.write(caught.getContentAsByteArray());
    }
    return new Answer(packed.toByteArray(), caught.getContentType());
  }

  private static void write(HttpServletRequest request, HttpServletResponse response, Answer answer)
      throws IOException {
    response.setContentType(answer.type);
    String accepted = request.getHeader(HttpHeaders.ACCEPT_ENCODING);
    if (accepted != null && accepted.contains("gzip")) {
      response.setHeader(HttpHeaders.CONTENT_ENCODING, "gzip");
      response.setContentLength(answer.packed.length);
      response.getOutputStream().write(answer.packed);
    } else {
      try (GZIPInputStream plain = new GZIPInputStream(new ByteArrayInputStream(answer.packed))) {
        plain.transferTo(response.getOutputStream());
      }
    }
  }

  private synchronized Answer find(String key) {
    return answers.get(key);
  }

  private synchronized void keep(String key, Answer answer) {
    Answer before = answers.put(key, answer);
    bytes += answer.packed.length - (before == null ? 0 : before.packed.length);
    Iterator<Answer> oldest = answers.values().iterator();
    while (bytes > MOST_BYTES && oldest.hasNext()) {
      bytes -= oldest.next().packed.length;
      oldest.remove();
    }
  }
}
