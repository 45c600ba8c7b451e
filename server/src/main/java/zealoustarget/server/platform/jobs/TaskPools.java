package zealoustarget.server.platform.jobs;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.concurrent.ThreadPoolTaskExecutor;
import org.springframework.scheduling.concurrent.ThreadPoolTaskScheduler;
import org.springframework.security.concurrent.DelegatingSecurityContextRunnable;

/**
 * The pools of work beside requests. Each is asked for by its name; whoever hands in work is who
 * acts in it.
 */
@Configuration
public class TaskPools {
  /** Files that are read, checked and posted. */
  public static final String LOADS = "loadPool";

  /** Statements that are written and sent, one job after the other. */
  public static final String STATEMENTS = "statementPool";

  /** What is done again and again, and is short. */
  public static final String TIMERS = "timers";

  /** Events to pages; a reader who does not read holds up a thread, so nothing else runs here. */
  public static final String EVENTS = "eventTimers";

  private static final int LOADS_AT_ONCE = 2;
  private static final int TIMER_THREADS = 2;
  private static final int EVENT_THREADS = 4;
  private static final int PATIENCE_SECONDS = 30;

  @Bean(name = LOADS, defaultCandidate = false)
  ThreadPoolTaskExecutor loads() {
    return pool("load-", LOADS_AT_ONCE);
  }

  @Bean(name = STATEMENTS, defaultCandidate = false)
  ThreadPoolTaskExecutor statements() {
    return pool("statements-", 1);
  }

  /** A pool of that many threads, in which nothing waits for ever for the application's end. */
  public static ThreadPoolTaskExecutor pool(String name, int threads) {
    ThreadPoolTaskExecutor pool = new ThreadPoolTaskExecutor();
    pool.setThreadNamePrefix(name);
    pool.setCorePoolSize(threads);
    pool.setMaxPoolSize(threads);
    pool.setDaemon(true);
    pool.setTaskDecorator(DelegatingSecurityContextRunnable::new);
    pool.setWaitForTasksToCompleteOnShutdown(true);
    pool.setAwaitTerminationSeconds(PATIENCE_SECONDS);
    pool.initialize();
    return pool;
  }

  @Bean(name = TIMERS, defaultCandidate = false)
  ThreadPoolTaskScheduler timers() {
    ThreadPoolTaskScheduler timers = timers("timer-", TIMER_THREADS);
    timers.setWaitForTasksToCompleteOnShutdown(true);
    timers.setAwaitTerminationSeconds(PATIENCE_SECONDS);
    return timers;
  }

  @Bean(name = EVENTS, defaultCandidate = false)
  ThreadPoolTaskScheduler events() {
    return timers("events-", EVENT_THREADS);
  }

  /** Timers of that many threads; what is due again is not begun any more once they end. */
  public static ThreadPoolTaskScheduler timers(String name, int threads) {
    ThreadPoolTaskScheduler timers = new ThreadPoolTaskScheduler();
    timers.setThreadNamePrefix(name);
    timers.setPoolSize(threads);
    timers.setDaemon(true);
    timers.setRemoveOnCancelPolicy(true);
    timers.initialize();
    return timers;
  }
}
