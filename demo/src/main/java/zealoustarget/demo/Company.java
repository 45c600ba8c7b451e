package zealoustarget.demo;

import java.time.YearMonth;
import java.util.List;

/** Who and what there is at Saltmarsh Chandlery. All names are made up. */
final class Company {
  /**
   * A rep.
   *
   * @param quota of an average month, in euros; 0 for none
   * @param level what part of the quota the rep usually sells, in percent
   */
  record Rep(
      String key,
      String name,
      String region,
      String manager,
      YearMonth from,
      YearMonth until,
      int quota,
      int level) {}

  /** A product with its list price in cents and how often it is ordered. */
  record Product(String key, String name, String line, int price, int weight) {}

  static final YearMonth FIRST = YearMonth.of(2024, 7);
  static final YearMonth LAST = YearMonth.of(2026, 11);

  static final List<String> REGIONS =
      List.of("Northern Sounds", "Gull Coast", "Inland Lakes", "Harbour Isles", "South Reach");

  static final List<Rep> REPS =
      List.of(
          rep("R01", "Ilse Marwood", "Northern Sounds", "Bea Tarrant", 90_000, 105),
          rep("R02", "Petra Lindqvane", "Northern Sounds", "Bea Tarrant", 58_500, 84),
          rep("R03", "Anselm Grey", "Northern Sounds", "Bea Tarrant", 72_000, 99),
          rep("R04", "Wren Halloway", "Northern Sounds", "Bea Tarrant", 90_000, 112),
          rep("R05", "Tomas Quill", "Gull Coast", "Nils Overby", 62_500, 104),
          rep("R06", "Jonah Pell", "Gull Coast", "Nils Overby", 57_500, 92),
          rep("R07", "Marit Sorrel", "Gull Coast", "Nils Overby", 66_000, 101),
          rep("R08", "Edda Kray", "Gull Coast", "Nils Overby", 54_000, 96),
          rep("R09", "Rurik Sand", "Inland Lakes", "Ottilie Crane", 60_000, 100),
          rep("R10", "Osei Brandt", "Inland Lakes", "Ottilie Crane", 65_000, 74),
          rep("R11", "Hanna Brook", "Inland Lakes", "Ottilie Crane", 48_000, 97),
          rep("R12", "Emil Rook", "Inland Lakes", "Ottilie Crane", 0, 100),
          rep("R13", "Adaeze Fenn", "Harbour Isles", "Nils Overby", 81_000, 103),
          rep("R14", "Leif Corran", "Harbour Isles", "Nils Overby", 52_000, 98),
          rep("R15", "Mina Castellan", "South Reach", "Callum Dray", 75_000, 95),
          rep("R16", "Dario Venn", "South Reach", "Callum Dray", 50_000, 102),
          rep("R17", "Tilda Voss", "Harbour Isles", "Nils Overby", 56_000, 97),
          new Rep(
              "R18",
              "Kaia Thorsby",
              "South Reach",
              "Callum Dray",
              YearMonth.of(2026, 8),
              null,
              40_000,
              76));

  /** Tilda Voss changes region and manager in October 2026. */
  static final Rep MOVE =
      new Rep(
          "R17",
          "Tilda Voss",
          "South Reach",
          "Callum Dray",
          YearMonth.of(2026, 10),
          null,
          56_000,
          97);

  static final List<Product> PRODUCTS =
      List.of(
          new Product("RR-10", "Mooring line 12 mm", "rope & rigging", 4_890, 9),
          new Product("RR-20", "Dock line 14 mm", "rope & rigging", 5_990, 8),
          new Product("RR-30", "Braid line 12 mm", "rope & rigging", 7_450, 7),
          new Product("RR-40", "Halyard 8 mm", "rope & rigging", 9_900, 6),
          new Product("RR-50", "Shackle set", "rope & rigging", 3_475, 6),
          new Product("DH-10", "Cleat 200 mm", "deck hardware", 2_690, 7),
          new Product("DH-20", "Winch handle", "deck hardware", 6_250, 6),
          new Product("DH-30", "Anchor swivel", "deck hardware", 4_410, 5),
          new Product("DH-40", "Self-tailing winch", "deck hardware", 89_000, 3),
          new Product("DH-50", "Folding anchor 8 kg", "deck hardware", 12_900, 4),
          new Product("NV-10", "Chart plotter 9in", "navigation", 107_000, 7),
          new Product("NV-20", "Marine VHF 25W", "navigation", 32_900, 6),
          new Product("NV-30", "Depth sounder", "navigation", 24_500, 4),
          new Product("NV-40", "Steering compass", "navigation", 18_750, 3),
          new Product("NV-50", "Brass sextant", "navigation", 45_000, 1),
          new Product("SG-10", "Life jacket 150N", "safety gear", 14_900, 8),
          new Product("SG-20", "Flare set", "safety gear", 9_950, 6),
          new Product("SG-30", "Life raft 6 persons", "safety gear", 189_000, 2),
          new Product("SG-40", "Fire blanket", "safety gear", 2_250, 4),
          new Product("SG-50", "Emergency beacon", "safety gear", 41_900, 3),
          new Product("CT-10", "Antifoul 2.5 l", "coatings", 9_600, 7),
          new Product("CT-20", "Epoxy 1 kg", "coatings", 3_100, 6),
          new Product("CT-30", "Teak oil 1 l", "coatings", 2_850, 5),
          new Product("CT-40", "Hull primer 5 l", "coatings", 13_900, 4));

  /** Share of an average month by calendar month, in percent: boats are fitted out in spring. */
  private static final int[] SEASON = {78, 86, 112, 124, 130, 122, 108, 96, 92, 88, 80, 84};

  private Company() {}

  static int season(YearMonth month) {
    return SEASON[month.getMonthValue() - 1];
  }

  /** A rep's quota of a month in euros, in steps of 500; a new hire's rises over four months. */
  static int quota(Rep rep, YearMonth month) {
    int growth = 94 + 6 * (month.minusMonths(6).getYear() - 2024);
    int ramp = rep.key().equals("R18") ? Math.min(50 + 15 * months(rep.from(), month), 100) : 100;
    long full = (long) rep.quota() * growth * season(month) * ramp;
    return (int) (full / (100L * 100 * 100) / 500 * 500);
  }

  /** The reps whose first stay has begun, each once. */
  static List<Rep> active(YearMonth month) {
    return REPS.stream().filter(rep -> !rep.from().isAfter(month)).toList();
  }

  /** Where a rep is in a month. */
  static String region(Rep rep, YearMonth month) {
    boolean isMoved = rep.key().equals(MOVE.key()) && !MOVE.from().isAfter(month);
    return isMoved ? MOVE.region() : rep.region();
  }

  private static int months(YearMonth from, YearMonth to) {
    return (to.getYear() - from.getYear()) * 12 + to.getMonthValue() - from.getMonthValue();
  }

  private static Rep rep(
      String key, String name, String region, String manager, int quota, int level) {
    return new Rep(key, name, region, manager, FIRST, null, quota, level);
  }
}
