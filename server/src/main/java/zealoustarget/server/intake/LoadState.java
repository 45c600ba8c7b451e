package zealoustarget.server.intake;

import java.util.Locale;

/** How far a file has come. */
enum LoadState {
  /** Its lines are being written; nobody sees it, and a restart removes it. */
  READING,
  STAGED,
  POSTED,
  REVERSED;

  String word() {
    return name().toLowerCase(Locale.ROOT);
  }
}
