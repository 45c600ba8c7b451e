package zealoustarget.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noFields;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noMethods;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import org.junit.jupiter.api.Test;

class ArchitectureTest {
  private static final JavaClasses CORE =
      new ClassFileImporter()
          .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
          .importPackages("zealoustarget.core");

  private static final DescribedPredicate<JavaClass> BINARY_FRACTION =
      DescribedPredicate.describe(
          "a binary fraction",
          type ->
              List.of("double", "float", "java.lang.Double", "java.lang.Float")
                  .contains(type.getName()));

  @Test
  void core_dependsOnTheJdkOnly() {
    classes()
        .should()
        .onlyDependOnClassesThat()
        .resideInAnyPackage(
            "zealoustarget.core..",
            "java.lang..",
            "java.math..",
            "java.text..",
            "java.time..",
            "java.util..",
            "org.jspecify.annotations..")
        .check(CORE);
  }

  @Test
  void core_hasNoBinaryFractions() {
    noFields().should().haveRawType(BINARY_FRACTION).check(CORE);
    noMethods().should().haveRawReturnType(BINARY_FRACTION).check(CORE);
  }

  @Test
  void packages_haveNoCycles() {
    slices().matching("zealoustarget.core.(*)..").should().beFreeOfCycles().check(CORE);
  }

  @Test
  void intake_reachesNoLedger() {
    nothingIn("zealoustarget.core.intake..").reaches("zealoustarget.core.ledger..");
  }

  @Test
  void ledger_isLaidInLayers() {
    nothingIn("zealoustarget.core.ledger.columns").reaches(LEDGER, QUERY, SUMS, OVERLAY, VISIBLE);
    nothingIn(QUERY).reaches(LEDGER, SUMS, OVERLAY, VISIBLE);
    nothingIn(SUMS).reaches(LEDGER, OVERLAY, VISIBLE);
    nothingIn(LEDGER).reaches(OVERLAY, VISIBLE);
  }

  private static final String LEDGER = "zealoustarget.core.ledger";
  private static final String QUERY = LEDGER + ".query";
  private static final String SUMS = LEDGER + ".sums";
  private static final String OVERLAY = LEDGER + ".overlay";
  private static final String VISIBLE = LEDGER + ".visibility";

  private record Room(String name) {
    void reaches(String... others) {
      noClasses()
          .that()
          .resideInAPackage(name)
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(others)
          .check(CORE);
    }
  }

  private static Room nothingIn(String room) {
    return new Room(room);
  }
}
