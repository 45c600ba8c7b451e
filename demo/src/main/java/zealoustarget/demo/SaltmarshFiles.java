package zealoustarget.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.function.BiFunction;
import java.util.function.ToLongFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import zealoustarget.demo.Company.Product;
import zealoustarget.demo.Company.Rep;
import zealoustarget.demo.OrderLines.OrderLine;

/** All files of the demo company by name, and the manifest that says how they are loaded. */
final class SaltmarshFiles {
  private static final long SEED = 20_240_701L;
  private static final YearMonth OCTOBER = YearMonth.of(2026, 10);
  private static final YearMonth CORRECTED = YearMonth.of(2026, 9);
  private static final String LATE_REGION = "Harbour Isles";
  private static final String ORDER_HEADER = "date,order,rep,region,product,revenue,units";

  /** One account a role; everybody knows the passwords, so the demo stays on one machine. */
  private static final String ACCOUNTS =
      """
      {
        "accounts": [
          {"name": "analyst", "role": "analyst", "password": "saltmarsh-demo", "what": "sees and does everything"},
          {"name": "approver", "role": "approver", "password": "saltmarsh-demo", "what": "sees everything, seals and reopens months"},
          {"name": "manager", "role": "manager", "member": "Callum Dray", "password": "saltmarsh-demo", "what": "Callum Dray and his team"},
          {"name": "rep", "role": "rep", "member": "R16", "password": "saltmarsh-demo", "what": "Dario Venn, the own rows only"}
        ]
      }
      """;

  private final Map<String, String> files = new LinkedHashMap<>();
  private final List<String> manifest = new ArrayList<>();
  private final Map<YearMonth, List<OrderLine>> orders = new LinkedHashMap<>();

  private SaltmarshFiles() {
    OrderLines maker = new OrderLines(SEED);
    for (YearMonth month : months(Company.FIRST, Company.LAST)) {
      orders.put(month, maker.month(month));
    }
    files.put("accounts.json", ACCOUNTS);
    files.put("playbook.json", rules());
    add("roster.csv", roster(), "\"kind\": \"roster\"", true);
    add("products.csv", products(), "\"kind\": \"products\"", true);
    addGoals();
    addActuals();
    addCommission();
    addDeals();
    files.put("manifest.json", manifest());
  }

  /** File names and contents, the same for every call. */
  static Map<String, String> all() {
    return new SaltmarshFiles().files;
  }

  /** Writes all files into the folder given, {@code demo/files} without one. */
  public static void main(String[] arguments) throws IOException {
    Path folder = Path.of(arguments.length > 0 ? arguments[0] : "demo/files");
    Files.createDirectories(folder);
    for (Map.Entry<String, String> file : all().entrySet()) {
      Files.writeString(folder.resolve(file.getKey()), file.getValue());
    }
    System.out.println(all().size() + " files written to " + folder);
  }

  private void addGoals() {
    for (int year : new int[] {2025, 2026}) {
      String content =
          byRep("month,rep,revenue", year, (rep, month) -> Company.quota(rep, month) + ".00");
      add("quotas-fy" + year % 100 + ".csv", content, goals("quota", "rep"), true);
    }
    add(
        "quotas-fy27.csv",
        wideQuotas(),
        goals("quota", "rep") + ", \"measure\": \"revenue\"",
        true);
    add("region-plan-fy27.csv", regionPlan(), goals("region plan", "region"), true);
    add("product-plan-fy27.csv", productPlan(), goals("product plan", "product"), true);
    add("budget-fy27.csv", spend(true), goals("budget", "region"), true);
    add("return-limits-fy27.csv", returns(true), goals("return limit", "product"), true);
    add("forecast-fy27.csv", forecast(), goals("forecast", "rep"), true);
    add("return-rates-fy27.csv", returnRates(), goals("return rate limit", "product"), true);
  }

