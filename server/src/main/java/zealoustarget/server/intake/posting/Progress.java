package zealoustarget.server.intake.posting;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.time.Duration;
import java.util.concurrent.CancellationException;
import org.jspecify.annotations.Nullable;
import zealoustarget.server.files.Upload;

/** How far a load's reading and checking has come; written by one thread, read by any. */
public class Progress {
  /** What part of the way, in percent, is over when the lines are read and not yet checked. */
  private static final int READ_SHARE = 45;

  private static final int WHOLE = 100;

  private volatile long startNanos = System.nanoTime();
  private final long bytes;
  private volatile long bytesRead;
  private volatile String phase = "reading";
  private volatile int lines;
  private volatile int lineCount;
  private volatile long cancelledNanos;
  private volatile boolean isCancelled;
  private volatile boolean isOverdue;
  private volatile boolean isBegun;
  private volatile boolean isFinished;

  /** {@code bytes} of the file, 0 where only its lines are checked again. */
  public Progress(long bytes) {
    this.bytes = bytes;
  }

  /** One that nobody watches. */
  public static Progress unseen() {
    return new Progress(0);
  }

  /** Says that another line was read. */
  public void read(int linesSoFar) {
    lines = linesSoFar;
    checkCancelled();
  }

  /** Says that the lines are now checked, and how many there are. */
  public void beginChecking(int count) {
    phase = "checking";
    lineCount = count;
    lines = 0;
  }

  public void checked(int linesSoFar) {
    lines = linesSoFar;
    checkCancelled();
  }

  /** Says that the work begins now; before, it waited for its turn. */
  void begin() {
    startNanos = System.nanoTime();
    isBegun = true;
  }

  /** Stops the work at its next step. */
  public void cancel() {
    if (!isCancelled) {
      cancelledNanos = System.nanoTime();
      isCancelled = true;
    }
  }

  /** Stops the work where it has taken longer than it may. */
  void cancelAfter(Duration limit) {
    if (isBegun && !isCancelled && System.nanoTime() - startNanos > limit.toNanos()) {
      isOverdue = true;
      cancel();
    }
  }

  /** Whether it was stopped because it took too long. */
  boolean isOverdue() {
    return isOverdue;
  }

  /** Whether it was stopped that long ago and has not ended. */
  boolean isStuck(Duration patience) {
    return isCancelled && System.nanoTime() - cancelledNanos > patience.toNanos();
  }

  void finish() {
    isFinished = true;
  }

  boolean isFinished() {
    return isFinished;
  }

  String phase() {
    return phase;
  }

  int lines() {
    return lines;
  }

  /** 0 to 100, whole. */
  int percent() {
    if (isFinished) {
      return WHOLE;
    }
    int before = bytes > 0 ? READ_SHARE : 0;
    if (phase.equals("reading")) {
      return bytes > 0 ? (int) Math.min(before, bytesRead * before / bytes) : 0;
    }
    return lineCount == 0 ? before : before + (int) ((long) lines * (WHOLE - before) / lineCount);
  }

  /** Seconds that are left at the speed so far; −1 while it is too early to say. */
  long secondsLeft() {
    int percent = percent();
    long seconds = (System.nanoTime() - startNanos) / 1_000_000_000;
    return percent < 3 ? -1 : seconds * (WHOLE - percent) / percent;
  }

  /** The same file, with every byte that is read counted. */
  public Upload watch(Upload upload) {
    return new Upload() {
      @Override
      public String name() {
        return upload.name();
      }

      @Override
      public @Nullable Path onDisk() {
        bytesRead = bytes; // a workbook's parts are read as they are needed, by nobody who counts
        return upload.onDisk();
      }

      @Override
      public InputStream open() throws IOException {
        bytesRead = 0;
        return new FilterInputStream(upload.open()) {
          @Override
          public int read() throws IOException {
            int one = super.read();
            bytesRead += one < 0 ? 0 : 1;
            return one;
          }

          @Override
          public int read(byte[] buffer, int from, int length) throws IOException {
            int read = super.read(buffer, from, length);
            bytesRead += Math.max(read, 0);
            checkCancelled();
            return read;
          }
        };
      }
    };
  }

  private void checkCancelled() {
    if (isCancelled) {
      throw new CancellationException("cancelled");
    }
  }
}
