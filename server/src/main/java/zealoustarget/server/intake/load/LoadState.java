package zealoustarget.server.intake.load;

import java.util.Locale;

/** How far a file has come. */
public enum LoadState {
  /** Its lines are being read; a halt leaves it received, or nothing of it. */
  READING,
  /** The file is kept, but could not be staged yet; its problem says why. */
  RECEIVED,
  STAGED,
  POSTED,
  REVERSED;

  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }
}
