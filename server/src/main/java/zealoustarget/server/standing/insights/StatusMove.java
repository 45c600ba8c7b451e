package zealoustarget.server.standing.insights;

import java.util.ArrayList;
import java.util.List;
import zealoustarget.core.reading.Standing.Row;

/** A row whose status another ladder changes. */
record StatusMove(Row before, Row after) {
  /** Rows of a standing that is read, and the same under another ladder. */
  static List<StatusMove> between(List<Row> before, List<Row> after) {
    List<StatusMove> moves = new ArrayList<>();
    for (int at = 0; at < before.size(); at++) {
      StatusMove move = new StatusMove(before.get(at), after.get(at));
      if (!move.wordBefore().equals(move.wordAfter())) {
        moves.add(move);
      }
    }
    return moves;
  }

  String wordBefore() {
    return before.spoken().status().word();
  }

  String wordAfter() {
    return after.spoken().status().word();
  }
}
