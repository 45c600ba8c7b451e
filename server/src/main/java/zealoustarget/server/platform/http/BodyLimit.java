package zealoustarget.server.platform.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import zealoustarget.server.platform.problems.Problem;
import zealoustarget.server.platform.problems.ProblemWriter;

/**
 * Takes bodies only as large as their route needs and only as long as it takes to send them, before
 * anybody is known: files come to the routes that load files and to no other, rules and decisions
 * about a load may have 2 MB, goal sheets 8 MB, anything else 64 kB within ten seconds. Nothing of
 * a refused body is kept, and nobody waits for the rest of it.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 15)
class BodyLimit extends OncePerRequestFilter {
  static final int SMALL = 64 * 1024;
  static final int LARGE = 2 * 1024 * 1024;
  static final int SHEET = 8 * 1024 * 1024;
  static final Duration LONGEST = Duration.ofSeconds(10);

  private static final Pattern UPLOADS =
      Pattern.compile(
          "/api/v1/(loads(/receive|/[0-9]{1,9}/control)?|goals/[^/]{1,400}/draft/file)");
  private static final Pattern LARGE_ONES =
      Pattern.compile(
          "/api/v1/(rules|rules/holidays|rules/changes|playbook|playbook/changes|earnings/trial|standing/trial|loads/[0-9]{1,9}/[a-z]+)");

  private static final Pattern SHEETS =
      Pattern.compile("/api/v1/goals/(spread|[^/]{1,400}(/draft(/spread|/sum|/levels)?)?)");

  private static final int AT_END = -1;
  private static final int STALLED = -2;

  private final ProblemWriter problems;
  private final Clock clock;
  private final BodySlots slots = new BodySlots();

  BodyLimit(ProblemWriter problems, Clock clock) {
    this.problems = problems;
    this.clock = clock;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    if (!hasBody(request)) {
      chain.doFilter(new WithoutToken(request), response);
      return;
    }
    String address = request.getRemoteAddr();
    if (slots.enter(address)) {
      try {
        if (!take(request, response, chain)) {
          readRest(request);
        }
      } finally {
        slots.leave(address);
      }
    } else {
      response.setHeader(HttpHeaders.RETRY_AFTER, "1");
      problems.write(response, Problem.BUSY, HttpWords.TOO_MANY_REQUESTS);
      UnreadBodies.giveUp(request);
    }
  }

  /** True where the body was read to its end. */
  private boolean take(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String path = request.getRequestURI();
    if (isMultipart(request)) {
      if (request.getMethod().equals("POST") && UPLOADS.matcher(path).matches()) {
        chain.doFilter(new WithoutToken(request), response);
      } else {
        problems.write(
            response, Problem.UNSUPPORTED_MEDIA_TYPE, HttpWords.FILES_ARE_TAKEN_ELSEWHERE);
      }
      return false;
    }
    int limit = limitOf(path);
    if (request.getContentLengthLong() > limit) {
      refuseLarge(response, limit);
      return false;
    }
    if (limit != SMALL) {
      chain.doFilter( // read once the caller is known
          new WithBody(request, request.getInputStream(), limit), response);
      return false;
    }
    return takeSmall(request, response, chain);
  }

  private static int limitOf(String path) {
    if (SHEETS.matcher(path).matches()) {
      return SHEET;
    }
    return LARGE_ONES.matcher(path).matches() ? LARGE : SMALL;
  }

  private boolean takeSmall(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    ByteArrayOutputStream body = new ByteArrayOutputStream();
    if (!readInTime(request, SMALL, body)) {
      problems.write(
          response, Problem.BODY_TOO_SLOW, HttpWords.requestWasNotWhole(LONGEST.toSeconds()));
      return false;
    }
    if (body.size() > SMALL) {
      refuseLarge(response, SMALL);
      return false;
    }
    chain.doFilter(
        new WithBody(request, new ByteArrayInputStream(body.toByteArray()), SMALL), response);
    return true;
  }

  private void refuseLarge(HttpServletResponse response, int limit) throws IOException {
    problems.write(response, Problem.BODY_TOO_LARGE, HttpWords.bodyIsTooLarge(limit / 1024));
  }

  /** What is still to come is dropped; the connection goes where it does not come in time. */
  private void readRest(HttpServletRequest request) throws IOException {
    if (!readInTime(request, Long.MAX_VALUE, OutputStream.nullOutputStream())) {
      UnreadBodies.giveUp(request);
    }
  }

  /** Reads to the end or beyond a limit; false where that takes too long. */
  private boolean readInTime(HttpServletRequest request, long limit, OutputStream into)
      throws IOException {
    Instant end = clock.instant().plus(LONGEST);
    InputStream body = request.getInputStream();
    byte[] buffer = new byte[8192];
    long read = 0;
    while (read <= limit) {
      int now = readSome(body, buffer);
      if (now < 0) {
        return now == AT_END;
      }
      into.write(buffer, 0, now);
      read += now;
      if (clock.instant().isAfter(end)) {
        return false;
      }
    }
    return true;
  }

  private static int readSome(InputStream body, byte[] buffer) {
    try {
      return body.read(buffer);
    } catch (IOException stalled) {
      return STALLED;
    }
  }

  private static boolean hasBody(HttpServletRequest request) {
    return request.getContentLengthLong() > 0
        || request.getHeader(HttpHeaders.TRANSFER_ENCODING) != null;
  }

  private static boolean isMultipart(HttpServletRequest request) {
    String type = request.getContentType();
    return type != null && type.strip().toLowerCase(Locale.ROOT).startsWith("multipart/");
  }

  /**
   * The token against forged requests comes in a header only: looking for it among parameters would
   * read the whole body first.
   */
  private static class WithoutToken extends HttpServletRequestWrapper {
    private static final String TOKEN = "_csrf";

    WithoutToken(HttpServletRequest request) {
      super(request);
    }

    @Override
    public @Nullable String getParameter(String name) {
      return name.equals(TOKEN) ? null : super.getParameter(name);
    }
  }

  /** A request with a body of its own; an error where that goes beyond a limit. */
  private static final class WithBody extends WithoutToken {
    private final ServletInputStream body;

    WithBody(HttpServletRequest request, InputStream body, long limit) {
      super(request);
      this.body = new LimitedBody(body, limit);
    }

    @Override
    public ServletInputStream getInputStream() {
      return body;
    }

    @Override
    public BufferedReader getReader() {
      return new BufferedReader(new InputStreamReader(body, StandardCharsets.UTF_8));
    }
  }

  private static final class LimitedBody extends ServletInputStream {
    private final InputStream body;
    private long left;
    private boolean isFinished;

    LimitedBody(InputStream body, long limit) {
      this.body = body;
      this.left = limit;
    }

    @Override
    public int read() throws IOException {
      int read = body.read();
      count(read < 0 ? read : 1);
      return read;
    }

    @Override
    public int read(byte[] buffer, int offset, int length) throws IOException {
      int read = body.read(buffer, offset, length);
      count(read);
      return read;
    }

    private void count(int read) throws IOException {
      isFinished = read < 0;
      left -= Math.max(read, 0);
      if (left < 0) {
        throw new IOException(HttpWords.BODY_IS_LARGER_THAN_ITS_ROUTE);
      }
    }

    @Override
    public int available() throws IOException {
      return body.available();
    }

    @Override
    public boolean isFinished() {
      return isFinished;
    }

    @Override
    public boolean isReady() {
      return true;
    }

    @Override
    public void setReadListener(ReadListener listener) {
      throw new IllegalStateException("bodies are read by waiting");
    }
  }
}
