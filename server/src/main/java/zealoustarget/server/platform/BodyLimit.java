package zealoustarget.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.regex.Pattern;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Takes bodies only as large as their route needs, before anybody is known: files come to the
 * routes that load files and to no other, rules and decisions about a load may have 2 MB, anything
 * else 64 kB. Nothing of a refused body is kept.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 15)
class BodyLimit extends OncePerRequestFilter {
  static final int SMALL = 64 * 1024;
  static final int LARGE = 2 * 1024 * 1024;

  private static final Pattern UPLOADS =
      Pattern.compile("/api/v1/loads(/receive|/[0-9]{1,9}/control)?");
  private static final Pattern LARGE_ONES =
      Pattern.compile("/api/v1/(playbook|earnings/trial|standing/trial|loads/[0-9]{1,9}/[a-z]+)");

  private final ProblemWriter problems;

  BodyLimit(ProblemWriter problems) {
    this.problems = problems;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String path = request.getRequestURI();
    if (isMultipart(request)) {
      if (!request.getMethod().equals("POST") || !UPLOADS.matcher(path).matches()) {
        problems.write(
            response, Problem.UNSUPPORTED_MEDIA_TYPE, "Files are taken by /api/v1/loads only.");
        return;
      }
      chain.doFilter(new Limited(request, Long.MAX_VALUE), response);
      return;
    }
    int limit = LARGE_ONES.matcher(path).matches() ? LARGE : SMALL;
    if (request.getContentLengthLong() > limit) {
      problems.write(
          response,
          Problem.BODY_TOO_LARGE,
          "This route takes at most " + limit / 1024 + " kB. Send less at once.");
      return;
    }
    chain.doFilter(new Limited(request, limit), response);
  }

  private static boolean isMultipart(HttpServletRequest request) {
    String type = request.getContentType();
    return type != null && type.strip().toLowerCase(Locale.ROOT).startsWith("multipart/");
  }

  /**
   * A request whose body ends with an error beyond a limit. The token against forged requests comes
   * in a header only: looking for it among parameters would read the whole body first.
   */
  private static final class Limited extends HttpServletRequestWrapper {
    private static final String TOKEN = "_csrf";

    private final long limit;
    private ServletInputStream body;

    Limited(HttpServletRequest request, long limit) {
      super(request);
      this.limit = limit;
    }

    @Override
    public String getParameter(String name) {
      return name.equals(TOKEN) ? null : super.getParameter(name);
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
      if (body == null) {
        body = new LimitedBody(super.getInputStream(), limit);
      }
      return body;
    }

    @Override
    public BufferedReader getReader() throws IOException {
      return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
    }
  }

  private static final class LimitedBody extends ServletInputStream {
    private final ServletInputStream body;
    private long left;

    LimitedBody(ServletInputStream body, long limit) {
      this.body = body;
      this.left = limit;
    }

    @Override
    public int read() throws IOException {
      int read = body.read();
      count(read < 0 ? 0 : 1);
      return read;
    }

    @Override
    public int read(byte[] buffer, int offset, int length) throws IOException {
      int read = body.read(buffer, offset, length);
      count(Math.max(read, 0));
      return read;
    }

    private void count(int read) throws IOException {
      left -= read;
      if (left < 0) {
        throw new IOException("the body is larger than its route takes");
      }
    }

    @Override
    public boolean isFinished() {
      return body.isFinished();
    }

    @Override
    public boolean isReady() {
      return body.isReady();
    }

    @Override
    public void setReadListener(ReadListener listener) {
      body.setReadListener(listener);
    }
  }
}