  private void addActuals() {
    for (int year : new int[] {2025, 2026}) {
      add(
          "orders-fy" + year % 100 + ".csv",
          orderFile(fiscal(year), null),
          "\"kind\": \"actuals\"",
          true);
    }
    for (YearMonth month : months(YearMonth.of(2026, 7), Company.LAST)) {
      String without = month.equals(OCTOBER) ? LATE_REGION : null;
      add(
          "orders-" + month + ".csv",
          orderFile(List.of(month), without),
          "\"kind\": \"actuals\"",
          true);
    }
    add("spend-fy27.csv", spend(false), "\"kind\": \"actuals\"", true);
    add("returns-fy27.csv", returns(false), "\"kind\": \"actuals\"", true);
    add("orders-2026-10-harbour-isles.csv", lateFile(), "\"kind\": \"actuals\"", false);
  }

  /** Stock limits, a budget for commission, three sealed months and a correction after them. */
  private void addCommission() {
    add("stock-limits-fy27.csv", stockLimits(), goals("stock limit", "rep"), true);
    add(
        "commission-budget-fy27.csv",
        lines(
            "month,company,commission",
            fiscal(2027).stream().map(month -> month + ",company," + budget(month) + ".00")),
        goals("commission budget", "company"),
        true);
    for (YearMonth month : months(YearMonth.of(2026, 7), CORRECTED)) {
      manifest.add(
          "    {\"seal\": \"" + month + "\", \"on\": \"" + Arrivals.closing(month) + "\"}");
    }
    add(
        "orders-2026-09-correction.csv",
        correction(),
        "\"kind\": \"actuals\", \"mode\": \"correct\"",
        true);
  }

  /** The quarter's deals in four snapshots. */
  private void addDeals() {
    List<List<String>> snapshots =
        DealFiles.all(
            rep ->
                months(OCTOBER, Company.LAST).stream()
                        .flatMap(month -> orders.get(month).stream())
                        .filter(line -> line.rep().equals(rep.key()))
                        .mapToLong(OrderLine::revenue)
                        .sum()
                    / 100);
    for (int at = 0; at < snapshots.size(); at++) {
      List<String> all = snapshots.get(at);
      LocalDate day = DealFiles.DAYS.get(at);
      add(
          "deals-" + day + ".csv",
          lines(all.get(0), all.stream().skip(1)),
          "\"kind\": \"deals\", \"asOf\": \"" + day + "\"",
          true);
    }
  }

  /** What stock allows each rep to sell: half as much again as the quota, less for one. */
  private static String stockLimits() {
    return byRep(
        "month,rep,revenue",
        2027,
        (rep, month) -> {
          int percent = rep.key().equals("R04") ? 145 : 150;
          return Company.quota(rep, month) * percent / 100 / 100 * 100 + ".00";
        });
  }

  /** 3.3 % of all quotas, in steps of 500. */
  private static long budget(YearMonth month) {
    long quotas = withQuota(month).mapToLong(rep -> Company.quota(rep, month)).sum();
    return quotas * 33 / 1000 / 500 * 500;
  }

  /** One order of September comes again, 1,200.00 smaller, after the month was sealed. */
  private String correction() {
    OrderLine sold =
        orders.get(CORRECTED).stream()
            .filter(line -> line.rep().equals("R16") && line.revenue() > 150_000)
            .findFirst()
            .orElseThrow();
    String text = text(sold);
    String revenue = "," + euros(sold.revenue()) + ",";
    return lines(
        ORDER_HEADER,
        Stream.of(text.replace(revenue, "," + euros(sold.revenue() - 120_000) + ",")));
  }

  private String roster() {
    Stream<Rep> stays = Stream.concat(Company.REPS.stream(), Stream.of(Company.MOVE));
    return lines(
        "rep,name,region,manager,from,until,mail",
        stays.map(
            r ->
                String.join(
                    ",",
                    r.key(),
                    r.name(),
                    r.region(),
                    r.manager(),
                    r.from().toString(),
                    "",
                    mail(r))));
  }

  private static String mail(Rep rep) {
    return rep.name().toLowerCase(Locale.ROOT).replace(' ', '.') + "@saltmarsh.example";
  }

  private static String products() {
    return lines(
        "product,name,line",
        Company.PRODUCTS.stream().map(p -> p.key() + "," + p.name() + "," + p.line()));
  }

