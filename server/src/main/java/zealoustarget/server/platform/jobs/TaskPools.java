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

  /** The look at loads that take too long or do not stop. */
  public static final String LOAD_WATCH = "loadWatch";

  /** Backups that are made by themselves. */
  public static final String BACKUPS = "backupTimer";

  /** The daily look at sources that are late, and briefings that go out by themselves. */
  public static final String DAILY = "dailyTimer";

  /** Events to pages; a reader who does not read holds up a thread, so nothing else runs here. */
  public static final String EVENTS = "eventTimers";

  private static final int LOADS_AT_ONCE = 2;
  private static final int EVENT_THREADS = 4;
  private static final int PATIENCE_SECONDS = 30;
  private static final int PATIENCE_WITH_BACKUPS = 60;

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

  @Bean(name = LOAD_WATCH, defaultCandidate = false)
  ThreadPoolTaskScheduler loadWatch() {
    return timers("load-watch-", 1);
  }

  /** A backup under way is waited for. */
  @Bean(name = BACKUPS, defaultCandidate = false)
  ThreadPoolTaskScheduler backups() {
    ThreadPoolTaskScheduler backups = timers("backup-", 1);
    backups.setWaitForTasksToCompleteOnShutdown(true);
    backups.setAwaitTerminationSeconds(PATIENCE_WITH_BACKUPS);
    return backups;
  }

  @Bean(name = DAILY, defaultCandidate = false)
  ThreadPoolTaskScheduler daily() {
    return timers("daily-", 1);
  }

  @Bean(name = EVENTS, defaultCandidate = false)
  ThreadPoolTaskScheduler events() {
    return timers("events-", EVENT_THREADS);
  }

  /**
   * Timers of that many threads. They go on while the server answers its last requests, and end
   * with the parts that use them.
   */
  public static ThreadPoolTaskScheduler timers(String name, int threads) {
    ThreadPoolTaskScheduler timers = new ThreadPoolTaskScheduler();
    timers.setThreadNamePrefix(name);
    timers.setPoolSize(threads);
    timers.setDaemon(true);
    timers.setRemoveOnCancelPolicy(true);
    timers.setAcceptTasksAfterContextClose(true);
    timers.initialize();
    return timers;
  }
}
