package flailbeat.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;

/** The floors above the core: audio, then the window in three steps, and beside it the words. */
@AnalyzeClasses(packages = "flailbeat", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  @ArchTest
  void each_floor_uses_only_what_stands_below_it(JavaClasses classes) {
    forbid(classes, "flailbeat.core..", "flailbeat.audio..", "flailbeat.app..");
    forbid(classes, "flailbeat.audio..", "flailbeat.app..", "javafx..");
    forbid(classes, "flailbeat.app.control..", "flailbeat.app.view..", "flailbeat.app.shell..");
    forbid(classes, "flailbeat.app.control..", "flailbeat.core.session..", "flailbeat.audio..");
    forbid(classes, "flailbeat.app.view..", "flailbeat.app.shell..", "flailbeat.app.cli..");
    forbid(
        classes, "flailbeat.app.view.bench..", "flailbeat.app.view", "flailbeat.app.view.timing..");
    forbid(classes, "flailbeat.audio.line..", "flailbeat.audio.synth..", "flailbeat.audio.sound..");
  }

  private static void forbid(JavaClasses classes, String from, String... to) {
    noClasses()
        .that()
        .resideInAPackage(from)
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(to)
        .check(classes);
  }

  @ArchTest
  void the_command_line_starts_no_window(JavaClasses classes) {
    forbid(
        classes,
        "flailbeat.app.cli..",
        "javafx..",
        "flailbeat.app.shell..",
        "flailbeat.app.view..");
  }

  @ArchTest
  void packages_are_free_of_circles(JavaClasses classes) {
    slices().matching("flailbeat.(*).(**)").should().beFreeOfCycles().check(classes);
  }

  @ArchTest
  void nobody_prints_to_the_console_or_runs_later(JavaClasses classes) {
    noClasses()
        .that()
        .resideInAnyPackage("flailbeat.core..", "flailbeat.audio..", "flailbeat.app.view..")
        .should()
        .accessField(System.class, "out")
        .orShould()
        .callMethod(javafx.application.Platform.class, "runLater", Runnable.class)
        .check(classes);
  }
}
