package zealoustarget.server.closing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneOffset;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.subethamail.smtp.RejectException;
import org.subethamail.smtp.server.SMTPServer;
import zealoustarget.core.calendar.SpanWords;
import zealoustarget.server.testing.RunningServer;

/** Who is told by mail of a source that is late, and how often. */
class LateMailTest {
  @TempDir Path folder;

  /**
   * A source that always came on the fifth day of the month itself, and not after the last month.
   */
  private Path company(YearMonth last) throws IOException {
    Path seed = Files.createDirectories(folder.resolve("seed"));
    Files.writeString(
        seed.resolve("rules.json"), "{\"closing\":{\"tell\":[\"ops@reef.example\"],\"dueDay\":3}}");
    Files.writeString(
        seed.resolve("roster.csv"),
        "rep,name,region,manager,from\nK1,Ida Pell,North,Tull,2020-01\n");
    StringBuilder steps =
        new StringBuilder("{\"file\":\"roster.csv\",\"kind\":\"roster\",\"post\":true}");
    for (int back = 3; back >= 1; back--) {
      YearMonth month = last.minusMonths(back);
      Files.writeString(
          seed.resolve(month + ".csv"), "month,rep,revenue\n" + month + ",K1,10.00\n");
      steps.append(
          ",{\"file\":\"%s.csv\",\"kind\":\"actuals\",\"post\":true,\"on\":\"%s\"}"
              .formatted(month, month.atDay(5)));
    }
    Files.writeString(
        seed.resolve("manifest.json"), "{\"playbook\":\"rules.json\",\"files\":[" + steps + "]}");
    return seed;
  }

  @Test
  void lateSource_isToldOnce_whatTheMailServerRefusesIsTriedAgain() throws Exception {
    YearMonth last = YearMonth.from(LocalDate.now(ZoneOffset.UTC)).minusMonths(1);
    List<String> mails = new CopyOnWriteArrayList<>();
    AtomicInteger refused = new AtomicInteger();
    SMTPServer post =
        SMTPServer.port(0)
            .messageHandler(
                (context, from, to, message) -> {
                  if (refused.getAndIncrement() == 0) {
                    throw new RejectException(451, "try again");
                  }
                  mails.add(to + new String(message, StandardCharsets.UTF_8));
                })
            .build();
    post.start();
    try (RunningServer server =
        RunningServer.start(
            folder.resolve("data"),
            "zealous.seed-dir=" + company(last),
            "zealous.closing.look=PT0.3S",
            "zealous.mail.host=localhost",
            "zealous.mail.port=" + post.getPortAllocated(),
            "zealous.mail.from=target@reef.example")) {
      await().atMost(Duration.ofSeconds(20)).until(() -> !mails.isEmpty());
      await().during(Duration.ofSeconds(1)).until(() -> mails.size() == 1);
      assertThat(refused.get()).as("once refused, once taken").isEqualTo(2);
      assertThat(mails.get(0))
          .contains("ops@reef.example")
          .contains(
              "Subject: Late for " + SpanWords.name(last) + ": " + last.minusMonths(1) + ".csv")
          .contains("days after its usual day", "has ended or comes quarterly");
    } finally {
      post.stop();
    }
  }
}
