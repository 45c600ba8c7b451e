package zealoustarget.demo;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import zealoustarget.demo.Company.Product;
import zealoustarget.demo.Company.Rep;

/** Makes the order lines of a month, rep by rep, up to what the rep is to sell in it. */
final class OrderLines {
  /** One line of an order; revenue in cents, negative with negative units for a return. */
  record OrderLine(
      LocalDate date,
      String order,
      String rep,
      String region,
      Product product,
      long revenue,
      int units) {}

  /** Days of the open month that are in its file. */
  static final LocalDate AS_OF = LocalDate.of(2026, 11, 20);

  private static final int RETURN_PER_MILLE = 22;

  private final Random random;
  private int lastOrder = 10_000;

  OrderLines(long seed) {
    random = new Random(seed);
  }

  /** All lines of a month, by date and order. */
  List<OrderLine> month(YearMonth month) {
    List<OrderLine> lines = new ArrayList<>();
    List<LocalDate> days = workingDays(month);
    for (Rep rep : Company.active(month)) {
      lines.addAll(lines(rep, month, days, target(rep, month, days)));
    }
    lines.sort(Comparator.comparing(OrderLine::date).thenComparing(OrderLine::order));
    return lines;
  }

  /** What a rep is to sell in a month, in cents. */
  private long target(Rep rep, YearMonth month, List<LocalDate> days) {
    int quota = rep.quota() == 0 ? 15_000 : Company.quota(rep, month);
    long level = (long) rep.level() + random.nextInt(23) - 11;
    if (month.equals(YearMonth.of(2026, 10))) {
      level =
          switch (rep.key()) {
            case "R04" -> 151;
            case "R10" -> 66;
            default -> level;
          };
    }
    if (rep.key().equals("R10") && month.isAfter(YearMonth.of(2026, 6))) {
      level = Math.min(level, 70);
    }
    if (isShortOfPlotters(Company.region(rep, month), month)) {
      level -= 12;
    }
    boolean isOpen = month.equals(YearMonth.from(AS_OF));
    long full = quota * level;
    return isOpen ? full * days.size() / workingDaysOf(month) : full;
  }

  private List<OrderLine> lines(Rep rep, YearMonth month, List<LocalDate> days, long target) {
    List<OrderLine> lines = new ArrayList<>();
    long sum = 0;
    if (rep.key().equals("R11") && month.equals(YearMonth.of(2026, 2))) {
      OrderLine cancelled = cancelled(rep, month, days.get(days.size() / 2), target);
      lines.add(cancelled);
      sum += cancelled.revenue() + 2 * target;
    }
    while (sum < target) {
      LocalDate day = days.get(random.nextInt(days.size()));
      String order = "SO-" + ++lastOrder;
      int size = 1 + random.nextInt(3);
      for (int i = 0; i < size && sum < target; i++) {
        OrderLine line = line(rep, month, day, order);
        lines.add(line);
        sum += line.revenue();
      }
    }
    long quota = Company.quota(rep, month) * 100L;
    LocalDate last = days.get(days.size() - 1);
    if (month.equals(YearMonth.of(2026, 10)) && rep.key().equals("R09")) {
      lines.add(settling(rep, month, lines, last, quota - 1_000));
    }
    if (month.equals(YearMonth.of(2026, 10)) && rep.key().equals("R10")) {
      lines.add(settling(rep, month, lines, last, quota * 2 / 3));
    }
    return lines;
  }

  private OrderLine line(Rep rep, YearMonth month, LocalDate day, String order) {
    String region = Company.region(rep, month);
    Product product = product(region, month);
    long wanted = 12_000 + (long) (StrictMath.exp(random.nextGaussian() * 0.75) * 54_000);
    int units = (int) Math.max(1, wanted / product.price());
    long price = product.price() * (100L - random.nextInt(13)) / 100;
    boolean isReturn = random.nextInt(1000) < RETURN_PER_MILLE;
    int signed = isReturn ? -Math.max(1, units / 4) : units;
    return new OrderLine(day, order, rep.key(), region, product, price * signed, signed);
  }

  /** By weight; South Reach hardly sells chart plotters since August 2026. */
  private Product product(String region, YearMonth month) {
    while (true) {
      int ticket = random.nextInt(Company.PRODUCTS.stream().mapToInt(Product::weight).sum());
      Product found = null;
      for (Product product : Company.PRODUCTS) {
        ticket -= product.weight();
        if (ticket < 0) {
          found = product;
          break;
        }
      }
      boolean isOut = isShortOfPlotters(region, month) && found.key().equals("NV-10");
      if (!isOut || random.nextInt(100) >= 85) {
        return found;
      }
    }
  }

  /** South Reach misses what it used to sell of one product, and no other. */
  private static boolean isShortOfPlotters(String region, YearMonth month) {
    return region.equals("South Reach") && month.isAfter(YearMonth.of(2026, 7));
  }

  /** A large order of the month before that comes back: more than the rep sells in the month. */
  private OrderLine cancelled(Rep rep, YearMonth month, LocalDate day, long target) {
    Product raft = product("SG-30");
    int units = (int) (target * 3 / 2 / raft.price()) + 1;
    return new OrderLine(
        day,
        "SO-" + ++lastOrder,
        rep.key(),
        Company.region(rep, month),
        raft,
        (long) -raft.price() * units,
        -units);
  }

  /** A last line that brings the rep's month to exactly {@code wanted} cents. */
  private OrderLine settling(
      Rep rep, YearMonth month, List<OrderLine> lines, LocalDate day, long wanted) {
    long missing = wanted - lines.stream().mapToLong(OrderLine::revenue).sum();
    return new OrderLine(
        day,
        "SO-" + ++lastOrder,
        rep.key(),
        Company.region(rep, month),
        product("CT-20"),
        missing,
        missing < 0 ? -1 : 1);
  }

  private static Product product(String key) {
    return Company.PRODUCTS.stream().filter(p -> p.key().equals(key)).findFirst().orElseThrow();
  }

  private static int workingDaysOf(YearMonth month) {
    return (int) weekdays(month).count();
  }

  private static List<LocalDate> workingDays(YearMonth month) {
    return weekdays(month).filter(day -> !day.isAfter(AS_OF)).toList();
  }

  private static Stream<LocalDate> weekdays(YearMonth month) {
    return month
        .atDay(1)
        .datesUntil(month.plusMonths(1).atDay(1))
        .filter(day -> day.getDayOfWeek().getValue() < DayOfWeek.SATURDAY.getValue());
  }
}
