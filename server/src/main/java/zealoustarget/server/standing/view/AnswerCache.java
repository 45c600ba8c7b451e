package zealoustarget.server.standing.view;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicLong;
import java.util.regex.Pattern;
import java.util.zip.CRC32;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Lazy;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.platform.http.RouteParameters;
import zealoustarget.server.platform.state.DataState;
import zealoustarget.server.platform.state.ReadParts;

/**
 * Keeps the answers of large views, compressed, for each query and each part of the rows that may
 * be seen, with what they were read from: a file that brings lines of other months leaves them. An
 * unchanged view costs a 304 and nothing else. A view that many ask for at once is read once, and
 * only a few views are read at a time: each takes tens of megabytes while it is.
 */
@Component
class AnswerCache extends OncePerRequestFilter {
  private static final long MOST_BYTES = 64L << 20;
  private static final Set<String> KEPT =
      Set.of(
          "/api/v1/standing",
          "/api/v1/standing/sheet",
          "/api/v1/standing/comparison",
          "/api/v1/standing/claims",
          "/api/v1/months",
          "/api/v1/outlook",
          "/api/v1/earnings",
          "/api/v1/earnings/desk",
          "/api/v1/earnings/totals");
  private static final Pattern KEPT_OF_MEMBER =
      Pattern.compile("/api/v1/standing/[^/]+/[^/]+/(close-up|path|proof|orders|corrections)");
  private static final int BESIDE = 200; // bytes of an entry that are neither key nor answer
  private static final int BYTES_OF_MONTH = 64;
  private static final int AT_ONCE = 2 * Runtime.getRuntime().availableProcessors();

  /**
   * An answer.
   *
   * @param version of the state, as far as it was read for this
   */
  private record Answer(byte[] packed, String type, ReadParts read, String version) {}

  /** Half the time of the usual level for a quarter more bytes. */
  private static final class QuickGzip extends GZIPOutputStream {
    private static final int LEVEL = 2;

    QuickGzip(OutputStream out) throws IOException {
      super(out, 8192);
      def.setLevel(LEVEL);
    }
  }

  private final DataState state;
  private final Clock clock;
  private final RouteParameters parameters;
  private final Cache<String, Answer> answers =
      Caffeine.newBuilder()
          .maximumWeight(MOST_BYTES)
          .weigher(AnswerCache::bytes)
          .executor(Runnable::run)
          .build();
  private final Map<String, CompletableFuture<Answer>> underWay = new ConcurrentHashMap<>();
  private final Semaphore turns = new Semaphore(AT_ONCE, true);
  private final AtomicLong keptOf = new AtomicLong();

  AnswerCache(DataState state, Clock clock, @Lazy RouteParameters parameters) {
    this.state = state;
    this.clock = clock;
    this.parameters = parameters;
  }

  private static int bytes(String key, Answer answer) {
    return 2 * key.length() + answer.packed.length + BYTES_OF_MONTH * answer.read.count() + BESIDE;
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    String path = request.getRequestURI();
    return !request.getMethod().equals("GET")
        || !KEPT.contains(path) && !KEPT_OF_MEMBER.matcher(path).matches();
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String key = key(request);
    Answer answer = answers.getIfPresent(key);
    if (answer == null || !holds(answer)) {
      answer = readOnce(key, request, response, chain);
    }
    if (answer == null) {
      return;
    }
    String tag = tag(key, answer);
    setHeaders(response, tag);
    if (tag.equals(request.getHeader(HttpHeaders.IF_NONE_MATCH))) {
      response.setStatus(HttpServletResponse.SC_NOT_MODIFIED);
    } else {
      write(request, response, answer);
    }
  }

  private boolean holds(Answer answer) {
    return state.version(answer.read).equals(answer.version);
  }

  /** Reads an answer, or waits for whoever reads the same; null where it is written already. */
  private @Nullable Answer readOnce(
      String key, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String reading = state.number() + "\n" + key; // others may hold a state before or after
    CompletableFuture<Answer> own = new CompletableFuture<>();
    CompletableFuture<Answer> others = underWay.putIfAbsent(reading, own);
    Answer awaited = others == null ? null : others.join();
    if (awaited != null) {
      return awaited;
    }
    Answer answer = null;
    turns.acquireUninterruptibly();
    try {
      answer = read(request, response, chain);
      if (answer != null) {
        keep(key, answer);
      }
      return answer;
    } finally {
      turns.release();
      underWay.remove(reading, own);
      own.complete(answer); // null for those who wait: they ask themselves why there is none
    }
  }

  /**
   * Everything that the answer depends on beside the rows that it reads, and nothing else:
   * parameters that no route reads are left out. Open months are read as of today.
   */
  private String key(HttpServletRequest request) {
    StringBuilder key = new StringBuilder().append(state.ground());
    key.append('\n').append(LocalDate.now(clock));
    key.append('\n').append(CurrentAccount.account().sightKey());
    key.append('\n').append(request.getRequestURI());
    new TreeMap<>(request.getParameterMap()).forEach((name, values) -> append(key, name, values));
    return key.toString();
  }

  private void append(StringBuilder key, String name, String[] values) {
    if (parameters.isKnown(name)) {
      for (String value : values) {
        key.append('\n').append(name).append('=').append(value.length()).append(' ').append(value);
      }
    }
  }

  private static String tag(String key, Answer answer) {
    String of = key + "\n" + answer.version;
    CRC32 sum = new CRC32();
    sum.update(of.getBytes(StandardCharsets.UTF_8));
    return "W/\""
        + key.substring(0, key.indexOf('\n'))
        + "-"
        + Long.toHexString(sum.getValue())
        + Integer.toHexString(of.hashCode())
        + "\"";
  }

  private static void setHeaders(HttpServletResponse response, String tag) {
    response.setHeader(HttpHeaders.ETAG, tag);
    response.setHeader(HttpHeaders.CACHE_CONTROL, "private, no-cache");
    response.setHeader(HttpHeaders.VARY, "Accept-Encoding, Authorization, Cookie");
  }

  /** Reads the answer; null where it is written already, as it is none to keep. */
  private @Nullable Answer read(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    ContentCachingResponseWrapper caught = new ContentCachingResponseWrapper(response);
    ReadParts read = state.beginReading();
    try {
      chain.doFilter(request, caught);
    } finally {
      state.endReading();
    }
    if (caught.getStatus() != HttpServletResponse.SC_OK) {
      caught.copyBodyToResponse();
      return null;
    }
    ByteArrayOutputStream packed = new ByteArrayOutputStream();
    try (QuickGzip pack = new QuickGzip(packed)) {
      pack.write(caught.getContentAsByteArray());
    }
    return new Answer(packed.toByteArray(), caught.getContentType(), read, state.version(read));
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

  /** Answers by earlier rules are asked for no more, and not kept by whoever still held them. */
  private void keep(String key, Answer answer) {
    long ground = state.ground();
    long before = keptOf.getAndAccumulate(ground, Math::max);
    if (before < ground) {
      answers.invalidateAll();
    }
    if (before <= ground) {
      answers.put(key, answer);
    }
  }
}
