package zealoustarget.server.rules;

import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.outlook.Deal;
import zealoustarget.core.outlook.DealKey;

/**
 * What is said of the company itself.
 *
 * @param timeZone where its days begin and end; null while it is not set
 * @param writing how it writes numbers and dates
 * @param measureNames what it calls its measures, by their codes in small letters
 * @param fedByDeals codes of the measures whose actuals are won deals
 * @param stages how likely open deals are whose files give a stage and no likelihood
 * @param closing what is wanted of a month before it is closed
 */
public record Company(
    String name,
    @Nullable ZoneId timeZone,
    Writing writing,
    Map<String, String> measureNames,
    Set<String> fedByDeals,
    List<Stage> stages,
    Closing closing) {
  /**
   * A stage of deals with the company's own likelihood.
   *
   * @param likelihood of {@link Deal#CERTAIN}
   */
  public record Stage(String name, int likelihood) {}

  /** As a company is called before anybody names it. */
  private static final String UNNAMED = RulesWords.MY_COMPANY;

  /** Whether somebody has said what the company is called. */
  public boolean isNamed() {
    return !name.equals(UNNAMED);
  }

  /** The zone that decides which day is today: UTC while none is set. */
  public ZoneId zone() {
    return timeZone == null ? ZoneOffset.UTC : timeZone;
  }

  /** What it calls a measure; null while it has no name beside its code. */
  public @Nullable String givenName(String code) {
    return measureNames.get(code.toLowerCase(Locale.ROOT));
  }

  /** A measure's name: as it was given, else its code as words, "returnRate" as "Return rate". */
  public String nameOf(String code) {
    String given = givenName(code);
    if (given != null) {
      return given;
    }
    String words = Measure.words(code);
    return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
  }

  /** With other stages in place of all. */
  public Company withStages(List<Stage> others) {
    return new Company(name, timeZone, writing, measureNames, fedByDeals, others, closing);
  }

  /** With something else wanted of a month before it is closed. */
  public Company withClosing(Closing other) {
    return new Company(name, timeZone, writing, measureNames, fedByDeals, stages, other);
  }

  /** Likelihoods by stage, as {@link DealKey#fold} gives its name. */
  public Map<String, Integer> likelihoods() {
    Map<String, Integer> byStage = new TreeMap<>();
    stages.forEach(stage -> byStage.put(DealKey.fold(stage.name()), stage.likelihood()));
    return byStage;
  }

  /** With a measure's name; null takes it away. */
  public Company withMeasureName(String code, @Nullable String given) {
    Map<String, String> names = new TreeMap<>(measureNames);
    if (given == null) {
      names.remove(code.toLowerCase(Locale.ROOT));
    } else {
      names.put(code.toLowerCase(Locale.ROOT), given);
    }
    return new Company(name, timeZone, writing, Map.copyOf(names), fedByDeals, stages, closing);
  }

  /** With a measure that is fed by won deals, or by files again. */
  public Company withFedByDeals(String code, boolean isFed) {
    Set<String> fed = new TreeSet<>(fedByDeals);
    if (isFed) {
      fed.add(code);
    } else {
      fed.remove(code);
    }
    return new Company(name, timeZone, writing, measureNames, Set.copyOf(fed), stages, closing);
  }
}
