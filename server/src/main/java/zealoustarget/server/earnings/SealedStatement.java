package zealoustarget.server.earnings;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A rep's statement as a seal keeps it; docs/formats.md. What a seal holds never changes, so this
 * record does not follow what the interface asks for: a field may come to it with another form of
 * seals, none may go or change its meaning. Amounts are decimal text as in {@link EarningsRow}.
 */
record SealedStatement(
    String rep,
    String name,
    @Nullable String region,
    @Nullable String plan,
    String measure,
    String unit,
    @Nullable String quota,
    @Nullable String monthQuota,
    String actual,
    @Nullable String credited,
    String notCredited,
    String status,
    String tone,
    @Nullable String earned,
    @Nullable String due,
    List<Component> components,
    @Nullable Next next,
    String windowFrom,
    @Nullable String closedThrough,
    String closed,
    String part,
    List<Adjusted> adjustments,
    String heldBefore,
    String held,
    String capped,
    @Nullable String floor,
    @Nullable String ceiling,
    List<Point> curve) {
  record Component(
      String what,
      String label,
      @Nullable String from,
      @Nullable String until,
      @Nullable String base,
      @Nullable String rate,
      String amount) {}

  record Next(String event, String sales, String pay) {}

  record Adjusted(
      String from, String through, String earnedThen, String earnedNow, String amount) {}

  record Point(String sales, String pay) {}

  static SealedStatement of(EarningsRow row) {
    EarningsRow.NextPart next = row.next();
    return new SealedStatement(
        row.rep(),
        row.name(),
        row.region(),
        row.plan(),
        row.measure(),
        row.unit(),
        row.quota(),
        row.monthQuota(),
        row.actual(),
        row.credited(),
        row.notCredited(),
        row.status(),
        row.tone(),
        row.earned(),
        row.due(),
        row.components().stream()
            .map(
                one ->
                    new Component(
                        one.what(),
                        one.label(),
                        one.from(),
                        one.until(),
                        one.base(),
                        one.rate(),
                        one.amount()))
            .toList(),
        next == null ? null : new Next(next.event(), next.sales(), next.pay()),
        row.windowFrom(),
        row.closedThrough(),
        row.closed(),
        row.part(),
        row.adjustments().stream()
            .map(
                one ->
                    new Adjusted(
                        one.from(), one.through(), one.earnedThen(), one.earnedNow(), one.amount()))
            .toList(),
        row.heldBefore(),
        row.held(),
        row.capped(),
        row.floor(),
        row.ceiling(),
        row.curve().stream().map(point -> new Point(point.sales(), point.pay())).toList());
  }

  EarningsRow toRow() {
    return new EarningsRow(
        rep,
        name,
        region,
        plan,
        measure,
        unit,
        quota,
        monthQuota,
        actual,
        credited,
        notCredited,
        status,
        tone,
        earned,
        due,
        components.stream()
            .map(
                one ->
                    new EarningsRow.ComponentPart(
                        one.what, one.label, one.from, one.until, one.base, one.rate, one.amount))
            .toList(),
        next == null ? null : new EarningsRow.NextPart(next.event, next.sales, next.pay),
        windowFrom,
        closedThrough,
        closed,
        part,
        adjustments.stream()
            .map(
                one ->
                    new EarningsRow.AdjustmentPart(
                        one.from, one.through, one.earnedThen, one.earnedNow, one.amount))
            .toList(),
        heldBefore,
        held,
        capped,
        floor,
        ceiling,
        curve.stream().map(point -> new EarningsRow.PointPart(point.sales, point.pay)).toList());
  }
}
