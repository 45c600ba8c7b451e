package zealoustarget.server.playbook;

import jakarta.persistence.EntityManager;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import zealoustarget.core.calendar.FiscalCalendar;
import zealoustarget.core.calendar.FiscalCalendar.YearNamedBy;

/** Reads and writes the rules. */
@Component
class PlaybookStore {
  private static final String COMPANY = "company.name";
  private static final String START_MONTH = "calendar.startMonth";
  private static final String NAMED_BY = "calendar.yearNamedBy";

  private final EntityManager entities;

  PlaybookStore(EntityManager entities) {
    this.entities = entities;
  }

  @Transactional(readOnly = true)
  public Playbook read() {
    Map<String, String> settings =
        entities
            .createQuery("from SettingEntity", SettingEntity.class)
            .getResultStream()
            .collect(Collectors.toMap(setting -> setting.name, setting -> setting.content));
    FiscalCalendar calendar =
        new FiscalCalendar(
            Integer.parseInt(settings.get(START_MONTH)),
            YearNamedBy.valueOf(settings.get(NAMED_BY).toUpperCase(Locale.ROOT)));
    return new Playbook(
        settings.get(COMPANY),
        calendar,
        entities
            .createQuery("from MeasureEntity order by code", MeasureEntity.class)
            .getResultStream()
            .map(MeasureEntity::toMeasure)
            .toList(),
        entities
            .createQuery("from LadderEntity order by id", LadderEntity.class)
            .getResultStream()
            .map(LadderEntity::toAttached)
            .toList());
  }

  /** Replaces all rules in one transaction. */
  @Transactional
  public void write(Playbook playbook) {
    entities.merge(new SettingEntity(COMPANY, playbook.companyName()));
    entities.merge(
        new SettingEntity(START_MONTH, Integer.toString(playbook.calendar().startMonth())));
    entities.merge(
        new SettingEntity(
            NAMED_BY, playbook.calendar().yearNamedBy().name().toLowerCase(Locale.ROOT)));
    entities
        .createQuery("from LadderEntity", LadderEntity.class)
        .getResultList()
        .forEach(entities::remove);
    entities.flush();
    playbook.measures().forEach(measure -> entities.merge(new MeasureEntity(measure)));
    playbook.ladders().forEach(ladder -> entities.persist(new LadderEntity(ladder)));
  }
}
