package zealoustarget.demo;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.CRC32;

/**
 * A small stand-in for the company's order and deal systems: serves a month's order lines, or the
 * deals as of a day, as pages of CSV with an entity tag, from the demo's files, late regions
 * included. Listens on this machine only.
 */
public final class OrderSystem {
  private static final int PAGE = 500;
  private static final Pattern QUERY =
      Pattern.compile("(?:month|day)=(\\d{4}-\\d{2}(?:-\\d{2})?)(?:&page=(\\d{1,5}))?");
  private static final Pattern DEALS = Pattern.compile("deals-(.*)\\.csv");

  private final Path files;
  private final HttpServer server;

  /** Begins to listen; port 0 takes any that is free. */
  public OrderSystem(int port, Path files) throws IOException {
    this.files = files;
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
    server.createContext("/orders", exchange -> answer(exchange, "month", this::lines));
    server.createContext("/deals", exchange -> answer(exchange, "day", this::deals));
    server.start();
  }

  /** Arguments: port and folder of the demo's files. Ends with the process that started it. */
  public static void main(String[] arguments) throws IOException {
    new OrderSystem(Integer.parseInt(arguments[0]), Path.of(arguments[1]));
    ProcessHandle.current()
        .parent()
        .ifPresent(parent -> parent.onExit().thenRun(() -> System.exit(0)));
  }

  public int port() {
    return server.getAddress().getPort();
  }

  public void stop() {
    server.stop(0);
  }

  /** What is served of a month or a day: a header and its lines. */
  private interface Lines {
    List<String> of(String when) throws IOException;
  }

  private void answer(HttpExchange exchange, String by, Lines served) throws IOException {
    try (exchange) {
      Matcher asked = QUERY.matcher(String.valueOf(exchange.getRequestURI().getQuery()));
      List<String> lines = asked.matches() ? served.of(asked.group(1)) : List.of();
      if (lines.size() < 2) {
        exchange.sendResponseHeaders(404, -1);
        return;
      }
      String tag = "\"" + Long.toHexString(checksum(lines)) + "\"";
      exchange.getResponseHeaders().set("ETag", tag);
      if (tag.equals(exchange.getRequestHeaders().getFirst("If-None-Match"))) {
        exchange.sendResponseHeaders(304, -1);
        return;
      }
      int page = asked.group(2) == null ? 1 : Integer.parseInt(asked.group(2));
      send(exchange, by + "=" + asked.group(1), lines, page);
    }
  }

  private static void send(HttpExchange exchange, String asked, List<String> lines, int page)
      throws IOException {
    int from = Math.min(1 + (page - 1) * PAGE, lines.size());
    int end = Math.min(from + PAGE, lines.size());
    if (end < lines.size()) {
      exchange
          .getResponseHeaders()
          .set(
              "Link",
              "<"
                  + exchange.getHttpContext().getPath()
                  + "?"
                  + asked
                  + "&page="
                  + (page + 1)
                  + ">; rel=\"next\"");
    }
    List<String> shown = new ArrayList<>(List.of(lines.get(0)));
    shown.addAll(lines.subList(from, end));
    byte[] body = (String.join("\n", shown) + "\n").getBytes(StandardCharsets.UTF_8);
    exchange.getResponseHeaders().set("Content-Type", "text/csv; charset=utf-8");
    exchange.sendResponseHeaders(200, body.length);
    exchange.getResponseBody().write(body);
  }

  /** Header and lines of all order files, of one month and by date. */
  private List<String> lines(String month) throws IOException {
    List<String> found = new ArrayList<>();
    String header = "";
    try (Stream<Path> all = Files.list(files)) {
      for (Path file : all.filter(OrderSystem::isOrders).sorted().toList()) {
        List<String> lines = Files.readAllLines(file);
        header = lines.get(0);
        lines.stream().skip(1).filter(line -> line.startsWith(month)).forEach(found::add);
      }
    }
    Collections.sort(found);
    found.add(0, header);
    return found;
  }

  /** The deals as they stood on a day: of the last file up to it; none before the first. */
  private List<String> deals(String day) throws IOException {
    try (Stream<Path> all = Files.list(files)) {
      Path last =
          all.filter(file -> dayOf(file).compareTo(day) <= 0 && !dayOf(file).isEmpty())
              .max(Comparator.comparing(OrderSystem::dayOf))
              .orElse(null);
      return last == null ? List.of() : Files.readAllLines(last);
    }
  }

  /** The day of a file of deals; empty for any other file. */
  private static String dayOf(Path file) {
    Matcher name = DEALS.matcher(file.getFileName().toString());
    return name.matches() ? name.group(1) : "";
  }

  private static boolean isOrders(Path file) {
    return file.getFileName().toString().matches("orders-.*\\.csv");
  }

  private static long checksum(List<String> lines) {
    CRC32 sum = new CRC32();
    lines.forEach(line -> sum.update(line.getBytes(StandardCharsets.UTF_8)));
    return sum.getValue();
  }
}
