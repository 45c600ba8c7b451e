package zealoustarget.server.outlook;

import java.time.Clock;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import zealoustarget.core.outlook.DealOverride;
import zealoustarget.core.outlook.DealOverride.Field;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.platform.state.DataState;

/** Keeps what is overridden of deals; every change is in the trail. */
@Component
class Overrides {
  private final DealOverrideRepository stored;
  private final Audit audit;
  private final DataState state;
  private final Clock clock;
  private final TransactionTemplate transactions;

  Overrides(
      DealOverrideRepository stored,
      Audit audit,
      DataState state,
      Clock clock,
      TransactionTemplate transactions) {
    this.stored = stored;
    this.audit = audit;
    this.state = state;
    this.clock = clock;
    this.transactions = transactions;
  }

  /** One that stands, with why and by whom. */
  record Made(DealOverride override, String reason, String by) {}

  /** All that were made and not taken back. */
  List<Made> all() {
    return stored.findAllByOrderById().stream()
        .map(entity -> new Made(entity.toOverride(), entity.reason, entity.madeBy))
        .toList();
  }

  /**
   * Puts overrides of a deal in place of those it has.
   *
   * @param subject what the trail calls the deal
   * @param next none to take all back
   * @param words how the trail writes a value of a field
   */
  synchronized void replace(
      String source,
      String deal,
      String subject,
      List<DealOverride> next,
      String reason,
      java.util.function.BiFunction<Field, Long, String> words) {
    transactions.executeWithoutResult(
        status -> {
          List<DealOverrideEntity> before = stored.findBySourceAndDeal(source, deal);
          stored.deleteAllInBatch(before);
          stored.flush();
          next.forEach(
              one ->
                  stored.save(
                      new DealOverrideEntity(
                          one, reason, CurrentAccount.account().name(), clock.instant())));
          audit.add(
              AuditKind.DEAL,
              subject,
              text(before.stream().map(DealOverrideEntity::toOverride).toList(), "", words),
              text(next, reason, words));
        });
    state.changed();
  }

  private static @Nullable String text(
      List<DealOverride> some,
      String reason,
      java.util.function.BiFunction<Field, Long, String> words) {
    if (some.isEmpty()) {
      return null;
    }
    Map<Field, String> byField = new EnumMap<>(Field.class);
    some.forEach(
        one ->
            byField.put(
                one.field(),
                words.apply(one.field(), one.was())
                    + " → "
                    + words.apply(one.field(), one.value())));
    List<String> parts = new ArrayList<>(byField.values());
    return String.join(", ", parts) + (reason.isEmpty() ? "" : ": " + reason);
  }
}
