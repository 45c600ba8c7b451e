package zealoustarget.server.platform.state;

import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Whether what is stored is what was stored. Figures are withheld while it is not. */
@Component
public class RecordState {
  private static final Logger LOG = LoggerFactory.getLogger(RecordState.class);

  private final List<String> faults = new CopyOnWriteArrayList<>();
  private volatile @Nullable String awaited;

  /** Says that something does not read as it was written. */
  public void damaged(String fault) {
    if (!faults.contains(fault)) {
      faults.add(fault);
      LOG.error("{} {}", fault, StateWords.STOP_APPLICATION_AND_RESTORE_LAST_BACKUP);
    }
  }

  public boolean isWhole() {
    return faults.isEmpty();
  }

  /** What is wrong, in words. */
  public List<String> faults() {
    return List.copyOf(faults);
  }

  /** Withholds the figures until somebody confirms the data. */
  public void await(String words) {
    awaited = words;
  }

  public void confirmed() {
    awaited = null;
  }

  public boolean isAwaiting() {
    return awaited != null;
  }

  /** What is waited for; null for nothing. */
  public @Nullable String awaited() {
    return awaited;
  }

  /** What is wrong and what to do, for whoever asks for figures. */
  public String words() {
    return StateWords.noFiguresAreShown(
        String.join(" ", faults), StateWords.STOP_APPLICATION_AND_RESTORE_LAST_BACKUP);
  }
}
