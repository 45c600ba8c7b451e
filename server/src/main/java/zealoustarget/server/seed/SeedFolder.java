package zealoustarget.server.seed;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.YearMonth;
import java.time.ZoneOffset;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.ledger.columns.PostMode;
import zealoustarget.core.member.Axis;
import zealoustarget.server.earnings.sealing.SealService;
import zealoustarget.server.files.Upload;
import zealoustarget.server.intake.load.LoadRequest;
import zealoustarget.server.intake.load.SnapshotDay;
import zealoustarget.server.intake.posting.LoadService;
import zealoustarget.server.intake.upload.StagingService;
import zealoustarget.server.platform.CompanyClock;
import zealoustarget.server.rules.RulesService;
import zealoustarget.server.startup.FirstData;

/**
 * Fills an empty database from {@code zealous.seed-dir}, if that is set, by the same loading as any
 * file. The folder's {@code manifest.json} names a file of rules and the files in their order, each
 * with its kind and whether it is posted or left staged, and the months to seal in between.
 */
@Component
class SeedFolder implements FirstData {
  private static final LocalTime MORNING = LocalTime.of(8, 30);
  private static final Logger LOG = LoggerFactory.getLogger(SeedFolder.class);

  /**
   * One step of the manifest: a file to load, or a month to seal.
   *
   * @param mode how its actuals lie over earlier ones; null to add
   * @param asOf the day of a snapshot of deals; null for other kinds
   * @param on the day on which it happened; null for now
   */
  record SeedFile(
      String file,
      String kind,
      String goalSet,
      String axis,
      String measure,
      String mode,
      Boolean post,
      String asOf,
      String seal,
      String on) {}

  record Manifest(@JsonProperty("playbook") String rules, List<SeedFile> files) {}

  private final String folder;
  private final StagingService staging;
  private final LoadService loads;
  private final RulesService companyRules;
  private final SealService seals;
  private final JsonMapper json;
  private final CompanyClock clock;

  SeedFolder(
      @Value("${zealous.seed-dir}") String folder,
      StagingService staging,
      LoadService loads,
      RulesService companyRules,
      SealService seals,
      JsonMapper json,
      CompanyClock clock) {
    this.clock = clock;
    this.folder = folder;
    this.staging = staging;
    this.loads = loads;
    this.companyRules = companyRules;
    this.seals = seals;
    this.json = json;
  }

  @Override
  public void fill() {
    if (!folder.isBlank()) {
      seed(Path.of(folder));
    }
  }

  /** Fills the database from a folder; the way of every file is that of one dropped on the page. */
  void seed(Path source) {
    Manifest manifest = json.readValue(source.resolve("manifest.json").toFile(), Manifest.class);
    LOG.info("filling the empty database with {} files", manifest.files().size());
    if (manifest.rules() != null) {
      JsonNode rules = json.readTree(source.resolve(manifest.rules()).toFile());
      companyRules.apply(rules);
    }
    try {
      for (SeedFile file : manifest.files()) {
        clock.goFrom(
            file.on() == null
                ? null
                : LocalDate.parse(file.on()).atTime(MORNING).toInstant(ZoneOffset.UTC));
        take(source, file);
      }
    } finally {
      clock.goFrom(null);
    }
  }

  private void take(Path source, SeedFile file) {
    if (file.seal() != null) {
      seals.seal(YearMonth.parse(file.seal()), false);
      return;
    }
    int load = staging.stage(Upload.of(source.resolve(file.file())), request(file));
    if (Boolean.TRUE.equals(file.post())) {
      loads.post(load, true, null, mode(file), true);
    }
  }

  private static PostMode mode(SeedFile file) {
    return file.mode() == null ? PostMode.ADD : PostMode.findByWord(file.mode()).orElseThrow();
  }

  private static LoadRequest request(SeedFile file) {
    return LoadRequest.of(
            LoadKind.findByWord(file.kind()).orElseThrow(),
            file.goalSet(),
            file.axis() == null ? null : Axis.findByWord(file.axis()).orElseThrow(),
            file.measure())
        .withSnapshot(file.asOf() == null ? null : SnapshotDay.needed(file.asOf(), null));
  }
}
