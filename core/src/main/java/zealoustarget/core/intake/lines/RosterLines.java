package zealoustarget.core.intake.lines;

import org.jspecify.annotations.Nullable;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.intake.FindingCode;
import zealoustarget.core.intake.LoadRow;
import zealoustarget.core.intake.header.Header;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.MailAddress;

/** Lines of a roster: a rep's name and place from a month on; several lines for a rep are moves. */
final class RosterLines implements LineReader.Kind {
  private final Header header;
  private final FirstSeen stays = new FirstSeen();

  RosterLines(Header header) {
    this.header = header;
  }

  @Override
  public void read(LineContext draft) {
    int from = draft.month(header.place(Header.Role.FROM));
    Integer until = until(draft, from);
    String key = draft.cell(Header.Role.REP);
    String name = draft.name(key);
    int region = draft.cell(Header.Role.REGION).isEmpty() ? -1 : draft.member(Axis.REGION, false);
    int manager =
        draft.cell(Header.Role.MANAGER).isEmpty() ? -1 : draft.member(Axis.MANAGER, false);
    int rep = draft.ownMember(Axis.REP);
    if (draft.isHeld() || isTwice(draft, rep, from, key)) {
      return;
    }
    draft.add(
        new LoadRow.RosterAssignment(
            draft.line(), rep, name, region, manager, from, until, mail(draft)));
  }

  private static @Nullable String mail(LineContext draft) {
    String mail = draft.cell(Header.Role.MAIL);
    if (mail.isEmpty()) {
      return null;
    }
    if (mail.length() > LineContext.LONGEST_NAME || !MailAddress.isOne(mail)) {
      draft.find(draft.title(Header.Role.MAIL), FindingCode.MAIL_UNREADABLE, "value", mail);
      return null;
    }
    return mail;
  }

  private @Nullable Integer until(LineContext draft, int from) {
    if (draft.cell(Header.Role.UNTIL).isEmpty()) {
      return null;
    }
    int until = draft.month(header.place(Header.Role.UNTIL));
    if (until >= 0 && from >= 0 && until < from) {
      draft.find(
          draft.title(Header.Role.UNTIL),
          FindingCode.UNTIL_BEFORE_FROM,
          "until",
          Months.of(until).toString(),
          "from",
          Months.of(from).toString());
    }
    return until < 0 ? null : until;
  }

  private boolean isTwice(LineContext draft, int rep, int from, String key) {
    int first = stays.seenOrAdd((long) from << 32 | rep, draft.line());
    if (first > 0) {
      draft.find(
          draft.title(Header.Role.REP),
          FindingCode.STAY_TWICE,
          "member",
          key,
          "month",
          Months.of(from).toString(),
          "first",
          Integer.toString(first));
    }
    return first > 0;
  }
}
