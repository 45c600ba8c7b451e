package zealoustarget.core.ledger.sums;

import org.jspecify.annotations.Nullable;
import zealoustarget.core.ledger.columns.ActualBlock;
import zealoustarget.core.ledger.columns.GoalBook;
import zealoustarget.core.ledger.columns.Members;
import zealoustarget.core.ledger.columns.PairNumbers;
import zealoustarget.core.ledger.query.Filters;
import zealoustarget.core.ledger.query.RowFilter;
import zealoustarget.core.member.Axis;

/** Where posted rows and goals are counted: a member of an axis, or a pair of members of two. */
public interface Places {
  int OUTSIDE = -2;

  /** The group of goals that a grouping does not split. */
  int UNSPLIT = -2;

  /** The axis whose ids the places are, or null where they are something else. */
  default @Nullable Axis axis() {
    return null;
  }

  /** One more than the largest place so far. */
  int size();

  /** The place of a row, or −1 where it names no member. */
  int of(ActualBlock block, int row);

  /** The place of a goal, or −2 where it is none of these members'. */
  int ofGoal(Axis bookAxis, GoalBook.Cell cell);

  /**
   * The members of one axis, by their ids.
   *
   * @param isPlacing whether goals of another axis count where each of its members belongs to one
   *     of this, such as quotas of reps in regions
   */
  record Plain(Axis axis, Members members, boolean isPlacing) implements Places {
    public Plain(Axis axis, Members members) {
      this(axis, members, false);
    }

    @Override
    public int size() {
      return members.size(axis);
    }

    @Override
    public int of(ActualBlock block, int row) {
      return RowFilter.place(block, row, axis, members);
    }

    @Override
    public int ofGoal(Axis bookAxis, GoalBook.Cell cell) {
      if (bookAxis == axis) {
        return cell.member();
      }
      return isPlacing && Filters.isPlaced(bookAxis, axis)
          ? Filters.placeOnAxis(bookAxis, cell.member(), cell.month(), axis, members)
          : OUTSIDE;
    }
  }

  /** Pairs of a group's member and a row's member, numbered as they are met; −1 names none. */
  record Pairs(Axis groupAxis, Axis rowAxis, Members members, PairNumbers numbers)
      implements Places {
    public Pairs(Axis groupAxis, Axis rowAxis, Members members) {
      this(groupAxis, rowAxis, members, new PairNumbers());
    }

    @Override
    public int size() {
      return numbers.size();
    }

    @Override
    public int of(ActualBlock block, int row) {
      return numbers.of(
          RowFilter.place(block, row, groupAxis, members),
          RowFilter.place(block, row, rowAxis, members));
    }

    /** A goal whose member's rows may lie in several groups lies in none: it is not split. */
    @Override
    public int ofGoal(Axis bookAxis, GoalBook.Cell cell) {
      if (bookAxis != rowAxis) {
        return OUTSIDE;
      }
      return numbers.of(groupOf(cell), cell.member());
    }

    private int groupOf(GoalBook.Cell cell) {
      if (Filters.isPlaced(rowAxis, groupAxis)) {
        return Filters.placeOnAxis(rowAxis, cell.member(), cell.month(), groupAxis, members);
      }
      return rowAxis == Axis.REGION && groupAxis == Axis.MANAGER
          ? members.onlyManagerOf(cell.member(), cell.month(), UNSPLIT)
          : UNSPLIT;
    }

    public int group(int place) {
      return numbers.first(place);
    }

    public int member(int place) {
      return numbers.second(place);
    }
  }
}
