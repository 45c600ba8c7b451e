package zealoustarget.server.intake.upload;

import java.io.IOException;
import java.time.Duration;
import java.util.concurrent.Future;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.scheduling.TaskScheduler;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import zealoustarget.core.Refusal;
import zealoustarget.server.platform.jobs.TaskPools;

/** Streams of events to pages that watch something, a few hundred at most and none for ever. */
@Component
class EventStreams {
  private static final int MOST = 200;
  private static final Duration EVERY = Duration.ofMillis(250);
  private static final Duration LONGEST = Duration.ofHours(1);

  /** Sends one event; false once it was the last. */
  interface Sending {
    boolean next(SseEmitter emitter) throws IOException;
  }

  private final Semaphore free = new Semaphore(MOST);
  private final TaskScheduler timers;

  EventStreams(@Qualifier(TaskPools.EVENTS) TaskScheduler timers) {
    this.timers = timers;
  }

  /**
   * Opens a stream that ends with its last event, with its reader, or after an hour.
   *
   * @throws Refusal busy
   */
  SseEmitter open(Sending sending) {
    if (!free.tryAcquire()) {
      throw Refusal.of("busy", UploadWords.TOO_MANY_PAGES_WATCH);
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
    task.set(timers.scheduleWithFixedDelay(() -> send(sending, emitter), EVERY));
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
}
