package zealoustarget.server.accounts;

/** The demo, whose passwords everybody knows, was to listen to other machines. */
class OpenDemo extends RuntimeException {
  private static final long serialVersionUID = 1;

  OpenDemo(String address) {
    super(
        "The demo's passwords are known to everybody, so it listens on this machine only, not on "
            + address
            + ". Start without the demo (--empty), or leave the address out.");
  }
}
