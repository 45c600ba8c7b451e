package zealoustarget.server.intake.pull;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import zealoustarget.core.Refusal;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.load.LoadState;
import zealoustarget.server.intake.load.LoadStore;
import zealoustarget.server.intake.load.SourceName;
import zealoustarget.server.intake.upload.StagingService;
import zealoustarget.server.intake.upload.Uploads;
import zealoustarget.server.platform.storage.TemporaryFiles;

/**
 * Pulls a month's lines from an order system, or a day's deals from a deal system: CSV pages over
 * HTTP, each naming the next by a {@code Link} header (RFC 8288), the first with an entity tag that
 * tells an unchanged month.
 */
@Service
class PullService {
  /** What came of a pull: the load, new unless nothing has changed since it was pulled. */
  record Pulled(int loadId, boolean isUnchanged) {}

  private static final String MONTH = "{month}";
  private static final String DAY = "{day}";
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

  /** A system that can be asked; of deals where its address takes a day. */
  record Source(String name, boolean isOfDeals) {}

  /** The systems that can be asked, by name. */
  List<Source> sources() {
    return settings.sources().entrySet().stream()
        .map(one -> new Source(one.getKey(), isOfDeals(one.getValue())))
        .sorted(Comparator.comparing(Source::name))
        .toList();
  }

  private static boolean isOfDeals(String template) {
    return template.contains(DAY);
  }

  /**
   * The source of a name.
   *
   * @throws Refusal source-unknown
   */
  Source source(String name) {
    return sources().stream()
        .filter(one -> one.name().equals(name))
        .findFirst()
        .orElseThrow(
            () ->
                Refusal.of("source-unknown", PullWords.isNotSource(name))
                    .with("allowed", sources().stream().map(Source::name).toList()));
  }

  /** Pulls a month's orders. */
  Pulled pull(Source source, YearMonth month) {
    return pull(
        source.name(), PullWords.orders(month), MONTH, month.toString(), LoadRequest.recognise());
  }

  /**
   * Pulls a day's deals as a snapshot. It is of the source that is not named, unless several
   * systems give deals: then each has its own.
   */
  Pulled pull(Source source, LocalDate day) {
    boolean isOnly = sources().stream().filter(Source::isOfDeals).count() == 1;
    LoadRequest asked =
        LoadRequest.of(LoadKind.DEALS, null, null, null)
            .withSnapshot(new LoadRequest.Snapshot(day, isOnly ? "" : source.name()));
    return pull(source.name(), PullWords.deals(day), DAY, day.toString(), asked);
  }

  /**
   * Pulls what an address gives.
   *
   * @throws Refusal pull-failed, pull-too-large, and what receiving refuses
   */
  private Pulled pull(String source, String what, String place, String when, LoadRequest asked) {
    String template = Objects.requireNonNull(settings.sources().get(source));
    URI first = URI.create(template.replace(place, when));
    Optional<PulledEntity> before = before(first);
    Path file = temporary.create("pulled", ".csv");
    String etag = null;
    try {
      etag = read(source, first, before, file);
    } catch (IOException failure) {
      throw failed(source, PullWords.itDoesNotAnswer(failure.getClass().getSimpleName()));
    } catch (InterruptedException interrupted) {
      Thread.currentThread().interrupt();
      throw failed(source, PullWords.PULL_WAS_INTERRUPTED);
    } finally {
      if (etag == null) {
        Uploads.delete(file);
      }
    }
    if (etag == null) {
      return new Pulled(before.orElseThrow().loadId, true);
    }
    int load =
        staging.receive(
            Uploads.named(what + " from " + source + ".csv", file),
            file.toFile().length(),
            asked,
            SourceName.ofPull(source),
            () -> Uploads.delete(file));
    PulledEntity pulled = new PulledEntity(first.toString(), etag, load, clock.instant());
    sessions.inStatelessTransaction(session -> session.upsert(pulled));
    return new Pulled(load, false);
  }

  /** Writes all pages into one file; the entity tag, or null where nothing has changed. */
  private @Nullable String read(String source, URI first, Optional<PulledEntity> before, Path file)
      throws IOException, InterruptedException {
    String etag = "";
    URI next = first;
    try (PagedFile pages = new PagedFile(file, settings.limit().toBytes())) {
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
                    ? PullWords.answeredWithStatus(answer.statusCode())
                    : PullWords.hasTooManyPages(settings.pages()));
          }
          pages.add(body);
        }
        etag = number == 0 ? answer.headers().firstValue("ETag").orElse("") : etag;
        next = next(answer, first);
      }
    }
    return etag;
  }

  /** The next page's address, on the same host only. */
  private static @Nullable URI next(HttpResponse<?> answer, URI first) {
    return LinkHeader.target(answer.headers().allValues("Link"), "next")
        .map(first::resolve)
        .filter(next -> first.getAuthority().equals(next.getAuthority()))
        .orElse(null);
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
    return Refusal.of("pull-failed", PullWords.couldNotBeRead(source, why));
  }
}
