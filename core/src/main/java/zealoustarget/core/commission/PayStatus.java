package zealoustarget.core.commission;

/** Where a rep stands in the plan; docs/calculations.md, section 7. */
public enum PayStatus {
  NO_PLAN("no plan"),
  NO_QUOTA("no quota"),
  BELOW_FLOOR("below floor"),
  EARNING("earning"),
  ON_TARGET("on target"),
  AT_CEILING("at ceiling");

  private final String word;

  PayStatus(String word) {
    this.word = word;
  }

  public String word() {
    return word;
  }
}
