package zealoustarget.server.rules;

/** Which kinds of changes take a second person, where there is one. */
public record Approval(boolean goals, boolean plans, boolean ladders) {
  public static final Approval NONE = new Approval(false, false, false);
}
