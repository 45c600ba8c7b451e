package zealoustarget.server.platform.http;

/** Everything that a person reads of {@code platform.http}. */
final class HttpWords {
  static final String TOO_MANY_REQUESTS =
      "Too many requests are being sent here at this moment. Try again in a while.";
  static final String FILES_ARE_TAKEN_ELSEWHERE =
      "Files are taken by /api/v1/loads and goal drafts only.";
  static final String BODY_IS_LARGER_THAN_ITS_ROUTE = "the body is larger than its route takes";
  static final String OPEN_BY_KNOWN_ADDRESS =
      "Open the application by an address in zealous.hosts.";
  static final String DATA_ARE_BEING_LOADED = "The data are being loaded. Try again in a moment.";

  private HttpWords() {}

  static String requestWasNotWhole(long toSeconds) {
    return "The request was not whole after " + toSeconds + " seconds. Send it again.";
  }

  static String bodyIsTooLarge(int most) {
    return "This route takes at most " + most + " kB. Send less at once.";
  }
}
