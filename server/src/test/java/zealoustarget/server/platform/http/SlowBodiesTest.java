package zealoustarget.server.platform.http;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.ByteBuffer;
import java.nio.channels.SocketChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zealoustarget.server.testing.Api;
import zealoustarget.server.testing.RunningServer;

/** Callers that never come to the end of what they send keep nobody else out. */
class SlowBodiesTest {
  private static final int SLOW_ONES = 500;
  private static final int ADDRESSES = 10;
  private static final String OWN =
      "{\"name\": \"%s\", \"password\": \"%s\"}".formatted(Api.NAME, Api.PASSWORD);
  private static final Duration WATCHED = Duration.ofSeconds(4);
  private static final String SMALL = "/api/v1/session HTTP/1.1\r\nContent-Type: application/json";
  private static final String UPLOAD =
      "/api/v1/loads HTTP/1.1\r\nContent-Type: multipart/form-data; boundary=x";

  private static RunningServer server;

  @BeforeAll
  static void start(@TempDir Path data) {
    server = RunningServer.start(data);
  }

  @AfterAll
  static void stop() {
    server.close();
  }

  private static SocketChannel slowOne(int number, String route) throws IOException {
    SocketChannel channel = SocketChannel.open();
    channel.bind(
        new InetSocketAddress(InetAddress.getByName("127.0.0." + (2 + number % ADDRESSES)), 0));
    channel.connect(new InetSocketAddress("127.0.0.1", server.port()));
    send(
        channel,
        "POST " + route + "\r\nHost: localhost\r\nContent-Length: 60000\r\n\r\n{\"name\": ");
    channel.configureBlocking(false);
    return channel;
  }

  private static void send(SocketChannel channel, String text) throws IOException {
    channel.write(ByteBuffer.wrap(text.getBytes(StandardCharsets.UTF_8)));
  }

  private static void trickle(List<SocketChannel> channels) {
    for (SocketChannel channel : channels) {
      try {
        send(channel, "x");
      } catch (IOException refused) {
        // the server has closed it, as it should
      }
    }
  }

  /** How many have got an answer or lost their connection. */
  private static long ended(List<SocketChannel> channels) {
    return channels.stream()
        .filter(
            channel -> {
              try {
                return channel.read(ByteBuffer.allocate(64)) != 0;
              } catch (IOException closed) {
                return true;
              }
            })
        .count();
  }

  @ParameterizedTest
  @ValueSource(strings = {SMALL, UPLOAD})
  void manySlowBodies_keepNobodyOut(String route) throws IOException {
    List<SocketChannel> slow = new ArrayList<>();
    try {
      for (int number = 0; number < SLOW_ONES; number++) {
        slow.add(slowOne(number, route));
      }
      Instant end = Instant.now().plus(WATCHED);
      int asked = 0;
      while (Instant.now().isBefore(end)) {
        trickle(slow);
        Instant before = Instant.now();
        assertThat(server.api().post("/api/v1/session", OWN).status()).isEqualTo(200);
        assertThat(Duration.between(before, Instant.now())).isLessThan(Duration.ofSeconds(8));
        asked++;
      }
      assertThat(asked).isPositive();
      assertThat(ended(slow)).isGreaterThanOrEqualTo(SLOW_ONES - BodySlots.IN_ALL);
    } finally {
      for (SocketChannel channel : slow) {
        channel.close();
      }
    }
  }

  @Test
  void refusedUpload_isAnsweredAllTheSame_whateverItsSize() {
    Api.Answer refused =
        server.stranger().load("big.csv", "x".repeat(5_000_000), "kind", "actuals");
    assertThat(refused.status()).isEqualTo(403);
  }
}
