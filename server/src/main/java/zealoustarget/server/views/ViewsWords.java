package zealoustarget.server.views;

/** Everything that a person reads of {@code views}. */
final class ViewsWords {
  static final String ADDRESS_IS_FOREIGN =
      "The address must be one of this application, such as /standing?axis=region.";

  private ViewsWords() {}

  static String viewsNameHasToCharacters(int longestName) {
    return "A view's name has 1 to " + longestName + " characters.";
  }

  static String tooManyViews(int mostViews) {
    return "There are " + mostViews + " views already. Delete one first.";
  }

  static String nothingWasSaved(String words) {
    return words + " Nothing was saved.";
  }
}
