package zealoustarget.server.access.accounts;

/** The demo, whose passwords everybody knows, was to listen to other machines. */
class OpenDemo extends RuntimeException {
  private static final long serialVersionUID = 1;

  /**
   * Says so.
   *
   * @param way by which others would reach it, such as {@code on 0.0.0.0}
   */
  OpenDemo(String way) {
    super(AccountsWords.demoIsForThisMachineOnly(way));
  }
}
