package zealoustarget.demo;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.ToLongFunction;
import zealoustarget.demo.Company.Product;
import zealoustarget.demo.Company.Rep;

/**
 * Four snapshots of the deals of October to December 2026, the same for every call. Planted: two
 * reps with too few deals, one whose quarter hangs on a single deal, deals that are overdue, one
 * that is moved again and again, one that was lost and is open again, two that are gone.
 */
final class DealFiles {
  /** Days of the snapshots. */
  static final List<LocalDate> DAYS =
      List.of(
          LocalDate.of(2026, 10, 5),
          LocalDate.of(2026, 10, 20),
          LocalDate.of(2026, 11, 5),
          LocalDate.of(2026, 11, 20));

  private static final String HEADER = "deal,rep,product,revenue,likelihood,stage,closes,state";
  private static final long SEED = 20_261_005L;
  private static final YearMonth OCTOBER = YearMonth.of(2026, 10);
  private static final YearMonth NOVEMBER = YearMonth.of(2026, 11);
  private static final YearMonth DECEMBER = YearMonth.of(2026, 12);
  private static final int LAST = 3;
  private static final int STEP = 100;

  /** What a rep's open deals hold of what is to go, and how likely they are, in percent. */
  private record Prospects(int share, int likelihood) {}

  private static final Map<String, Prospects> PROSPECTS =
      Map.ofEntries(
          Map.entry("R01", new Prospects(235, 66)),
          Map.entry("R02", new Prospects(140, 47)),
          Map.entry("R03", new Prospects(150, 63)),
          Map.entry("R04", new Prospects(190, 70)),
          Map.entry("R05", new Prospects(170, 60)),
          Map.entry("R06", new Prospects(140, 58)),
          Map.entry("R07", new Prospects(190, 68)),
          Map.entry("R08", new Prospects(180, 50)),
          Map.entry("R09", new Prospects(158, 64)),
          Map.entry("R10", new Prospects(58, 66)),
          Map.entry("R11", new Prospects(112, 75)),
          Map.entry("R13", new Prospects(143, 52)),
          Map.entry("R14", new Prospects(146, 61)),
          Map.entry("R15", new Prospects(133, 68)),
          Map.entry("R16", new Prospects(150, 56)),
          Map.entry("R17", new Prospects(106, 58)),
          Map.entry("R18", new Prospects(81, 72)));

  /** A deal as one snapshot has it; amounts in euros. */
  private record State(long amount, int likelihood, YearMonth closes, String state) {
    static State open(long amount, int likelihood, YearMonth closes) {
      return new State(amount, likelihood, closes, "open");
    }
  }

  private final Random random = new Random(SEED);
  private final List<Map<Integer, String>> snapshots = new ArrayList<>();
  private int number = 1_100;

  private DealFiles() {
    DAYS.forEach(day -> snapshots.add(new LinkedHashMap<>()));
  }

  /**
   * The lines of each snapshot, the header first.
   *
   * @param sold what a rep sold from October to the last day, in euros
   */
  static List<List<String>> all(ToLongFunction<Rep> sold) {
    DealFiles files = new DealFiles();
    for (Rep rep : Company.active(DECEMBER)) {
      files.addRep(rep, sold.applyAsLong(rep));
    }
    return files.lines();
  }

  private List<List<String>> lines() {
    List<List<String>> all = new ArrayList<>();
    for (Map<Integer, String> snapshot : snapshots) {
      List<String> lines = new ArrayList<>(List.of(HEADER));
      lines.addAll(snapshot.values());
      all.add(lines);
    }
    return all;
  }

  private void addRep(Rep rep, long sold) {
    long quota = Company.quota(rep, OCTOBER);
    quota += Company.quota(rep, NOVEMBER);
    quota += Company.quota(rep, DECEMBER);
    Prospects prospects = PROSPECTS.getOrDefault(rep.key(), new Prospects(0, 55));
    long open = quota == 0 ? 7_800L : Math.max(quota - sold, quota / 8) * prospects.share() / 100L;
    for (long amount : parts(rep, open)) {
      int likelihood =
          Math.max(10, Math.min(90, prospects.likelihood() + 10 * (random.nextInt(5) - 2)));
      addOpen(rep, amount, likelihood / 5 * 5, random.nextInt(3) == 0 ? NOVEMBER : DECEMBER);
    }
    addEnded(rep);
    plant(rep);
  }

