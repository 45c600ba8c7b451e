package zealoustarget.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.Dependency;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import jakarta.persistence.Entity;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
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
    classes().that().areAnnotatedWith(Entity.class).should(BE_USED_IN_THEIR_FEATURE).check(SERVER);
  }

  private static final ArchCondition<JavaClass> BE_USED_IN_THEIR_FEATURE =
      new ArchCondition<>("be used only in their feature or one whose entity is mapped to them") {
        @Override
        public void check(JavaClass entity, ConditionEvents events) {
          List<JavaClass> users =
              entity.getDirectDependenciesToSelf().stream()
                  .map(Dependency::getOriginClass)
                  .toList();
          Set<String> mapping =
              users.stream()
                  .filter(user -> user.isAnnotatedWith(Entity.class))
                  .map(ArchitectureTest::feature)
                  .collect(Collectors.toSet());
          users.stream()
              .filter(user -> !feature(user).equals(feature(entity)))
              .filter(user -> !mapping.contains(feature(user)))
              .forEach(
                  user ->
                      events.add(
                          SimpleConditionEvent.violated(
                              entity, user.getName() + " uses " + entity.getName())));
        }
      };

  /** The first part of the package below the server's. */
  private static String feature(JavaClass type) {
    return type.getPackageName().replaceFirst("zealoustarget\\.server\\.?", "").split("\\.")[0];
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
