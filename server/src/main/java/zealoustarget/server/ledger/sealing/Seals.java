package zealoustarget.server.ledger.sealing;

import jakarta.persistence.EntityManager;
import jakarta.persistence.TypedQuery;
import java.time.Clock;
import java.time.Instant;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import zealoustarget.core.calendar.Months;
import zealoustarget.server.platform.Sha256;
import zealoustarget.server.platform.http.Link;
import zealoustarget.server.platform.state.DataState;

/** The months that are sealed; each seal is one row, so it is there wholly or not at all. */
@Component
public class Seals {
  /** The seals in force, by month. */
  public static final DataState.Part<List<Seal>> IN_FORCE = new DataState.Part<>();

  /** How the parts of a new seal are written. */
  static final int FORM = 3;

  private final EntityManager entities;
  private final Clock clock;
  private final DataState state;

  Seals(EntityManager entities, Clock clock, DataState state) {
    this.entities = entities;
    this.clock = clock;
    this.state = state;
  }

  /** The seals in force as they are stored, by month. */
  @Transactional(readOnly = true)
  public List<Seal> stored() {
    return read("unsealedAt is null order by month", null);
  }

  /** The seals in force, by month. */
  public List<Seal> inForce() {
    List<Seal> seals = state.get(IN_FORCE);
    return seals == null ? List.of() : seals;
  }

  public Optional<Seal> find(YearMonth month) {
    return inForce().stream().filter(seal -> seal.month().equals(month)).findFirst();
  }

  /** The last sealed month; null while none is. */
  public @Nullable YearMonth last() {
    List<Seal> seals = inForce();
    return seals.isEmpty() ? null : seals.get(seals.size() - 1).month();
  }

  /** A month's seals that are no longer in force, in their order. */
  @Transactional(readOnly = true)
  public List<Seal> past(YearMonth month) {
    return read("unsealedAt is not null and month = :month order by id", month);
  }

  private List<Seal> read(String which, @Nullable YearMonth month) {
    TypedQuery<Object[]> query =
        entities.createQuery(
            "select id, month, sealedAt, sealedBy, loads, rules, checksum, form, hash, unsealedAt,"
                + " unsealedBy, reason from SealEntity where "
                + which,
            Object[].class);
    if (month != null) {
      query.setParameter("month", Months.number(month));
    }
    return query.getResultStream().map(Seals::seal).toList();
  }

  private static Seal seal(Object[] row) {
    return new Seal(
        (Integer) row[0],
        Months.of((Integer) row[1]),
        (Instant) row[2],
        (String) row[3],
        SealedLoad.readAll((String) row[4]),
        (byte[]) row[5],
        (String) row[6],
        (Integer) row[7],
        (String) row[8],
        (Instant) row[9],
        (String) row[10],
        (String) row[11]);
  }

  /**
   * The large parts of a seal, packed.
   *
   * @param statements commission of every rep
   * @param figures the standings then
   */
  public record Content(byte[] rules, byte[] statements, byte[] figures) {}

  /** The large parts of a seal; they are not kept in memory. */
  @Transactional(readOnly = true)
  public Content content(Seal seal) {
    SealEntity stored = entities.find(SealEntity.class, seal.id());
    return new Content(stored.rules, stored.statements, stored.figures);
  }

  /** Whether what is kept still has the checksum that it was sealed with. */
  @Transactional(readOnly = true)
  public boolean isIntact(Seal seal) {
    Content content = content(seal);
    return Sha256.of(content.rules(), content.statements(), content.figures())
        .equals(seal.checksum());
  }

  /**
   * What is frozen with a month.
   *
   * @param rows digest of the rows of its loads
   */
  public record Frozen(
      List<SealedLoad> loads, String rows, byte[] rules, byte[] statements, byte[] figures) {}

  /** Seals a month; it is in force with the state that the caller makes of it. */
  @Transactional
  public Seal add(YearMonth month, String by, Frozen frozen) {
    SealEntity seal = new SealEntity();
    seal.month = Months.number(month);
    seal.sealedAt = clock.instant().truncatedTo(ChronoUnit.MILLIS);
    seal.sealedBy = by;
    seal.loads = SealedLoad.text(frozen.loads(), frozen.rows());
    seal.rules = frozen.rules();
    seal.statements = frozen.statements();
    seal.figures = frozen.figures();
    seal.checksum = Sha256.of(frozen.rules(), frozen.statements(), frozen.figures());
    seal.form = FORM;
    seal.previousHash =
        entities
            .createQuery("select hash from SealEntity order by id desc", String.class)
            .setMaxResults(1)
            .getResultStream()
            .findFirst()
            .orElse(Link.NONE);
    seal.hash =
        SealLinks.hash(
            seal.previousHash,
            seal.month,
            seal.sealedAt,
            seal.sealedBy,
            seal.loads,
            seal.checksum,
            seal.form);
    entities.persist(seal);
    entities.flush();
    return seal.toSeal();
  }

  /** Takes a seal out of force; the row stays. */
  @Transactional
  public void unseal(int id, String by, String reason) {
    SealEntity seal = entities.find(SealEntity.class, id);
    seal.unsealedAt = clock.instant();
    seal.unsealedBy = by;
    seal.reason = reason;
  }
}