  /** A rep's open amount in four to seven deals; of one rep four fifths of it in one. */
  private List<Long> parts(Rep rep, long open) {
    int count = rep.quota() == 0 ? 2 : 4 + random.nextInt(4);
    int[] weights = new int[count];
    int all = 0;
    for (int at = 0; at < count; at++) {
      weights[at] = 2 + random.nextInt(9);
      all += weights[at];
    }
    if (rep.key().equals("R05")) {
      all -= weights[0];
      weights[0] = 4 * all;
      all += weights[0];
    }
    List<Long> parts = new ArrayList<>();
    for (int weight : weights) {
      parts.add(Math.max(open * weight / all / STEP, 1) * STEP);
    }
    return parts;
  }

  /** A deal that is open at the end: since when, and what it was before. */
  private void addOpen(Rep rep, long amount, int likelihood, YearMonth closes) {
    int since = Math.max(random.nextInt(6) - 2, 0);
    List<State> life = new ArrayList<>();
    long then = amount;
    int likely = likelihood;
    YearMonth month = closes;
    for (int at = LAST; at >= since; at--) {
      life.add(0, State.open(then, likely, month));
      boolean isChanged = random.nextInt(3) == 0;
      then = isChanged ? Math.max(then * (85 + random.nextInt(30)) / 100 / STEP, 1L) * STEP : then;
      likely = Math.max(likely - 5 * random.nextInt(3), 5);
      month = random.nextInt(5) == 0 && month.isAfter(NOVEMBER) ? month.minusMonths(1) : month;
    }
    add(rep, since, life);
  }

  /** Deals that were won or lost before the last snapshot. */
  private void addEnded(Rep rep) {
    int count = 2 + random.nextInt(3);
    for (int at = 0; at < count; at++) {
      int end = 1 + random.nextInt(LAST);
      boolean isWon = random.nextInt(100) < rep.level() - 40;
      long amount = (20 + random.nextInt(90)) * (long) STEP;
      int likelihood = 20 + 10 * random.nextInt(7);
      YearMonth closes = YearMonth.from(DAYS.get(end));
      List<State> life = new ArrayList<>();
      for (int then = 0; then <= LAST; then++) {
        life.add(
            then < end
                ? State.open(amount, likelihood, closes)
                : new State(amount, isWon ? 100 : 0, closes, isWon ? "won" : "lost"));
      }
      add(rep, 0, life);
    }
  }

  private void plant(Rep rep) {
    switch (rep.key()) {
      case "R15" -> {
        addOverdue(rep, 6_400, 60);
        addOverdue(rep, 3_800, 30);
      }
      case "R06" -> addOverdue(rep, 9_700, 50);
      case "R02" -> // moved again and again
          add(
              rep,
              0,
              List.of(
                  State.open(14_200, 80, OCTOBER),
                  State.open(14_200, 80, NOVEMBER),
                  State.open(14_200, 75, DECEMBER),
                  State.open(14_200, 75, DECEMBER.plusMonths(1))));
      case "R11" -> // lost, and open again
          add(
              rep,
              0,
              List.of(
                  State.open(8_300, 50, NOVEMBER),
                  new State(8_300, 0, NOVEMBER, "lost"),
                  new State(8_300, 0, NOVEMBER, "lost"),
                  State.open(7_900, 40, DECEMBER)));
      case "R14", "R10" -> // gone without a state
          add(rep, 0, List.of(State.open(5_600, 40, DECEMBER), State.open(5_600, 30, DECEMBER)));
      default -> {}
    }
  }

  private void addOverdue(Rep rep, long amount, int likelihood) {
    State same = State.open(amount, likelihood, OCTOBER);
    add(rep, 0, List.of(same, same, same, same));
  }

  private void add(Rep rep, int since, List<State> life) {
    Product product = Company.PRODUCTS.get(random.nextInt(Company.PRODUCTS.size()));
    int deal = ++number;
    for (int at = 0; at < life.size(); at++) {
      State state = life.get(at);
      snapshots
          .get(since + at)
          .put(
              deal,
              String.join(
                  ",",
                  "D-" + deal,
                  rep.key(),
                  product.key(),
                  state.amount() + ".00",
                  state.likelihood() + " %",
                  stage(state),
                  state.closes().toString(),
                  state.state()));
    }
  }

  private static String stage(State state) {
    if (!state.state().equals("open")) {
      return "closed";
    }
    return state.likelihood() < 40
        ? "first talk"
        : state.likelihood() < 70 ? "offer out" : "terms agreed";
  }
}
