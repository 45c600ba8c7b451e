package zealoustarget.server.intake.pull;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.YearMonth;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.load.LoadState;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.intake.load.SourceName;
import zealoustarget.server.intake.upload.StagingService;
import zealoustarget.server.intake.upload.Uploads;
import zealoustarget.server.platform.storage.TemporaryFiles;

/**
 * Pulls a month's lines from an order system: CSV pages over HTTP, each naming the next by a {@code
 * Link} header (RFC 8288), the first with an entity tag that tells an unchanged month.
 */
@Service
class PullService {
  /** What came of a pull: the load, new unless nothing has changed since it was pulled. */
  record Pulled(int loadId, boolean isUnchanged) {}

  private static final Pattern NEXT = Pattern.compile("<([^<>]*+)>\\s*+;\\s*+rel=\"?next\"?");
  private static final Duration PATIENCE = Duration.ofSeconds(30);

  private final PullSettings settings;
  private final StagingService staging;
  private final LoadStore loads;
  private final SessionFactory sessions;
  private final TemporaryFiles temporary;
  private final Clock clock;
  private final HttpClient client =
      HttpClient.newBuilder()
          .followRedirects(HttpClient.Redirect.NEVER)
          .connectTimeout(PATIENCE)
          .build();

  PullService(
      PullSettings settings,
      StagingService staging,
      LoadStore loads,
      SessionFactory sessions,
      TemporaryFiles temporary,
      Clock clock) {
    this.temporary = temporary;
    this.settings = settings;
    this.staging = staging;
    this.loads = loads;
    this.sessions = sessions;
    this.clock = clock;
  }

  /** Names of the systems that can be asked. */
  List<String> sources() {
    return settings.sources().keySet().stream().sorted().toList();
  }

  /**
   * Pulls a month.
   *
   * @throws Refusal source-unknown, pull-failed, pull-too-large, and what receiving refuses
   */
  Pulled pull(String source, YearMonth month) {
    String template = settings.sources().get(source);
    if (template == null) {
      throw Refusal.of(
              "source-unknown",
              "\"" + source + "\" is no source. Sources are set by zealous.pull.sources.")
          .with("allowed", sources());
    }
    URI first = URI.create(template.replace("{month}", month.toString()));
    Optional<PulledEntity> before = before(first);
    Path file = temporary.create("pulled", ".csv");
    try {
      String etag = read(source, first, before, file);
      if (etag == null) {
        Files.delete(file);
        return new Pulled(before.orElseThrow().loadId, true);
      }
      int load =
          staging.receive(
              Uploads.named("orders " + month + " from " + source + ".csv", file),
              Files.size(file),
              LoadRequest.recognise(),
              SourceName.ofPull(source),
              () -> Uploads.delete(file));
      PulledEntity pulled = new PulledEntity(first.toString(), etag, load, clock.instant());
      sessions.inStatelessTransaction(session -> session.upsert(pulled));
      return new Pulled(load, false);
    } catch (Refusal refused) {
      Uploads.delete(file);
      throw refused;
    } catch (IOException failure) {
      Uploads.delete(file);
      throw failed(source, "it does not answer (" + failure.getClass().getSimpleName() + ")");
    } catch (InterruptedException interrupted) {
      Uploads.delete(file);
      Thread.currentThread().interrupt();
      throw failed(source, "the pull was interrupted");
    }
  }

  /** Writes all pages into one file; the entity tag, or null where nothing has changed. */
  private String read(String source, URI first, Optional<PulledEntity> before, Path file)
      throws IOException, InterruptedException {
    String etag = "";
    URI next = first;
    try (Page page = new Page(file, settings.limit().toBytes())) {
      for (int number = 0; next != null; number++) {
        HttpRequest.Builder request = HttpRequest.newBuilder(next).timeout(PATIENCE).GET();
        if (number == 0) {
          before.ifPresent(known -> request.header("If-None-Match", known.etag));
        }
        HttpResponse<InputStream> answer =
            client.send(request.build(), BodyHandlers.ofInputStream());
        try (InputStream body = answer.body()) {
          if (answer.statusCode() == 304 && number == 0) {
            return null;
          }
          if (answer.statusCode() != 200 || number >= settings.pages()) {
            throw failed(
                source,
                answer.statusCode() != 200
                    ? "it answered with status " + answer.statusCode()
                    : "it has more than " + settings.pages() + " pages");
          }
          page.add(body, number == 0);
        }
        etag = number == 0 ? answer.headers().firstValue("ETag").orElse("") : etag;
        next = next(answer, first);
      }
    }
    return etag;
  }

  /** The next page's address, on the same host only. */
  private static URI next(HttpResponse<?> answer, URI first) {
    for (String link : answer.headers().allValues("Link")) {
      Matcher match = NEXT.matcher(link);
      if (match.find()) {
        URI next = first.resolve(match.group(1));
        return first.getAuthority().equals(next.getAuthority()) ? next : null;
      }
    }
    return null;
  }

  private Optional<PulledEntity> before(URI url) {
    try (StatelessSession session = sessions.openStatelessSession()) {
      return Optional.ofNullable(session.get(PulledEntity.class, url.toString()))
          .filter(pulled -> !pulled.etag.isEmpty() && isStillHere(pulled.loadId));
    }
  }

  private boolean isStillHere(Integer loadId) {
    return loads.find(loadId).filter(load -> load.state != LoadState.REVERSED).isPresent();
  }

  private static Refusal failed(String source, String why) {
    return Refusal.of(
        "pull-failed", "The " + source + " could not be read: " + why + ". Try again later.");
  }

  /** One file made of many pages: the header of every page but the first is left away. */
  private static final class Page implements AutoCloseable {
    private final OutputStream out;
    private long left;

    Page(Path file, long limit) throws IOException {
      out = new BufferedOutputStream(Files.newOutputStream(file));
      left = limit;
    }

    void add(InputStream body, boolean isFirst) throws IOException {
      boolean isSkipping = !isFirst;
      int last = '\n';
      byte[] buffer = new byte[65_536];
      for (int read = body.read(buffer); read >= 0; read = body.read(buffer)) {
        int from = 0;
        while (isSkipping && from < read) {
          isSkipping = buffer[from++] != '\n';
        }
        out.write(buffer, from, read - from);
        last = read > from ? buffer[read - 1] : last;
        left -= read;
        if (left < 0) {
          throw Refusal.of(
              "pull-too-large", "The pages are larger than zealous.pull.limit allows.");
        }
      }
      if (last != '\n') {
        out.write('\n');
      }
    }

    @Override
    public void close() throws IOException {
      out.close();
    }
  }
}
