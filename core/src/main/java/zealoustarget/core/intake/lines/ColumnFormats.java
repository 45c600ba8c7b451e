package zealoustarget.core.intake.lines;

import java.util.ArrayList;
import java.util.List;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.header.ColumnProfile;
import zealoustarget.core.intake.header.Header;
import zealoustarget.core.intake.values.DateText;
import zealoustarget.core.intake.values.NumberText;

/** How each column of one file writes its numbers and dates. */
final class ColumnFormats {
  private final List<NumberText.Way> numbers = new ArrayList<>();
  private final List<DateText.Order> dates = new ArrayList<>();
  private final LoadSpec spec;

  ColumnFormats(Header header, List<ColumnProfile> profiles, LoadSpec spec) {
    this.spec = spec;
    for (int at = 0; at < header.titles().size(); at++) {
      ColumnProfile profile = at < profiles.size() ? profiles.get(at) : ColumnProfile.NONE;
      numbers.add(profile.numbers(header.rule(at), spec.isCommaGrouping(), spec.writing()));
      dates.add(profile.dates(header.rule(at), spec.writing()));
    }
  }

  NumberText.Way numbers(int place) {
    return numbers.get(place);
  }

  DateText.Order dates(int place) {
    return dates.get(place);
  }

  /** The largest amount that can be kept, as a finding says it. */
  String largest(Measure measure) {
    return spec.shown(measure, Measure.LARGEST_AMOUNT);
  }

  /** An amount as a finding says it. */
  String shown(Measure measure, long smallestUnits) {
    return spec.shown(measure, smallestUnits);
  }

  FiscalCalendar calendar() {
    return spec.calendar();
  }

  int fiscalYear() {
    return spec.fiscalYear();
  }
}