  /** Months as columns: one line per rep. */
  private static String wideQuotas() {
    DateTimeFormatter column = DateTimeFormatter.ofPattern("MMM-yy", Locale.ENGLISH);
    String header =
        "rep," + fiscal(2027).stream().map(column::format).collect(Collectors.joining(","));
    return lines(
        header,
        Company.REPS.stream()
            .filter(rep -> rep.quota() > 0)
            .map(rep -> rep.key() + "," + cells(rep)));
  }

  private static String cells(Rep rep) {
    return fiscal(2027).stream()
        .map(m -> rep.from().isAfter(m) ? "" : Company.quota(rep, m) + ".00")
        .collect(Collectors.joining(","));
  }

  /** With semicolons and decimal commas, as a planning sheet from another country. */
  private static String regionPlan() {
    return lines(
        "Month;Region;Revenue",
        fiscal(2027).stream()
            .flatMap(
                month ->
                    Company.REGIONS.stream()
                        .map(
                            region ->
                                month + ";" + region + ";" + decimalComma(plan(region, month)))));
  }

  private static long plan(String region, YearMonth month) {
    long quotas =
        withQuota(month)
            .filter(rep -> Company.region(rep, month).equals(region))
            .mapToLong(rep -> Company.quota(rep, month))
            .sum();
    return quotas * 97 / 100 / 1000 * 1000;
  }

  private static String decimalComma(long euros) {
    String digits = Long.toString(euros);
    StringBuilder text = new StringBuilder(digits);
    for (int at = digits.length() - 3; at > 0; at -= 3) {
      text.insert(at, '.');
    }
    return text + ",00";
  }

  /** What was sold a year before and 4 % more, in steps of 100; the sextant is to go to zero. */
  private String productPlan() {
    return lines(
        "month,product,revenue",
        fiscal(2027).stream()
            .flatMap(
                month ->
                    Company.PRODUCTS.stream()
                        .map(
                            product -> {
                              long sold = sold(month.minusYears(1), product);
                              long goal =
                                  product.key().equals("NV-50")
                                      ? 0
                                      : Math.max(sold * 104 / 1_000_000 * 100, 0);
                              return month + "," + product.key() + "," + goal + ".00";
                            })));
  }

  private long sold(YearMonth month, Product product) {
    return orders.getOrDefault(month, List.of()).stream()
        .filter(line -> line.product().equals(product))
        .mapToLong(OrderLine::revenue)
        .sum();
  }

  /** A range around each quota: 8 % under, 6 % over, in steps of 100. */
  private static String forecast() {
    return byRep(
        "month,rep,revenue.low,revenue.high",
        2027,
        (rep, month) -> {
          long quota = Company.quota(rep, month);
          return quota * 92 / 10_000 * 100 + ".00," + quota * 106 / 10_000 * 100 + ".00";
        });
  }

  /** How much of its revenue a product may come back, as percentages; coatings a little more. */
  private static String returnRates() {
    return lines(
        "month,product,returnRate",
        fiscal(2027).stream()
            .flatMap(
                month ->
                    Company.PRODUCTS.stream()
                        .map(
                            product ->
                                month
                                    + ","
                                    + product.key()
                                    + (product.line().equals("coatings") ? ",2.5 %" : ",2 %"))));
  }

  /** Spend by region: every month just under or over its budget. */
  private static String spend(boolean isBudget) {
    Random random = new Random(SEED + 1);
    List<YearMonth> months =
        isBudget ? fiscal(2027) : months(YearMonth.of(2026, 7), YearMonth.of(2026, 10));
    return lines(
        "month,region,spend",
        months.stream()
            .flatMap(
                month ->
                    Company.REGIONS.stream()
                        .map(
                            region -> {
                              long budget = 8_000 + plan(region, month) / 20 / 500 * 500;
                              long cents = budget * (9_300 + random.nextInt(760)) / 100;
                              return month
                                  + ","
                                  + region
                                  + ","
                                  + euros(isBudget ? budget * 100 : cents);
                            })));
  }

