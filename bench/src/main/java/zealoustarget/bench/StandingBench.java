package zealoustarget.bench;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.IntFunction;
import java.util.function.ToLongFunction;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.GZIPInputStream;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Ratio;
import zealoustarget.core.calendar.Span;
import zealoustarget.core.ladder.Ladder;
import zealoustarget.core.ledger.Ledger;
import zealoustarget.core.ledger.query.Basis;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.StandingQuery;
import zealoustarget.core.member.Axis;
import zealoustarget.core.reading.Standing;
import zealoustarget.server.ledger.state.LedgerService;
import zealoustarget.server.platform.state.DataState;
import zealoustarget.server.rules.RulesService;

/** The standing beside SQL, a plain loop and the whole HTTP answer; see bench/README.md. */
public final class StandingBench {
  private static final int REPS = 5_000;
  private static final int MONTHS = 36;
  private static final int DAYS = 1_095;
  private static final int READS = 600;
  private static final int SQL_READS = 7;
  private static final int PACKING = 2; // the server's level, standing/AnswerCache
  private static final YearMonth FIRST = YearMonth.of(2024, 7);

  private final Path folder;
  private final int lines;
  private final List<Double> seconds = new ArrayList<>();

  private StandingBench(Path folder, int lines) {
    this.folder = folder;
    this.lines = lines;
  }

  /** The argument is the number of order lines, 2,000,000 without one. */
  public static void main(String[] arguments) throws Exception {
    int lines = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 2_000_000;
    Path folder = Files.createTempDirectory("bench");
    try {
      new StandingBench(folder, lines).run();
    } finally {
      Bench.delete(folder);
    }
  }

  private void run() throws Exception {
    OrderFile files = new OrderFile(folder, REPS, DAYS);
    System.out.printf(
        Locale.ROOT,
        "%,d order lines, %,d reps, %d regions, %d products, %d months, %,d goals; heap %d MB%n",
        lines,
        REPS,
        OrderFile.REGIONS,
        OrderFile.PRODUCTS,
        MONTHS,
        REPS * MONTHS,
        Runtime.getRuntime().maxMemory() / 1_048_576);
    try (BenchServer server = BenchServer.start(folder.resolve("data"))) {
      BenchServer.asApplication(
          () -> {
            server.load(files, lines);
            measure(server);
            return null;
          });
    }
  }

  private void measure(BenchServer server) throws Exception {
    Ledger ledger = server.bean(LedgerService.class).current();
    Measure revenue =
        server.bean(RulesService.class).current().findMeasure("revenue").orElseThrow();
    PlainLoop loop = PlainLoop.of(ledger, REPS, FIRST, MONTHS);
    SqlSums sql = new SqlSums(server.bean(JdbcTemplate.class), loop);
    double first =
        once(() -> ledger.standing(query(revenue, Span.of(FIRST.plusMonths(20)))).rows().size());
    System.out.printf(
        Locale.ROOT, "%nthe first standing after a load, which sums every month: %.0f ms%n", first);
    System.out.println(
        "medians in ms; ours has goals, growth on two spans, statuses, total and summary; a plain"
            + " loop and SQL have sums, goals and attainment only");
    for (int months : new int[] {1, 3, 12}) {
      IntFunction<Span> span = read -> Span.ending(FIRST.plusMonths(12 + read % 24), months);
      compare(
          months + " months, all reps",
          read -> summed(ledger.standing(query(revenue, span.apply(read)))),
          read -> loop.standing(span.apply(read)),
          read -> sql.byRep(span.apply(read)),
          server,
          read -> "/standing?axis=rep&goalSet=quota&" + words(span.apply(read)));
    }
    IntFunction<Span> year = read -> Span.ending(FIRST.plusMonths(12 + read % 24), 12);
    compare(
        "year sheet, reps by 12 months",
        read -> ledger.sheet(query(revenue, year.apply(read))).months().size(),
        read -> loop.sheet(year.apply(read)),
        read -> sql.byRepAndMonth(year.apply(read)),
        server,
        read -> "/standing/sheet?axis=rep&goalSet=quota&" + words(year.apply(read)));
    IntFunction<Span> month = read -> Span.of(FIRST.plusMonths(12 + read % 24));
    compare(
        "a month, reps in regions",
        read -> ledger.grouped(query(revenue, month.apply(read)), Axis.REGION).groups().size(),
        read -> loop.grouped(month.apply(read)),
        read -> sql.byRegionAndRep(month.apply(read)),
        server,
        read -> "/standing?axis=rep&group=region&goalSet=quota&" + words(month.apply(read)));
    System.gc();
    Runtime heap = Runtime.getRuntime();
    System.out.printf(
        Locale.ROOT,
        "%nheap in use after all of it: %d MB of %d%n",
        (heap.totalMemory() - heap.freeMemory()) / 1_048_576,
        heap.maxMemory() / 1_048_576);
  }

