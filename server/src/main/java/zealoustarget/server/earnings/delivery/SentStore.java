package zealoustarget.server.earnings.delivery;

import java.time.Clock;
import java.time.YearMonth;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import zealoustarget.core.calendar.Months;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;

/** Which statements were sent; each is claimed before it goes, so that none goes twice. */
@Component
class SentStore {
  private final SentRepository statements;
  private final Audit audit;
  private final Clock clock;

  SentStore(SentRepository statements, Audit audit, Clock clock) {
    this.statements = statements;
    this.audit = audit;
    this.clock = clock;
  }

  /**
   * What is known of a version.
   *
   * @param sentAt null where it was begun and not finished, so that nobody knows whether it went
   */
  record Sent(
      String rep, String version, String address, String begunAt, @Nullable String sentAt) {}

  /** All versions of a month, in the order in which they went. */
  @Transactional(readOnly = true)
  public List<Sent> ofMonth(YearMonth month) {
    return statements.findByMonthOrderById(Months.number(month)).stream()
        .map(
            row ->
                new Sent(
                    row.rep,
                    row.version,
                    row.address,
                    row.begunAt.toString(),
                    row.sentAt == null ? null : row.sentAt.toString()))
        .toList();
  }

  /** Claims a version for sending; false where it was claimed before. */
  @Transactional
  public boolean claim(String rep, YearMonth month, String version, String address) {
    if (find(rep, month, version).isPresent()) {
      return false;
    }
    SentEntity row = new SentEntity();
    row.rep = rep;
    row.month = Months.number(month);
    row.version = version;
    row.address = address;
    row.begunAt = clock.instant();
    statements.save(row);
    return true;
  }

  /** The mail server took it. */
  @Transactional
  public void sent(String rep, YearMonth month, String version) {
    SentEntity row = find(rep, month, version).orElseThrow();
    row.sentAt = clock.instant();
    audit.add(
        AuditKind.STATEMENT_SENT,
        rep + ", " + month,
        null,
        DeliveryWords.toVersion(row.address, version));
  }

  /** The mail server refused it, so it may be tried again. */
  @Transactional
  public void release(String rep, YearMonth month, String version) {
    find(rep, month, version).filter(row -> row.sentAt == null).ifPresent(statements::delete);
  }

  private Optional<SentEntity> find(String rep, YearMonth month, String version) {
    return statements.findByRepAndMonthAndVersion(rep, Months.number(month), version);
  }
}
