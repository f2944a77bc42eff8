package flailbeat.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

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
    forbid(classes, "flailbeat.audio.line..", "flailbeat.audio.synth..", "flailbeat.audio.sound..");
  }

  /** Rooms of the window, each before those that may know it. */
  private static final List<String> ROOMS =
      List.of(
          "formats",
          "control",
          "command",
          "view.bench.surface",
          "view.bench.hand",
          "view.bench.paint",
          "view.bench.lane",
          "view.bench",
          "view.timing",
          "view.map",
          "view.deck",
          "view.row",
          "view.page",
          "shell.work",
          "shell.files",
          "shell.keys",
          "shell.commands",
          "shell.device",
          "shell");

  @ArchTest
  void arrows_between_the_rooms_of_the_window_go_one_way(JavaClasses classes) {
    for (int i = 0; i + 1 < ROOMS.size(); i++) {
      String[] later =
          ROOMS.subList(i + 1, ROOMS.size()).stream()
              .map(ArchitectureTest::room)
              .toArray(String[]::new);
      forbid(classes, room(ROOMS.get(i)), later);
    }
  }

  private static String room(String name) {
    return "flailbeat.app." + name;
  }

  @ArchTest
  void no_package_holds_more_than_can_be_looked_through(JavaClasses classes) {
    Map<String, Long> files =
        classes.stream()
            .filter(c -> !c.isNestedClass() && !c.getSimpleName().equals("package-info"))
            .collect(Collectors.groupingBy(JavaClass::getPackageName, Collectors.counting()));
    assertThat(files)
        .allSatisfy((name, count) -> assertThat(count).as(name).isLessThanOrEqualTo(25));
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
    slices().matching("flailbeat.(**)").should().beFreeOfCycles().check(classes);
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