  private static long summed(Standing standing) {
    return (long) standing.shortfallHolders() + standing.atOrAbove(Ratio.ONE);
  }

  private void compare(
      String what,
      ToLongFunction<Integer> ours,
      ToLongFunction<Integer> loop,
      ToLongFunction<Integer> sql,
      BenchServer server,
      IntFunction<String> address)
      throws Exception {
    double our = median(ours, READS);
    double plain = median(loop, READS);
    double their = median(sql, SQL_READS);
    HttpClient client = HttpClient.newHttpClient();
    long[] bytes = new long[1];
    double http =
        median(
            read -> {
              server.bean(DataState.class).changed(); // so that no answer is one that was kept
              bytes[0] = answer(client, server.port(), address.apply(read)).length;
              return bytes[0];
            },
            READS / 12);
    double floor = plain + written(gunzipped(answer(client, server.port(), address.apply(0))));
    System.out.printf(
        Locale.ROOT,
        "  %-30s ours %7.2f  loop %7.2f  SQL %8.1f  | ours ÷ loop %5.2f, SQL ÷ ours %6.1f | HTTP"
            + " %6.1f, floor %6.1f, HTTP ÷ floor %.1f, %,d bytes compressed%n",
        what,
        our,
        plain,
        their,
        our / plain,
        their / our,
        http,
        floor,
        http / floor,
        bytes[0]);
  }

  /** The time to write an answer as JSON and to pack it as the server does; the least for HTTP. */
  private double written(byte[] json) {
    JsonMapper mapper = new JsonMapper();
    JsonNode answer = mapper.readTree(json);
    return median(read -> packed(mapper.writeValueAsBytes(answer)), READS / 12);
  }

  private static long packed(byte[] json) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    Deflater quick = new Deflater(PACKING);
    try (OutputStream out = new DeflaterOutputStream(bytes, quick, 8_192)) {
      out.write(json);
    } catch (IOException impossible) {
      throw new UncheckedIOException(impossible);
    } finally {
      quick.end();
    }
    return bytes.size();
  }

  private static byte[] gunzipped(byte[] packed) throws IOException {
    try (InputStream in = new GZIPInputStream(new ByteArrayInputStream(packed))) {
      return in.readAllBytes();
    }
  }

  private static byte[] answer(HttpClient client, String port, String path) {
    HttpRequest request = BenchServer.request(port, path).header("Accept-Encoding", "gzip").build();
    try {
      return client.send(request, BodyHandlers.ofByteArray()).body();
    } catch (IOException failure) {
      throw new UncheckedIOException(failure);
    } catch (InterruptedException interrupted) {
      Thread.currentThread().interrupt();
      return new byte[0];
    }
  }

  /** The first half warms up and is not counted. */
  private double median(ToLongFunction<Integer> work, int reads) {
    seconds.clear();
    for (int read = 0; read < reads; read++) {
      int at = read;
      double taken = once(() -> work.applyAsLong(at));
      if (read >= reads / 2) {
        seconds.add(taken);
      }
    }
    return seconds.stream().sorted().toList().get(seconds.size() / 2);
  }

  private static long sink;

  private static double once(java.util.function.LongSupplier work) {
    long start = System.nanoTime();
    sink += work.getAsLong();
    return (System.nanoTime() - start) / 1e6;
  }

  private static StandingQuery query(Measure revenue, Span span) {
    return new StandingQuery(
        Axis.REP,
        revenue,
        span,
        new Basis.Set("quota"),
        Filters.NONE,
        Ladder.defaultOf(revenue.direction()));
  }

  private static String words(Span span) {
    return "asOf=none&from=" + span.fromInclusive() + "&to=" + span.toInclusive();
  }
}
