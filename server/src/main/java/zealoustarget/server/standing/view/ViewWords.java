package zealoustarget.server.standing.view;

/** Everything that a person reads of {@code standing.view}. */
final class ViewWords {
  static final String YEAR_IS_FISCAL_YEAR_SUCH_AS = "\"year\" is a fiscal year such as 2027.";
  static final String PAGE_IS_OR_MORE_SIZE_IS = "\"page\" is 0 or more, \"size\" is 1 to 500.";

  private ViewWords() {}
}
