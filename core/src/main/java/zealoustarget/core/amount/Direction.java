package zealoustarget.core.amount;

/** Which side of the goal is the favourable one. */
public enum Direction {
  /** More than the goal is favourable, as for revenue. */
  HIGHER,
  /** Less than the goal is favourable, as for spend. */
  LOWER
}
