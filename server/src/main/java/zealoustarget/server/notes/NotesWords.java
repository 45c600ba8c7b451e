package zealoustarget.server.notes;

import java.time.LocalDate;
import java.time.YearMonth;
import org.jspecify.annotations.Nullable;

/** Everything that a person reads of {@code notes}. */
final class NotesWords {
  static final String WHAT_WILL_BE_DONE = "what will be done";
  static final String WHO_WILL_DO_IT = "who will do it";

  private NotesWords() {}

  static String until(String what, String who, LocalDate due) {
    return what + " (" + who + ", until " + due + ")";
  }

  static String noFollowUp(int id) {
    return "There is no follow-up " + id + ". Load the notes again.";
  }

  static String followUp(String member, YearMonth month) {
    return "follow-up on " + member + ", " + month;
  }

  static String listMayHaveAtMostReasons(int mostReasons) {
    return "The list may have at most " + mostReasons + " reasons.";
  }

  static String eachReasonNeedsName(int longestName) {
    return "Each reason needs a name of 1 to " + longestName + " characters.";
  }

  static String isNotCode(String code) {
    return "\"" + code + "\" is not a code. Use small letters, digits and -.";
  }

  static String isGivenTwice(String name) {
    return "\"" + name + "\" is given twice. Remove one of them.";
  }

  static String noteMayHaveCharacters(int longestText, int count) {
    return "A note may have " + longestText + " characters, was " + count + ".";
  }

  static String no(String axis, String key) {
    return "There is no " + axis + " \"" + key + "\".";
  }

  static String sayInUpToCharacters(String words, int most) {
    return "Say " + words + ", in up to " + most + " characters.";
  }

  static String isNotDay(@Nullable String text) {
    return "\"" + text + "\" is not a day. Write the day as 2026-11-30.";
  }

  static String isNotMonth(String text) {
    return "\"" + text + "\" is not a month. Write it as 2026-10.";
  }

  static String nothingWasChanged(String words) {
    return words + " Nothing was changed.";
  }

  static String reasonIsUsedByNotes(String notes) {
    return "The reason is used by notes "
        + notes
        + ". Leave it on the list, or change those notes first.";
  }

  static String somebodyElseChangedNote(String there) {
    return "Somebody else changed the note: \""
        + there
        + "\". Your text was not saved. Copy it, load the note again, then save.";
  }

  static String isNotReasonOnListAllowed(String reason, String codes) {
    return "\"" + reason + "\" is not a reason on the list; allowed are " + codes + ".";
  }
}
