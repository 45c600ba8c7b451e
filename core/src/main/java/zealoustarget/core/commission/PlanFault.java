package zealoustarget.core.commission;

/** What keeps a plan from being one, with the part that says so. */
public final class PlanFault extends IllegalArgumentException {
  private static final long serialVersionUID = 1L;

  private final String part;

  PlanFault(String part, String message) {
    super(message);
    this.part = part;
  }

  /** Such as {@code floor} or {@code steps[1].rate}. */
  public String part() {
    return part;
  }
}
