package zealoustarget.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import jakarta.persistence.Entity;
import org.junit.jupiter.api.Test;

class ArchitectureTest {
  private static final JavaClasses SERVER =
      new ClassFileImporter()
          .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
          .importPackages("zealoustarget.server");

  @Test
  void features_haveNoCycles() {
    slices().matching("zealoustarget.server.(*)..").should().beFreeOfCycles().check(SERVER);
  }

  @Test
  void entities_stayInTheirFeature() {
    classes().that().areAnnotatedWith(Entity.class).should().bePackagePrivate().check(SERVER);
  }

  @Test
  void controllers_reachNoDatabase() {
    noClasses()
        .that()
        .haveSimpleNameEndingWith("Controller")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("jakarta.persistence..", "org.hibernate..")
        .check(SERVER);
  }

  @Test
  void demoAndBench_areNotOnTheServersClassPath() {
    noClasses()
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("zealoustarget.demo..", "zealoustarget.bench..")
        .check(SERVER);
  }
}