  /** Returns by product: within their limit but for two products. */
  private String returns(boolean isLimit) {
    Random random = new Random(SEED + 2);
    ToLongFunction<Product> usual = product -> 20_000L + product.weight() * 12_000L;
    return lines(
        "month,product,returns",
        months(YearMonth.of(2026, 7), YearMonth.of(2026, 10)).stream()
            .flatMap(
                month ->
                    Company.PRODUCTS.stream()
                        .map(
                            product -> {
                              long limit = usual.applyAsLong(product);
                              boolean isOver =
                                  product.key().equals("CT-10") || product.key().equals("SG-10");
                              long share =
                                  isOver ? 118 + random.nextInt(30) : 40 + random.nextInt(55);
                              return month
                                  + ","
                                  + product.key()
                                  + ","
                                  + euros(isLimit ? limit : limit * share / 100);
                            })));
  }

  private String orderFile(List<YearMonth> months, String withoutRegion) {
    return lines(
        ORDER_HEADER,
        months.stream()
            .flatMap(month -> orders.get(month).stream())
            .filter(line -> !line.region().equals(withoutRegion))
            .map(SaltmarshFiles::text));
  }

  /** The late region's October, with the usual faults. */
  private String lateFile() {
    List<String> lines =
        orders.get(OCTOBER).stream()
            .filter(line -> line.region().equals(LATE_REGION))
            .map(SaltmarshFiles::text)
            .collect(Collectors.toCollection(ArrayList::new));
    long sum =
        orders.get(OCTOBER).stream()
            .filter(line -> line.region().equals(LATE_REGION))
            .mapToLong(OrderLine::revenue)
            .sum();
    lines.set(11, lines.get(11).replace("R13", "A. Fen").replace("R14", "A. Fen"));
    lines.set(23, lines.get(23).replaceFirst("(-?\\d+)\\.(\\d\\d),", "$1.O$2,"));
    lines.set(37, lines.get(37).replaceFirst("2026-10-\\d\\d", "2026-02-30"));
    lines.add(52, lines.get(51));
    lines.add(64, ORDER_HEADER);
    lines.add("Total,,,,," + euros(sum) + ",");
    return lines(ORDER_HEADER, lines.stream());
  }

  private static String text(OrderLine line) {
    return String.join(
        ",",
        line.date().toString(),
        line.order(),
        line.rep(),
        line.region(),
        line.product().key(),
        euros(line.revenue()),
        Integer.toString(line.units()));
  }

  private static String euros(long cents) {
    return (cents < 0 ? "-" : "")
        + Math.abs(cents) / 100
        + "."
        + String.format(Locale.ROOT, "%02d", Math.abs(cents) % 100);
  }

  private static Stream<Rep> withQuota(YearMonth month) {
    return Company.active(month).stream().filter(rep -> rep.quota() > 0);
  }

  /** A line for every month of a fiscal year and every rep with a quota in it. */
  private static String byRep(String header, int year, BiFunction<Rep, YearMonth, String> amounts) {
    return lines(
        header,
        fiscal(year).stream()
            .flatMap(
                month ->
                    withQuota(month)
                        .map(rep -> month + "," + rep.key() + "," + amounts.apply(rep, month))));
  }

  private static List<YearMonth> fiscal(int year) {
    return months(YearMonth.of(year - 1, 7), YearMonth.of(year, 6));
  }

  private static List<YearMonth> months(YearMonth from, YearMonth toInclusive) {
    return Stream.iterate(from, m -> !m.isAfter(toInclusive), m -> m.plusMonths(1)).toList();
  }

  private static String lines(String header, Stream<String> lines) {
    return Stream.concat(Stream.of(header), lines).collect(Collectors.joining("\n", "", "\n"));
  }

  private static String goals(String set, String axis) {
    return "\"kind\": \"goals\", \"goalSet\": \"" + set + "\", \"axis\": \"" + axis + "\"";
  }

  private void add(String name, String content, String how, boolean isPosted) {
    files.put(name, content);
    manifest.add(
        "    {\"file\": \""
            + name
            + "\", "
            + how
            + ", \"post\": "
            + isPosted
            + ", \"on\": \""
            + Arrivals.of(name)
            + "\"}");
  }

