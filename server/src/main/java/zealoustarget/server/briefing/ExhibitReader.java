package zealoustarget.server.briefing;

import org.springframework.stereotype.Component;
import org.springframework.web.util.UriComponentsBuilder;
import zealoustarget.core.Refusal;

/** Reads what exhibits show as tables, on behalf of whoever reads. */
@Component
class ExhibitReader {
  private final StandingExhibits standings;
  private final OutlookExhibits outlooks;
  private final NoteExhibits notes;

  ExhibitReader(StandingExhibits standings, OutlookExhibits outlooks, NoteExhibits notes) {
    this.standings = standings;
    this.outlooks = outlooks;
    this.notes = notes;
  }

  /** The exhibit's figures now; gone where its view can no longer be read. */
  ExhibitData read(Block.Exhibit exhibit, FigureReader.Answers answers) {
    String address = address(exhibit);
    try {
      return switch (exhibit.kind()) {
        case "lanes", "parts" -> standings.standing(exhibit, answers, address);
        case "months" -> standings.months(exhibit, answers, address);
        case "stairs" -> PayExhibits.stairs(exhibit, answers, address);
        case "follow-ups" -> notes.followUps(exhibit, answers, address);
        case "pay" -> PayExhibits.pay(exhibit, answers, address);
        case "reasons" -> notes.reasons(exhibit, answers, address);
        case "outlook" -> outlooks.outlook(exhibit, answers, address);
        case "bridge" -> outlooks.bridge(exhibit, answers, address);
        default -> ExhibitData.gone(address);
      };
    } catch (Refusal gone) {
      return ExhibitData.gone(address);
    }
  }

  /** The same view in the application. */
  private static String address(Block.Exhibit exhibit) {
    boolean isPay = exhibit.kind().equals("pay") || exhibit.kind().equals("stairs");
    UriComponentsBuilder address = UriComponentsBuilder.fromPath(isPay ? "/earnings" : "/standing");
    exhibit
        .view()
        .forEach(
            (name, value) -> {
              String text = String.valueOf(value);
              switch (name) {
                case "month" -> address.queryParam("to", text);
                case "goalSet" -> address.queryParam("against", "set:" + text);
                case "from" -> {
                  if (!text.equals(exhibit.view().get("to"))) {
                    address.queryParam("span", "range").queryParam("from", text);
                  }
                }
                default -> address.queryParam(name, text);
              }
            });
    if (exhibit.kind().equals("outlook") || exhibit.kind().equals("bridge")) {
      address.queryParam("layout", "outlook");
    }
    if (exhibit.row() != null) {
      address.queryParam("selected", exhibit.row());
    }
    return address.build().encode().toUriString();
  }
}
