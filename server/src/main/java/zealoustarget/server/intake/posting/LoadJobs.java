package zealoustarget.server.intake.posting;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.scheduling.TaskScheduler;
import org.springframework.scheduling.concurrent.ThreadPoolTaskExecutor;
import org.springframework.stereotype.Component;
import zealoustarget.core.Refusal;
import zealoustarget.server.files.FileLimits;
import zealoustarget.server.platform.jobs.TaskPools;

/**
 * Long work on loads, beside the requests: at most two at a time, one per load. Work that takes too
 * long is stopped; work that does not even stop is given up, so that its load and the files behind
 * it need not wait for it.
 */
@Component
public class LoadJobs {
  private static final Logger LOG = LoggerFactory.getLogger(LoadJobs.class);
  private static final int MOST_REFUSALS = 1_000;
  private static final long PATIENCE_MILLIS = 1_200;
  private static final Duration WATCH = Duration.ofMillis(500);
  private static final Duration STUCK = Duration.ofSeconds(5);

  private record Job(Progress progress, Runnable givingUp, CompletableFuture<Void> end) {
    Job(Progress progress, Runnable givingUp) {
      this(progress, givingUp, new CompletableFuture<>());
    }
  }

  private final ThreadPoolTaskExecutor pool;
  private final Map<Integer, Job> running = new ConcurrentHashMap<>();
  private final Cache<Integer, Refusal> refusedLate =
      Caffeine.newBuilder().maximumSize(MOST_REFUSALS).executor(Runnable::run).build();
  private final Duration longest;
  private final Duration patience;
  private final Future<?> watching;

  @Autowired
  LoadJobs(
      FileLimits limits,
      @Qualifier(TaskPools.LOADS) ThreadPoolTaskExecutor pool,
      @Qualifier(TaskPools.LOAD_WATCH) TaskScheduler timers) {
    this(limits.time(), STUCK, WATCH, pool, timers);
  }

  /**
   * Keeps to these times.
   *
   * @param longest that work may take
   * @param patience with work that was stopped
   * @param watch how often both are looked at
   */
  LoadJobs(
      Duration longest,
      Duration patience,
      Duration watch,
      ThreadPoolTaskExecutor pool,
      TaskScheduler timers) {
    this.longest = longest;
    this.patience = patience;
    this.pool = pool;
    watching = timers.scheduleWithFixedDelay(this::look, watch);
  }

  /**
   * Begins work on a load and waits a moment for its end, so that short work is done when the
   * request is answered.
   *
   * @param givingUp run where the work does not stop when it should; it never counts then
   * @throws Refusal load-busy while other work on it runs; whatever the work refuses in that moment
   */
  public void run(int loadId, Progress progress, Consumer<Progress> work, Runnable givingUp) {
    await(loadId, begin(loadId, progress, work, givingUp), PATIENCE_MILLIS);
  }

  /** The same for a caller who waits for the end, however long that takes. */
  public void runToEnd(int loadId, Progress progress, Consumer<Progress> work, Runnable givingUp) {
    await(loadId, begin(loadId, progress, work, givingUp), Long.MAX_VALUE);
  }

  private CompletableFuture<Void> begin(
      int loadId, Progress progress, Consumer<Progress> work, Runnable givingUp) {
    Job job = new Job(progress, givingUp);
    if (running.putIfAbsent(loadId, job) != null) {
      throw busy(loadId);
    }
    refusedLate.invalidate(loadId);
    pool.execute(() -> work(loadId, job, work));
    return job.end;
  }

  private void work(int loadId, Job job, Consumer<Progress> work) {
    Throwable failure = null;
    try {
      job.progress.begin();
      work.accept(job.progress);
    } catch (Refusal refused) {
      refusedLate.put(loadId, refused);
      failure = refused;
    } catch (RuntimeException | Error failed) {
      failure = failed;
    }
    job.progress.finish();
    if (!running.remove(loadId, job)) {
      resize(-1); // it was given up, and another thread took its place
    }
    if (failure == null) {
      job.end.complete(null);
    } else {
      job.end.completeExceptionally(failure);
    }
  }

  private void look() {
    running.forEach(
        (loadId, job) -> {
          job.progress.cancelAfter(longest);
          if (job.progress.isStuck(patience)) {
            giveUp(loadId, job);
          }
        });
  }

  private void giveUp(int loadId, Job job) {
    if (running.remove(loadId, job)) {
      LOG.error("work on load {} does not stop and is given up", loadId);
      resize(1);
      try {
        job.givingUp.run();
      } catch (RuntimeException failure) {
        LOG.error("load {} could not be given up", loadId, failure);
      }
      job.end.completeExceptionally(overdue());
    }
  }

  private synchronized void resize(int more) {
    int size = pool.getCorePoolSize() + more;
    if (more > 0) {
      pool.setMaxPoolSize(size);
      pool.setCorePoolSize(size);
    } else {
      pool.setCorePoolSize(size);
      pool.setMaxPoolSize(size);
    }
  }

  /** What was refused in work on a load after the request that began it was answered. */
  Optional<Refusal> refusedLate(int loadId) {
    return Optional.ofNullable(refusedLate.getIfPresent(loadId));
  }

  /** The work that runs on a load. */
  public Optional<Progress> find(int loadId) {
    return Optional.ofNullable(running.get(loadId)).map(Job::progress);
  }

  /** Refuses while a load is worked on. */
  public void checkIdle(int loadId) {
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
    Job held = new Job(Progress.unseen(), () -> {});
    if (running.putIfAbsent(loadId, held) != null) {
      throw busy(loadId);
    }
    try {
      work.run();
    } finally {
      running.remove(loadId, held);
    }
  }

  /** Says that work took longer than it may. */
  private static Refusal overdue() {
    return Refusal.of("load-overdue", PostingWords.READING_TOOK_TOO_LONG);
  }

  /** Says why work that was stopped did not come to its end. */
  public static Refusal stopped(Progress progress) {
    return progress.isOverdue()
        ? overdue()
        : Refusal.of("load-cancelled", PostingWords.READING_WAS_STOPPED);
  }

  private static Refusal busy(int loadId) {
    return Refusal.of("load-busy", PostingWords.loadIsBusy(loadId));
  }

  /** What is under way gets time to end; what takes longer is stopped and can be taken up again. */
  @PreDestroy
  void stop() throws InterruptedException {
    watching.cancel(false);
    pool.initiateShutdown();
    ExecutorService working = pool.getThreadPoolExecutor();
    if (!working.awaitTermination(20, TimeUnit.SECONDS)) {
      running.values().forEach(job -> job.progress.cancel());
      working.awaitTermination(10, TimeUnit.SECONDS);
    }
  }

  private void await(int loadId, CompletableFuture<Void> end, long millis) {
    try {
      end.get(millis, TimeUnit.MILLISECONDS);
    } catch (TimeoutException stillRunning) {
      // the caller is told that it goes on
    } catch (InterruptedException interrupted) {
      Thread.currentThread().interrupt();
    } catch (ExecutionException failed) {
      refusedLate.invalidate(loadId); // it is said now
      if (failed.getCause() instanceof RuntimeException cause) {
        throw cause;
      }
      throw new IllegalStateException(failed.getCause());
    }
  }
}
