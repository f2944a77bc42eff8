package flailbeat.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import java.util.List;
import java.util.stream.Stream;

/** The floors of the house: each package uses only what stands below it. */
@AnalyzeClasses(packages = "flailbeat.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  @ArchTest
  void packages_use_only_what_stands_below_them(JavaClasses classes) {
    layeredArchitecture()
        .consideringOnlyDependenciesInLayers()
        .layer("floor 0")
        .definedBy(
            "flailbeat.core.text..",
            "flailbeat.core.time..",
            "flailbeat.core.pitch..",
            "flailbeat.core.work..")
        .layer("floor 1")
        .definedBy("flailbeat.core.event..", "flailbeat.core.model..")
        .layer("floor 2")
        .definedBy(
            "flailbeat.core.edit..",
            "flailbeat.core.quantize..",
            "flailbeat.core.keys..",
            "flailbeat.core.transport..")
        .layer("floor 3")
        .definedBy(
            "flailbeat.core.capture..",
            "flailbeat.core.harmony..",
            "flailbeat.core.step..",
            "flailbeat.core.playback..",
            "flailbeat.core.chore..")
        .layer("floor 4")
        .definedBy("flailbeat.core.format..")
        .layer("floor 5")
        .definedBy(
            "flailbeat.core.demo..",
            "flailbeat.core.files..",
            "flailbeat.core.journal..",
            "flailbeat.core.version..")
        .layer("floor 6")
        .definedBy("flailbeat.core.session..")
        .whereLayer("floor 6")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("floor 5")
        .mayOnlyBeAccessedByLayers("floor 6")
        .whereLayer("floor 4")
        .mayOnlyBeAccessedByLayers("floor 5", "floor 6")
        .whereLayer("floor 3")
        .mayOnlyBeAccessedByLayers("floor 4", "floor 5", "floor 6")
        .whereLayer("floor 2")
        .mayOnlyBeAccessedByLayers("floor 3", "floor 4", "floor 5", "floor 6")
        .whereLayer("floor 1")
        .mayOnlyBeAccessedByLayers("floor 2", "floor 3", "floor 4", "floor 5", "floor 6")
        .check(classes);
  }

  /** The rooms of the session, from the one that all others know to the ones that nobody knows. */
  private static final List<String> ROOMS =
      List.of("document", "person", "hands", "run", "timing", "bench", "tracks", "map", "chores");

  @ArchTest
  void arrows_between_the_rooms_of_the_session_go_one_way(JavaClasses classes) {
    for (int i = 0; i < ROOMS.size(); i++) {
      String[] later =
          ROOMS.subList(i + 1, ROOMS.size()).stream()
              .map(ArchitectureTest::room)
              .toArray(String[]::new);
      String[] banned =
          Stream.concat(Stream.of("flailbeat.core.session"), Stream.of(later))
              .toArray(String[]::new);
      noClasses()
          .that()
          .resideInAPackage(room(ROOMS.get(i)))
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(banned)
          .check(classes);
    }
  }

  private static String room(String name) {
    return "flailbeat.core.session." + name;
  }

  @ArchTest
  void packages_are_free_of_circles(JavaClasses classes) {
    slices().matching("flailbeat.core.(**)").should().beFreeOfCycles().check(classes);
  }

  @ArchTest
  void nothing_here_needs_a_window_a_device_or_a_thread(JavaClasses classes) {
    noClasses()
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("javafx..", "java.awt..", "javax.swing..", "javax.sound..")
        .orShould()
        .dependOnClassesThat()
        .areAssignableTo(Thread.class)
        .check(classes);
  }
}
