package zealoustarget.server.rules.reading;

import java.math.BigDecimal;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import zealoustarget.core.outlook.Deal;
import zealoustarget.core.outlook.DealKey;
import zealoustarget.server.rules.Company.Stage;

/**
 * A stage of deals in a rules file.
 *
 * @param likelihood a share from 0 to 1 with at most eight decimals
 */
public record StagePart(String stage, String likelihood) {
  private static final int LONGEST = 60;
  private static final int DECIMALS = 8;

  public static StagePart of(Stage stage) {
    return new StagePart(
        stage.name(),
        BigDecimal.valueOf(stage.likelihood(), DECIMALS).stripTrailingZeros().toPlainString());
  }

  /** All stages of a file; each once. */
  static List<Stage> read(List<Place> places) {
    Set<String> seen = new HashSet<>();
    return places.stream()
        .map(
            place -> {
              Stage stage = read(place);
              if (!seen.add(DealKey.fold(stage.name()))) {
                throw place.fault("stage", ReadingWords.standsTwice(stage.name()));
              }
              return stage;
            })
        .toList();
  }

  /** One stage; refuses a blank name and what is no share. */
  public static Stage read(Place place) {
    place.allowOnly(Set.of("stage", "likelihood"));
    String name = place.text("stage").strip();
    if (name.isEmpty() || name.length() > LONGEST) {
      throw place.fault("stage", ReadingWords.mustHaveToCharacters(LONGEST));
    }
    try {
      return new Stage(name, Deal.likelihoodOf(place.text("likelihood").strip()));
    } catch (IllegalArgumentException noShare) {
      throw place.fault("likelihood", ReadingWords.mustBeLikelihood(place.text("likelihood")));
    }
  }
}
