package zealoustarget.core.amount;

/** Which side of the goal is the favourable one. */
public enum Direction {
  /** More than the goal is favourable, as for revenue. */
  HIGHER,
  /** Less than the goal is favourable, as for spend. */
  LOWER,
  /** The nearer to the goal the better, on either side, as for stock. */
  NEAREST
}
