package zealoustarget.server.rules.storage;

import jakarta.persistence.EntityManager;
import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.amount.Writing;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.calendar.FiscalCalendar.YearNamedBy;
import zealoustarget.core.calendar.WorkingDays;
import zealoustarget.server.audit.Audit;
import zealoustarget.server.audit.AuditKind;
import zealoustarget.server.rules.Approval;
import zealoustarget.server.rules.Closing;
import zealoustarget.server.rules.Commission;
import zealoustarget.server.rules.Company;
import zealoustarget.server.rules.PlanPart;
import zealoustarget.server.rules.Rules;
import zealoustarget.server.rules.RulesChange;
import zealoustarget.server.rules.StretchesPart;
import zealoustarget.server.rules.reading.ClosingPart;
import zealoustarget.server.rules.reading.Place;
import zealoustarget.server.rules.reading.PlanReader;
import zealoustarget.server.rules.reading.RulesReader;
import zealoustarget.server.rules.reading.StagePart;
import zealoustarget.server.rules.storage.RulePartEntity.Part;

/** Reads and writes the rules. */
@Component
public class RulesStore {
  private static final JsonMapper JSON = new JsonMapper();
  private static final String COMPANY = "company.name";
  private static final String TIME_ZONE = "company.timeZone";
  private static final String WRITING = "company.writing.";
  private static final String START_MONTH = "calendar.startMonth";
  private static final String NAMED_BY = "calendar.yearNamedBy";
  private static final String APPROVAL = "approval.";
  private static final String MEASURE_NAME = "measure.name.";
  private static final String FED_BY_DEALS = "measure.fedBy.";

  private final EntityManager entities;
  private final Audit audit;

  RulesStore(EntityManager entities, Audit audit) {
    this.entities = entities;
    this.audit = audit;
  }

  /** The rules in force. */
  @Transactional(readOnly = true)
  public Rules read() {
    Map<String, String> settings =
        entities
            .createQuery("from SettingEntity", SettingEntity.class)
            .getResultStream()
            .collect(Collectors.toMap(setting -> setting.name, setting -> setting.content));
    FiscalCalendar calendar =
        new FiscalCalendar(
            Integer.parseInt(settings.get(START_MONTH)),
            YearNamedBy.valueOf(
                Objects.requireNonNull(settings.get(NAMED_BY)).toUpperCase(Locale.ROOT)));
    Rules stored =
        new Rules(
            company(settings),
            calendar,
            new WorkingDays(
                all("from HolidayEntity", HolidayEntity.class).stream()
                    .map(holiday -> holiday.day)
                    .collect(Collectors.toSet())),
            measures(),
            entities
                .createQuery("from LadderEntity order by id", LadderEntity.class)
                .getResultStream()
                .map(LadderEntity::toAttached)
                .toList(),
            all("from ShadingEntity order by id", ShadingEntity.class).stream()
                .map(ShadingEntity::toAttached)
                .toList(),
            List.of(),
            Commission.NONE,
            approval(settings));
    return stored
        .withCompany(
            stored
                .company()
                .withStages(parts(Part.STAGES, StagePart::read))
                .withClosing(
                    parts(Part.CLOSING, place -> ClosingPart.read(place, Closing.DEFAULT)).stream()
                        .findFirst()
                        .orElse(Closing.DEFAULT)))
        .withStretches(parts(Part.STRETCHES, place -> RulesReader.stretches(place, stored)))
        .withCommission(commission(stored));
  }

  private static Approval approval(Map<String, String> settings) {
    return new Approval(
        isSet(settings, "goals"), isSet(settings, "plans"), isSet(settings, "ladders"));
  }

  private static boolean isSet(Map<String, String> settings, String kind) {
    return Boolean.parseBoolean(settings.get(APPROVAL + kind));
  }

  private void write(Approval approval) {
    put(APPROVAL + "goals", approval.goals());
    put(APPROVAL + "plans", approval.plans());
    put(APPROVAL + "ladders", approval.ladders());
  }

  private static Company company(Map<String, String> settings) {
    String zone = settings.get(TIME_ZONE);
    String grouping = settings.get(WRITING + "grouping");
    return new Company(
        settings.getOrDefault(COMPANY, ""),
        zone == null ? null : ZoneId.of(zone),
        new Writing(
            set(settings, "decimal", Writing.Decimal::valueOf),
            grouping == null ? null : grouping.substring(1, grouping.length() - 1),
            set(settings, "dates", Writing.Dates::valueOf),
            set(settings, "weekStart", DayOfWeek::valueOf)),
        settings.entrySet().stream()
            .filter(setting -> setting.getKey().startsWith(MEASURE_NAME))
            .collect(
                Collectors.toUnmodifiableMap(
                    setting -> setting.getKey().substring(MEASURE_NAME.length()),
                    Map.Entry::getValue)),
        settings.keySet().stream()
            .filter(key -> key.startsWith(FED_BY_DEALS))
            .map(key -> key.substring(FED_BY_DEALS.length()))
            .collect(Collectors.toUnmodifiableSet()),
        List.of(),
        Closing.DEFAULT);
  }

