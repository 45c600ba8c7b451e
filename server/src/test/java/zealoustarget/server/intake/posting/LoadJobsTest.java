package zealoustarget.server.intake.posting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.security.core.context.SecurityContextHolder;
import zealoustarget.core.Refusal;
import zealoustarget.server.platform.jobs.TaskPools;

class LoadJobsTest {
  private static final Duration LONG = Duration.ofMinutes(1);
  private static final Duration SHORT = Duration.ofMillis(100);
  private static final Duration WATCH = Duration.ofMillis(20);

  private final CountDownLatch end = new CountDownLatch(1);
  private LoadJobs jobs;

  @AfterEach
  void stop() throws InterruptedException {
    end.countDown();
    jobs.stop();
    SecurityContextHolder.clearContext();
  }

  private void awaitEnd() {
    try {
      end.await();
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
    }
  }

  private static void stepForever(Progress progress) {
    for (int line = 0; true; line++) {
      progress.read(line);
    }
  }

  @Test
  void workThatTakesTooLong_isStopped() {
    jobs = jobs(SHORT, LONG);
    Progress progress = Progress.unseen();
    assertThatThrownBy(() -> jobs.run(1, progress, LoadJobsTest::stepForever, () -> {}))
        .isInstanceOf(java.util.concurrent.CancellationException.class);
    assertThat(progress.isOverdue()).isTrue();
    assertThat(LoadJobs.stopped(progress).code()).isEqualTo("load-overdue");
    jobs.checkIdle(1);
  }

  @Test
  void workThatSomebodyStops_isSaidToBeStopped_andNotTooLong() {
    jobs = jobs(LONG, LONG);
    Progress progress = Progress.unseen();
    jobs.run(1, progress, LoadJobsTest::stepForever, () -> {});
    progress.cancel();
    assertThat(LoadJobs.stopped(progress).code()).isEqualTo("load-cancelled");
  }

  @Test
  void workThatDoesNotStop_isGivenUp_andOthersGoOn() throws InterruptedException {
    jobs = jobs(LONG, SHORT);
    CountDownLatch givenUp = new CountDownLatch(3);
    Progress[] stuck = {Progress.unseen(), Progress.unseen(), Progress.unseen()};
    AtomicInteger ended = new AtomicInteger();
    for (int load = 0; load < stuck.length; load++) { // the third waits behind the others
      jobs.run(
          load,
          stuck[load],
          progress -> {
            awaitEnd();
            ended.incrementAndGet();
          },
          givenUp::countDown);
    }
    assertThatThrownBy(() -> jobs.checkIdle(1)).isInstanceOf(Refusal.class);
    for (Progress progress : stuck) {
      progress.cancel();
    }
    assertThat(givenUp.await(10, TimeUnit.SECONDS)).isTrue();
    for (int load = 0; load < stuck.length; load++) {
      jobs.checkIdle(load);
    }
    CountDownLatch other = new CountDownLatch(1);
    jobs.run(9, Progress.unseen(), progress -> other.countDown(), () -> {});
    assertThat(other.await(10, TimeUnit.SECONDS)).as("files behind it are read").isTrue();
    end.countDown();
  }

  @Test
  void errorInWork_isSaid_andLeavesTheLoadFree() {
    jobs = jobs(LONG, LONG);
    assertThatThrownBy(
            () ->
                jobs.run(
                    1,
                    Progress.unseen(),
                    progress -> {
                      throw new StackOverflowError();
                    },
                    () -> {}))
        .hasCauseInstanceOf(StackOverflowError.class);
    jobs.checkIdle(1);
  }

  private static LoadJobs jobs(Duration longest, Duration patience) {
    return new LoadJobs(
        longest, patience, WATCH, TaskPools.pool("load-", 2), TaskPools.timers("timer-", 1));
  }
}
