package zealoustarget.server.intake.upload;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.time.Duration;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import zealoustarget.core.Refusal;

/** Streams of events to pages that watch something, a few hundred at most and none for ever. */
@Component
class EventStreams {
  private static final int MOST = 200;
  private static final int THREADS = 4; // one reader who does not read holds up one of them
  private static final long EVERY_MILLIS = 250;
  private static final Duration LONGEST = Duration.ofHours(1);

  /** Sends one event; false once it was the last. */
  interface Sending {
    boolean next(SseEmitter emitter) throws IOException;
  }

  private final Semaphore free = new Semaphore(MOST);
  private final ScheduledExecutorService clock =
      Executors.newScheduledThreadPool(
          THREADS,
          work -> {
            Thread thread = new Thread(work, "events");
            thread.setDaemon(true);
            return thread;
          });

  /**
   * Opens a stream that ends with its last event, with its reader, or after an hour.
   *
   * @throws Refusal busy
   */
  SseEmitter open(Sending sending) {
    if (!free.tryAcquire()) {
      throw Refusal.of("busy", "Too many pages watch their files. Look again in a moment.");
    }
    SseEmitter emitter = new SseEmitter(LONGEST.toMillis());
    AtomicReference<Future<?>> task = new AtomicReference<>();
    emitter.onCompletion(
        () -> {
          if (task.get() != null) {
            task.get().cancel(false);
          }
          free.release();
        });
    emitter.onTimeout(emitter::complete);
    task.set(
        clock.scheduleWithFixedDelay(
            () -> send(sending, emitter), 0, EVERY_MILLIS, TimeUnit.MILLISECONDS));
    return emitter;
  }

  private static void send(Sending sending, SseEmitter emitter) {
    try {
      if (!sending.next(emitter)) {
        emitter.complete();
      }
    } catch (IOException | IllegalStateException gone) {
      emitter.completeWithError(gone);
    }
  }

  @PreDestroy
  void stop() {
    clock.shutdownNow();
  }
}