  private String manifest() {
    return "{\n  \"playbook\": \"playbook.json\",\n  \"files\": [\n"
        + String.join(",\n", manifest)
        + "\n  ]\n}\n";
  }

  private static String rules() {
    return """
        {
          "company": {"name": "Saltmarsh Chandlery"},
          "calendar": {
            "startMonth": 7,
            "yearNamedBy": "end",
            "holidays": ["2026-11-11", "2026-12-25", "2027-01-01", "2027-03-26", "2027-03-29"]
          },
          "measures": [
            {"code": "spend", "unit": "EUR", "scale": 2, "direction": "LOWER"},
            {"code": "returns", "unit": "EUR", "scale": 2, "direction": "LOWER"},
            {"code": "commission", "unit": "EUR", "scale": 2, "direction": "LOWER"},
            {"code": "returnRate", "quotient": ["returns", "revenue"], "direction": "LOWER"}
          ],
          "ladders": [
            {
              "measure": "returnRate",
              "scale": "value",
              "rungs": [
                {"name": "within", "tone": "good"},
                {"name": "watch", "tone": "near", "from": "0.015", "bound": "at or above"},
                {"name": "over", "tone": "bad", "from": "0.02", "bound": "above"}
              ]
            }
          ],
          "plans": [
            {
              "name": "Field 27",
              "since": "2026-07",
              "measure": "revenue",
              "goalSet": "quota",
              "window": "month",
              "floor": {"percent": "0.8"},
              "paidFrom": "first unit",
              "method": "sliced",
              "steps": [{"from": "0", "rate": "0.03"}, {"from": "1", "rate": "0.05"}],
              "bonus": "900.00",
              "ceiling": {"goalSet": "stock limit"},
              "negativeDue": "recover"
            },
            {
              "name": "Harbour 27",
              "since": "2026-07",
              "measure": "revenue",
              "goalSet": "quota",
              "window": "quarter",
              "floor": {"percent": "0.7"},
              "paidFrom": "above floor",
              "method": "sliced",
              "steps": [
                {"from": "0", "rate": "0.08"},
                {"from": "1", "rate": "0.1"},
                {"from": "1.2", "rate": "0.12"}
              ],
              "bonus": "2000.00",
              "bonusPaid": "last month",
              "cap": "12000.00",
              "negativeDue": "hold"
            },
            {
              "name": "Ramp 27",
              "since": "2026-07",
              "measure": "revenue",
              "goalSet": "quota",
              "window": "month",
              "floor": {"percent": "0.6"},
              "paidFrom": "first unit",
              "method": "whole",
              "steps": [{"from": "0", "rate": "0.025"}, {"from": "1", "rate": "0.04"}],
              "bonus": "0.00",
              "negativeDue": "recover"
            }
          ],
          "assignments": [
            %s
          ]
        }
        """
        .formatted(assignments());
  }

  /** Who has which plan; Tilda Voss changes hers with her region. */
  private static String assignments() {
    Stream<String> steady =
        Company.REPS.stream()
            .filter(rep -> !rep.key().equals(Company.MOVE.key()))
            .map(rep -> assignment(rep.key(), plan(rep), rep.from(), null));
    Stream<String> moved =
        Stream.of(
            assignment(
                Company.MOVE.key(),
                "Harbour 27",
                YearMonth.of(2026, 7),
                Company.MOVE.from().minusMonths(1)),
            assignment(Company.MOVE.key(), "Field 27", Company.MOVE.from(), null));
    return Stream.concat(steady, moved).collect(Collectors.joining(",\n    "));
  }

  private static String plan(Rep rep) {
    if (rep.key().equals("R18")) {
      return "Ramp 27";
    }
    return rep.region().equals(LATE_REGION) ? "Harbour 27" : "Field 27";
  }

  private static String assignment(String rep, String plan, YearMonth from, YearMonth until) {
    YearMonth first = from.isBefore(YearMonth.of(2026, 7)) ? YearMonth.of(2026, 7) : from;
    return "{\"rep\": \"%s\", \"plan\": \"%s\", \"from\": \"%s\"%s}"
        .formatted(rep, plan, first, until == null ? "" : ", \"until\": \"" + until + "\"");
  }
}