  private static <T> @Nullable T set(
      Map<String, String> settings, String part, Function<String, T> value) {
    String text = settings.get(WRITING + part);
    return text == null ? null : value.apply(text);
  }

  private void write(Company company) {
    Writing writing = company.writing();
    put(COMPANY, company.name());
    put(TIME_ZONE, company.timeZone());
    put(WRITING + "decimal", writing.decimal());
    // in quotes, as a blank and nothing are two ways of grouping
    put(WRITING + "grouping", writing.grouping() == null ? null : "'" + writing.grouping() + "'");
    put(WRITING + "dates", writing.dates());
    put(WRITING + "weekStart", writing.weekStart());
  }

  /** Keeps a setting, or drops it where it is null. */
  private void put(String name, @Nullable Object content) {
    SettingEntity before = entities.find(SettingEntity.class, name);
    if (content != null) {
      entities.merge(new SettingEntity(name, content.toString()));
    } else if (before != null) {
      entities.remove(before);
    }
  }

  private Commission commission(Rules stored) {
    PlanReader reader = new PlanReader(stored);
    return Commission.NONE
        .withVersions(parts(Part.PLAN, reader::version))
        .withAssignments(parts(Part.ASSIGNMENT, reader::assignment))
        .withShared(parts(Part.SHARED, reader::shared));
  }

  private <T> List<T> parts(Part part, Function<Place, T> read) {
    return all("from RulePartEntity order by id", RulePartEntity.class).stream()
        .filter(entity -> entity.part == part)
        .map(entity -> read.apply(new Place(JSON.readTree(entity.content), "")))
        .toList();
  }

  private void persist(Part part, List<?> rules) {
    rules.forEach(
        rule -> entities.persist(new RulePartEntity(part, JSON.writeValueAsString(rule))));
  }

  /** By code; rates with the measures that they divide. */
  private List<Measure> measures() {
    List<MeasureEntity> stored = all("from MeasureEntity order by code", MeasureEntity.class);
    Map<String, Measure> counted =
        stored.stream()
            .filter(entity -> !entity.isRate())
            .collect(Collectors.toMap(entity -> entity.code, MeasureEntity::toMeasure));
    return stored.stream()
        .map(
            entity ->
                entity.isRate()
                    ? entity.toRate(
                        Objects.requireNonNull(counted.get(entity.overCode)),
                        Objects.requireNonNull(counted.get(entity.underCode)))
                    : counted.get(entity.code))
        .toList();
  }

  private <T> List<T> all(String query, Class<T> type) {
    return entities.createQuery(query, type).getResultList();
  }

  /**
   * Replaces all rules in one transaction, with an entry for each part that changes.
   *
   * @param together what is stored in the same transaction
   */
  @Transactional
  public void write(Rules rules, List<RulesChange> changes, Runnable together) {
    together.run();
    changes.forEach(
        change ->
            audit.add(
                AuditKind.RULES_CHANGED,
                StorageWords.rules(change.part()),
                change.before(),
                change.after()));
    write(rules.company());
    write(rules.approval());
    for (Measure measure : rules.measures()) {
      put(
          MEASURE_NAME + measure.code().toLowerCase(Locale.ROOT),
          rules.company().givenName(measure.code()));
      put(
          FED_BY_DEALS + measure.code(),
          rules.company().fedByDeals().contains(measure.code()) ? RulesReader.WON_DEALS : null);
    }
    entities.merge(new SettingEntity(START_MONTH, Integer.toString(rules.calendar().startMonth())));
    entities.merge(
        new SettingEntity(
            NAMED_BY, rules.calendar().yearNamedBy().name().toLowerCase(Locale.ROOT)));
    all("from LadderEntity", LadderEntity.class).forEach(entities::remove);
    all("from ShadingEntity", ShadingEntity.class).forEach(entities::remove);
    all("from HolidayEntity", HolidayEntity.class).forEach(entities::remove);
    all("from RulePartEntity", RulePartEntity.class).forEach(entities::remove);
    entities.flush();
    rules.measures().stream()
        .sorted(Comparator.comparing(Measure::isRate))
        .forEach(measure -> entities.merge(new MeasureEntity(measure)));
    entities.flush();
    rules.ladders().forEach(ladder -> entities.persist(new LadderEntity(ladder)));
    rules.shadings().forEach(shading -> entities.persist(new ShadingEntity(shading)));
    rules.workingDays().holidays().forEach(day -> entities.persist(new HolidayEntity(day)));
    persist(Part.STRETCHES, rules.stretches().stream().map(StretchesPart::of).toList());
    persist(Part.STAGES, rules.company().stages().stream().map(StagePart::of).toList());
    persist(Part.CLOSING, List.of(ClosingPart.of(rules.company().closing())));
    Commission commission = rules.commission();
    persist(Part.PLAN, commission.plans().versions().stream().map(PlanPart::of).toList());
    persist(
        Part.ASSIGNMENT,
        commission.plans().assignments().stream().map(PlanPart.AssignmentPart::of).toList());
    persist(Part.SHARED, commission.shared().stream().map(PlanPart.SharedPart::of).toList());
  }
}
