package zealoustarget.server.intake;

import jakarta.annotation.PreDestroy;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Consumer;
import org.springframework.security.concurrent.DelegatingSecurityContextExecutorService;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;

/** Long work on loads, beside the requests: at most two at a time, one per load. */
@Component
class LoadJobs {
  private static final int AT_ONCE = 2;
  private static final long PATIENCE_MILLIS = 1_200;

  private final ExecutorService workers =
      new DelegatingSecurityContextExecutorService(
          Executors.newFixedThreadPool(
              AT_ONCE,
              work -> {
                Thread thread = new Thread(work, "load-job");
                thread.setDaemon(true);
                return thread;
              }));
  private final Map<Integer, Progress> running = new ConcurrentHashMap<>();
  private final Map<Integer, Refusal> refusedLate = new ConcurrentHashMap<>();

  /**
   * Begins work on a load and waits a moment for its end, so that short work is done when the
   * request is answered.
   *
   * @throws Refusal load-busy while other work on it runs; whatever the work refuses in that moment
   */
  void run(int loadId, Progress progress, Consumer<Progress> work) {
    if (running.putIfAbsent(loadId, progress) != null) {
      throw busy(loadId);
    }
    refusedLate.remove(loadId);
    Future<?> job =
        workers.submit(
            () -> {
              try {
                work.accept(progress);
              } catch (Refusal refused) {
                refusedLate.put(loadId, refused);
                throw refused;
              } finally {
                progress.finish();
                running.remove(loadId);
              }
            });
    await(loadId, job);
  }

  /** What was refused in work on a load after the request that began it was answered. */
  Optional<Refusal> refusedLate(int loadId) {
    return Optional.ofNullable(refusedLate.get(loadId));
  }

  /** The work that runs on a load. */
  Optional<Progress> find(int loadId) {
    return Optional.ofNullable(running.get(loadId));
  }

  /** Refuses while a load is worked on. */
  void checkIdle(int loadId) {
    if (running.containsKey(loadId)) {
      throw busy(loadId);
    }
  }

  /**
   * Does short work on a load in the caller's thread, with no other work on it meanwhile.
   *
   * @throws Refusal load-busy
   */
  void alone(int loadId, Runnable work) {
    Progress held = Progress.unseen();
    if (running.putIfAbsent(loadId, held) != null) {
      throw busy(loadId);
    }
    try {
      work.run();
    } finally {
      running.remove(loadId, held);
    }
  }

  private static Refusal busy(int loadId) {
    return Refusal.of("load-busy", "Load " + loadId + " is being worked on. Wait or stop that.");
  }

  /** What is under way gets time to end; what takes longer is stopped and can be taken up again. */
  @PreDestroy
  void stop() throws InterruptedException {
    workers.shutdown();
    if (!workers.awaitTermination(20, TimeUnit.SECONDS)) {
      running.values().forEach(Progress::cancel);
      workers.awaitTermination(10, TimeUnit.SECONDS);
    }
  }

  private void await(int loadId, Future<?> job) {
    try {
      job.get(PATIENCE_MILLIS, TimeUnit.MILLISECONDS);
    } catch (TimeoutException stillRunning) {
      // the caller is told that it goes on
    } catch (InterruptedException interrupted) {
      Thread.currentThread().interrupt();
    } catch (ExecutionException failed) {
      refusedLate.remove(loadId); // it is said now
      if (failed.getCause() instanceof RuntimeException cause) {
        throw cause;
      }
      throw new IllegalStateException(failed.getCause());
    }
  }
}
