package zealoustarget.core.ladder;

/** What a rung says about the reading; shape and word carry it, colour comes third. */
public enum Tone {
  GOOD,
  NEAR,
  BAD,
  NEUTRAL
}
