package zealoustarget.server.goals;

import java.time.Clock;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.Refusal;
import zealoustarget.core.calendar.Months;
import zealoustarget.core.member.Axis;
import zealoustarget.core.member.Member;
import zealoustarget.server.access.accounts.Account;
import zealoustarget.server.access.accounts.AccountStore;
import zealoustarget.server.access.accounts.CurrentAccount;
import zealoustarget.server.access.accounts.Role;
import zealoustarget.server.intake.entered.EnteredGoals;
import zealoustarget.server.intake.entered.EnteredGoals.Amount;
import zealoustarget.server.platform.state.DataState;

/**
 * Keeps each person's draft of a set's goals for one measure: changes that count nowhere until they
 * are applied, all or nothing; docs/calculations.md, section 8.
 */
@Service
class GoalDrafts {
  /** How many drafts of the same goals one person can have. */
  static final int MOST = 3;

  private final GoalDraftRepository drafts;
  private final GoalSheets sheets;
  private final DataState state;
  private final JsonMapper json;
  private final AccountStore accounts;
  private final Clock clock;

  GoalDrafts(
      GoalDraftRepository drafts,
      GoalSheets sheets,
      DataState state,
      JsonMapper json,
      AccountStore accounts,
      Clock clock) {
    this.drafts = drafts;
    this.sheets = sheets;
    this.state = state;
    this.json = json;
    this.accounts = accounts;
    this.clock = clock;
  }

  /**
   * A changed cell of a draft.
   *
   * @param before what stood there when it was changed; null for no goal
   * @param after null for no goal
   */
  record Cell(String key, YearMonth month, @Nullable Amount before, @Nullable Amount after) {}

  record Content(List<Cell> cells) {}

  /** The changes of the account that acts, in the order in which they were begun. */
  @Transactional(readOnly = true)
  public List<Cell> cells(GoalSheet sheet) {
    return find(sheet).map(this::read).orElse(List.of());
  }

  /** A sheet as the draft has it. */
  GoalSheet drafted(GoalSheet sheet, List<Cell> cells) {
    List<Change> changes = new ArrayList<>();
    for (Cell cell : cells) {
      Member member = known(sheet, cell);
      if (member != null) {
        changes.add(new Change(member, cell.month(), cell.after()));
      }
    }
    return sheet.changed(changes);
  }

  /** The member of a drafted cell; null where it is gone since. */
  static @Nullable Member known(GoalSheet sheet, Cell cell) {
    return sheet.axis() == Axis.COMPANY
        ? Member.COMPANY
        : sheet.ledger().members().findByKey(sheet.axis(), cell.key()).orElse(null);
  }

  /** A cell that is to be changed; null takes the goal away. */
  record Change(Member member, YearMonth month, @Nullable Amount after) {}

  /**
   * Changes some cells of the draft, all or none; one that is as it stands is no change any more.
   *
   * @throws Refusal month-sealed
   */
  @Transactional
  public void change(GoalSheet sheet, List<Change> changes) {
    sheets.checkSealed(changes.stream().map(Change::month).toList());
    Map<List<Object>, Cell> cells = new LinkedHashMap<>();
    cells(sheet).forEach(cell -> cells.put(List.of(cell.key(), cell.month()), cell));
    for (Change change : changes) {
      List<Object> place = List.of(change.member().key(), change.month());
      Cell known = cells.get(place);
      Amount before =
          known == null
              ? sheet.amount(change.member().id(), Months.number(change.month()))
              : known.before();
      if (GoalSheets.isSame(before, change.after())) {
        cells.remove(place);
      } else {
        cells.put(place, new Cell(change.member().key(), change.month(), before, change.after()));
      }
    }
    store(sheet, List.copyOf(cells.values()));
  }

  /** Changes the drafts of two sheets, both or neither; as {@link #change}. */
  @Transactional
  public void changeBoth(GoalSheet one, List<Change> ofOne, GoalSheet other, List<Change> ofOther) {
    change(one, ofOne);
    change(other, ofOther);
  }

  /** Which drafts of these goals the account that acts has, by number. */
  @Transactional(readOnly = true)
  public List<Integer> slots(GoalSheet sheet) {
    return slots(sheet, CurrentAccount.account().id());
  }

  private List<Integer> slots(GoalSheet sheet, int ownerId) {
    return drafts
        .findByOwnerIdAndGoalSetAndMeasureOrderBySlot(
            ownerId, sheet.goalSet(), sheet.measure().code())
        .stream()
        .map(draft -> draft.slot)
        .toList();
  }

