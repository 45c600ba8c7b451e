package zealoustarget.core.intake;

import java.util.List;
import zealoustarget.core.member.Member;

/** The company as it is posted, as far as a whole file is held against it. */
public interface PostedCompany {
  /**
   * One goal that counts.
   *
   * @param set name of its goal set
   * @param measure code
   * @param month numbered as in {@link zealoustarget.core.calendar.Months}
   * @param amount in the measure's smallest unit; of a range its lower end
   */
  record Goal(String set, String measure, int month, int member, long amount) {}

  /** The reps who are on the roster in a month, by key. */
  List<Member> repsOn(int month);

  /** The region in which a rep is in a month, or −1. */
  int regionOf(int rep, int month);

  /** What people call a region. */
  String regionName(int region);

  /** The goals of a set; none where there is no such set. */
  List<Goal> goals(String set);

  /** The regions' goals of every set that has some. */
  List<Goal> regionGoals();
}
