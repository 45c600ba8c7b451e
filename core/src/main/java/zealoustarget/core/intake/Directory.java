package zealoustarget.core.intake;

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

  /**
   * Finds a member by its key only, and makes it where it is new, as rosters and product lists do.
   */
  int findOrAdd(Axis axis, String key);

  /** Whether the roster has the rep in that month. */
  boolean isOnRoster(int rep, int month);
}
