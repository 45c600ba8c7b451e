package zealoustarget.core.intake;

import org.jspecify.annotations.Nullable;
import zealoustarget.core.member.Axis;

/** Who is known, asked while lines are read. */
public interface Directory {
  /** No member has that key or name. */
  int UNKNOWN = -2;

  /** More than one member has that name. */
  int AMBIGUOUS = -3;

  /**
   * Finds a member by key, then by name; blanks around it and case make no difference.
   *
   * @return its id, {@link #UNKNOWN} or {@link #AMBIGUOUS}; an axis whose names are their own keys
   *     never has unknown ones
   */
  int find(Axis axis, String text);

  /** Whether the text is the key or name of a known member; makes none. */
  boolean isKnown(Axis axis, String text);

  /**
   * Finds a member by its key only, and makes it where it is new, as rosters and product lists do.
   */
  int findOrAdd(Axis axis, String key);

  /** Whether the roster has the rep in that month. */
  boolean isOnRoster(int rep, int month);

  /**
   * The rep's first and last month on the roster as month numbers; the last is null where it is
   * open. Null where the roster does not have the rep at all.
   */
  @Nullable Tenure tenure(int rep);

  /** From when to when a rep is on the roster. */
  record Tenure(int firstMonth, @Nullable Integer lastMonth) {}

  /** A known name on the axis that is spelled nearly like a new one, or null. */
  @Nullable String findLike(Axis axis, String text);
}
