package zealoustarget.server.standing.view;

import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import zealoustarget.server.standing.query.StandingParameters;

/** A standing as lines of text, for consoles. */
@Component
public class StandingText {
  private static final String LINE = "%-22s %14s %14s %14s %9s  %s%n";

  private final StandingService standings;

  StandingText(StandingService standings) {
    this.standings = standings;
  }

  /** The headline, the total and all rows of a month by key, as a table. */
  public String of(String axis, String month, String goalSet) {
    StandingAnswer answer = standings.standing(StandingParameters.of(axis, null, month, goalSet));
    StringBuilder text = new StringBuilder("\n");
    text.append(
            answer.headline().stream()
                .map(StandingAnswer.HeadlinePart::text)
                .collect(Collectors.joining()))
        .append("\n\n")
        .append(String.format(LINE, axis, "actual", "goal", "variance", "to goal", "status"));
    line(text, "all", answer.total());
    answer.rows().forEach(row -> line(text, row.name(), row));
    return text.toString();
  }

  private static void line(StringBuilder text, @Nullable String name, ReadingAnswer reading) {
    String percent = reading.percentShown() == null ? "–" : reading.percentShown() + " %";
    String status = reading.noReading() == null ? reading.status() : reading.noReading();
    text.append(
        String.format(
            LINE,
            name,
            reading.actual(),
            orDash(reading.goal()),
            orDash(reading.variance()),
            percent,
            status));
  }

  private static String orDash(@Nullable String figure) {
    return figure == null ? "–" : figure;
  }
}
