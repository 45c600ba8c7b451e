package zealoustarget.server.standing.view;

/** Everything that a person reads of {@code standing.view}. */
final class ViewWords {
  static final String YEAR_IS_FISCAL = "\"year\" is a fiscal year such as 2027.";
  static final String PAGE_OUT_OF_RANGE = "\"page\" is 0 or more, \"size\" is 1 to 500.";

  private ViewWords() {}
}
