package zealoustarget.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Base64;
import java.util.concurrent.Callable;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.core.member.Axis;
import zealoustarget.server.Application;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.files.Upload;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.posting.LoadService;
import zealoustarget.server.intake.upload.StagingService;

/** The application over a throwaway folder, and a company in it. */
final class BenchServer implements AutoCloseable {
  static final int REPS = 5_000;
  static final int DAYS = 1_095;

  private static final String NAME = "bench";
  private static final String PASSWORD = "measured, not kept";

  private final ConfigurableApplicationContext context;

  private BenchServer(ConfigurableApplicationContext context) {
    this.context = context;
  }

  static BenchServer start(Path data) {
    return new BenchServer(
        new SpringApplicationBuilder(Application.class)
            .run(
                "--zealous.data-dir=" + data,
                "--zealous.seed-dir=",
                "--zealous.accounts.first=" + NAME,
                "--zealous.accounts.first-password=" + PASSWORD,
                "--server.port=0",
                "--logging.level.root=warn",
                "--logging.level.zealoustarget=warn"));
  }

  /** Works as the application itself, which sees everything. */
  static void asApplication(Callable<Void> work) {
    CurrentAccount.asSystem(
        NAME,
        () -> {
          try {
            work.call();
          } catch (RuntimeException failure) {
            throw failure;
          } catch (Exception failure) {
            throw new IllegalStateException(failure);
          }
        });
  }

  /** Roster, products, quotas and that many order lines over 36 months, posted. */
  void load(OrderFile files, int lines) throws IOException {
    post(files.roster(), LoadKind.ROSTER, null);
    post(files.products(), LoadKind.PRODUCTS, null);
    post(files.quotas(), LoadKind.GOALS, Axis.REP);
    post(files.orders(lines), LoadKind.ACTUALS, null);
  }

  void post(Path file, LoadKind kind, Axis axis) {
    LoadRequest request = LoadRequest.of(kind, axis == null ? null : "quota", axis, null);
    int load = bean(StagingService.class).stage(Upload.of(file), request);
    bean(LoadService.class).post(load, false, null, PostMode.ADD, true);
  }

  <T> T bean(Class<T> type) {
    return context.getBean(type);
  }

  String port() {
    return context.getEnvironment().getProperty("local.server.port");
  }

  static String authorization() {
    byte[] pair = (NAME + ":" + PASSWORD).getBytes(StandardCharsets.UTF_8);
    return "Basic " + Base64.getEncoder().encodeToString(pair);
  }

  /** A request below {@code /api/v1}. */
  static HttpRequest.Builder request(String port, String path) {
    return HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/api/v1" + path))
        .header("Authorization", authorization());
  }

  @Override
  public void close() {
    context.close();
  }
}
