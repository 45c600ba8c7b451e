package zealoustarget.server.earnings.sealing;

import java.time.YearMonth;
import java.util.List;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;

/** What stands between a month and its closing, as closing itself asks for it. */
public interface CloseGate {
  /** The part of a seal's rules that holds the list. */
  String KEPT = "closeList";

  /**
   * A line of the close list as it is kept with a closed month.
   *
   * @param state {@code done}, {@code open} or {@code waived}
   * @param reason why it was waived
   */
  record Kept(
      String code,
      String name,
      String state,
      String figure,
      String text,
      @Nullable String by,
      @Nullable String at,
      @Nullable String reason) {}

  /**
   * Whether a month may be closed.
   *
   * @param requiresChecked whether nothing may be open, whatever the rules say
   * @throws Refusal month-not-checked, naming the open lines
   */
  void check(YearMonth month, boolean requiresChecked);

  /** The list as it stands, to be kept with the month. */
  List<Kept> kept(YearMonth month);
}