  /**
   * Hands the draft to another analyst, who goes on with it.
   *
   * @return which of the other's drafts it is now
   * @throws Refusal draft-empty; value-unknown where there is no such analyst; drafts-full where
   *     the other has {@link #MOST} drafts of these goals already
   */
  @Transactional
  public int hand(GoalSheet sheet, @Nullable String name) {
    GoalDraftEntity draft =
        find(sheet).orElseThrow(() -> Refusal.of("draft-empty", GoalsWords.NOTHING_TO_HAND_ON));
    Account other =
        accounts
            .findByName(name == null ? "" : name.strip())
            .filter(one -> one.role() == Role.ANALYST && !one.isDisabled())
            .orElseThrow(
                () ->
                    Refusal.of("value-unknown", GoalsWords.noAnalystsAccountNamed(name))
                        .with("name", "to"));
    if (other.id() == draft.ownerId) {
      throw Refusal.of("value-unknown", GoalsWords.DRAFT_IS_YOURS_ALREADY).with("name", "to");
    }
    List<Integer> taken = slots(sheet, other.id());
    int free =
        IntStream.rangeClosed(1, MOST)
            .filter(slot -> !taken.contains(slot))
            .findFirst()
            .orElseThrow(
                () -> Refusal.of("drafts-full", GoalsWords.hasTooManyDrafts(other.name(), MOST)));
    draft.ownerId = other.id();
    draft.slot = free;
    drafts.save(draft);
    return free;
  }

  /** Forgets the draft; one that is not there is no fault. */
  @Transactional
  public void discard(GoalSheet sheet) {
    find(sheet).ifPresent(drafts::delete);
  }

  /**
   * Enters the draft, or proposes it: all or nothing.
   *
   * @throws Refusal draft-empty, changed-since naming the cell and who changed it, month-sealed,
   *     goal-member-unknown
   */
  GoalSheets.Entered apply(GoalSheet asked) {
    return state.getInTurn(
        () ->
            applyAlone(
                sheets
                    .read(
                        asked.goalSet(), asked.axis().word(), asked.measure().code(), asked.span())
                    .withSlot(asked.slot())));
  }

  private GoalSheets.Entered applyAlone(GoalSheet sheet) {
    List<Cell> cells = cells(sheet);
    if (cells.isEmpty()) {
      throw Refusal.of("draft-empty", GoalsWords.NOTHING_TO_APPLY);
    }
    List<EnteredGoals.Cell> changed = new ArrayList<>();
    for (Cell cell : cells) {
      Member member = sheet.member(cell.key());
      int month = Months.number(cell.month());
      Amount now = sheet.amount(member.id(), month);
      if (GoalSheets.isSame(now, cell.after())) {
        continue; // somebody has entered the same
      }
      if (!GoalSheets.isSame(now, cell.before())) {
        throw GoalSheets.changedSince(
            member.name(), cell.month(), sheets.broughtBy(sheet, member.id(), month));
      }
      changed.add(new EnteredGoals.Cell(member, month, now, cell.after()));
    }
    GoalSheets.Entered entered = sheets.enter(sheet, changed, () -> discard(sheet));
    if (entered.equals(GoalSheets.Entered.NOTHING)) {
      discard(sheet);
    }
    return entered;
  }

  /** Makes cells an account's draft again, beside those that it has changed since. */
  @Transactional
  public void giveBack(GoalSheet sheet, List<Cell> given, int ownerId) {
    Optional<GoalDraftEntity> draft = any(sheet, ownerId);
    if (draft.isPresent() && draft.get().axis != sheet.axis()) {
      return;
    }
    Map<List<Object>, Cell> cells = new LinkedHashMap<>();
    given.forEach(cell -> cells.put(List.of(cell.key(), cell.month()), cell));
    draft
        .map(this::read)
        .orElse(List.of())
        .forEach(cell -> cells.put(List.of(cell.key(), cell.month()), cell));
    store(sheet, List.copyOf(cells.values()), ownerId);
  }

  private List<Cell> read(GoalDraftEntity draft) {
    return json.readValue(draft.content, Content.class).cells();
  }

  private void store(GoalSheet sheet, List<Cell> cells) {
    store(sheet, cells, CurrentAccount.account().id());
  }

  private void store(GoalSheet sheet, List<Cell> cells, int ownerId) {
    GoalDraftEntity draft =
        any(sheet, ownerId).filter(one -> one.axis == sheet.axis()).orElse(null);
    if (cells.isEmpty()) {
      if (draft != null) {
        drafts.delete(draft);
      }
      return;
    }
    GoalDraftEntity kept = Objects.requireNonNullElseGet(draft, GoalDraftEntity::new);
    kept.ownerId = ownerId;
    kept.goalSet = sheet.goalSet();
    kept.axis = sheet.axis();
    kept.measure = sheet.measure().code();
    kept.slot = sheet.slot();
    kept.content = json.writeValueAsString(new Content(cells));
    kept.changedAt = clock.instant();
    drafts.save(kept);
  }

  private Optional<GoalDraftEntity> find(GoalSheet sheet) {
    return any(sheet, CurrentAccount.account().id()).filter(draft -> draft.axis == sheet.axis());
  }

  private Optional<GoalDraftEntity> any(GoalSheet sheet, int ownerId) {
    return drafts.findByOwnerIdAndGoalSetAndMeasureAndSlot(
        ownerId, sheet.goalSet(), sheet.measure().code(), sheet.slot());
  }
}
