package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.shell.files.Prompts.Unsaved;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.session.first.Lesson;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Lessons, had by keys alone. */
class LessonsTest extends HeadlessWindow {
  private String says() {
    return ui.text("lesson-says");
  }

  private void waitFor(String words) throws Exception {
    ui.await(() -> says().contains(words));
  }

  private void play(KeyCode... notes) throws Exception {
    for (KeyCode note : notes) {
      type(note);
    }
  }

  @Test
  void all_six_lessons_are_had_by_keys_alone_one_after_another() throws Exception {
    type(KeyCode.CONTROL, KeyCode.F1);
    letters();
    type(KeyCode.CONTROL, KeyCode.F1);
    record();
    type(KeyCode.CONTROL, KeyCode.F1);
    late();
    type(KeyCode.CONTROL, KeyCode.F1);
    wrongNote();
    type(KeyCode.CONTROL, KeyCode.F1);
    steps();
    type(KeyCode.CONTROL, KeyCode.F1);
    keep();
    assertThat(says()).startsWith("Done, and all of it");
    type(KeyCode.CONTROL, KeyCode.F3);
    ui.await(() -> !ui.node("lesson").isVisible());
    assertThat(ui.answers.asked).as("nothing of a lesson is asked about").isEmpty();
  }

  private void letters() throws Exception {
    assertThat(ui.text("lesson-title")).isEqualTo("Lesson 1 of 6: Letters are notes, step 1 of 3");
    play(KeyCode.A, KeyCode.S);
    assertThat(says()).startsWith("(2 of 4)");
    play(KeyCode.G, KeyCode.F);
    assertThat(says()).as("a wrong note").startsWith("Play C, D, E, F");
    play(KeyCode.A, KeyCode.S, KeyCode.D, KeyCode.F);
    assertThat(says()).startsWith("= moves your keys");
    play(KeyCode.EQUALS, KeyCode.A);
    assertThat(says()).startsWith("Hold C, E and G");
    press(KeyCode.A, KeyCode.D, KeyCode.G);
    assertThat(says()).startsWith("Done. Ctrl+F1: Record on the click");
    release(KeyCode.A, KeyCode.D, KeyCode.G);
    play(KeyCode.MINUS);
  }

  private void record() throws Exception {
    ui.run(
        () ->
            ui.session.runControl().setSettings(PlaySettings.standard().withCountIn(CountIn.NONE)));
    type(KeyCode.SHIFT, KeyCode.SPACE);
    play(KeyCode.A);
    type(KeyCode.SHIFT, KeyCode.SPACE);
    assertThat(says()).startsWith("Too few notes came: once more");
    type(KeyCode.SHIFT, KeyCode.SPACE);
    play(KeyCode.A, KeyCode.S, KeyCode.D, KeyCode.F);
    type(KeyCode.SHIFT, KeyCode.SPACE);
    assertThat(says()).startsWith("You were ").contains("give or take");
    type(KeyCode.SPACE);
    assertThat(says()).startsWith("Done");
    type(KeyCode.SPACE);
  }

  private void late() throws Exception {
    type(KeyCode.SPACE);
    type(KeyCode.SPACE);
    assertThat(says()).startsWith("Ctrl+T: all of it");
    type(KeyCode.CONTROL, KeyCode.T);
    assertThat(notes()).allMatch(n -> n.onset() % 480 == 0);
    assertThat(says()).startsWith("Hold Ctrl+Shift+T");
    type(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.T);
    assertThat(says()).startsWith("Ctrl+Z");
    type(KeyCode.CONTROL, KeyCode.Z);
    assertThat(says()).startsWith("Done");
  }

  private void wrongNote() throws Exception {
    type(KeyCode.SPACE);
    type(KeyCode.SPACE);
    type(KeyCode.ESCAPE);
    for (int i = 0; i < 5; i++) {
      type(KeyCode.TAB);
      assertThat(says()).as("not the sixth").contains("choose the wrong one");
    }
    type(KeyCode.TAB);
    assertThat(says()).contains("a semitone up");
    type(KeyCode.DOWN);
    assertThat(says()).startsWith("Not that: Ctrl+Z takes it back");
    type(KeyCode.CONTROL, KeyCode.Z);
    type(KeyCode.UP);
    assertThat(says()).startsWith("Done");
  }

  private void steps() throws Exception {
    type(KeyCode.F3);
    play(KeyCode.A, KeyCode.D, KeyCode.G);
    assertThat(says()).startsWith("(3 of 4)");
    play(KeyCode.K);
    assertThat(says()).startsWith("F2");
    type(KeyCode.F2);
    assertThat(says()).startsWith("Done");
  }

  private void keep() throws Exception {
    assertThat(ui.session.performer().keysMode()).isEqualTo(KeysMode.PLAY);
    play(KeyCode.A, KeyCode.S, KeyCode.D, KeyCode.F);
    assertThat(says()).startsWith("Ctrl+K");
    type(KeyCode.CONTROL, KeyCode.K);
    assertThat(says()).startsWith("Space: hear it");
    type(KeyCode.SPACE);
    waitFor("Done");
    type(KeyCode.SPACE);
  }

  @ParameterizedTest
  @EnumSource(Lesson.class)
  void a_lesson_that_is_left_midway_brings_the_song_back_that_was_open(Lesson lesson)
      throws Exception {
    Path file = folder.resolve("Mine.flail");
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    ui.answers.file = Optional.of(file);
    ui.choose("song-save");
    ui.await(() -> ui.session.document().file().isPresent());
    String id = "lesson-" + lesson.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    ui.choose(id);
    type(KeyCode.SPACE);
    type(KeyCode.A);
    ui.choose("lesson-again");
    type(KeyCode.SHIFT, KeyCode.SPACE);
    type(KeyCode.A);
    ui.choose("lesson-leave");
    ui.await(() -> ui.session.document().file().isPresent());
    assertThat(ui.session.document().file()).contains(file);
    assertThat(ui.session.song().noteCount()).isEqualTo(HarbourLamps.song().noteCount());
    assertThat(ui.node("lesson").isVisible()).isFalse();
  }

  @Test
  void what_is_not_saved_is_asked_about_before_a_lesson_and_kept_until_after_it() throws Exception {
    ui.run(() -> ui.session.document().edit("Tempo", s -> s.withTitle("Mine")));
    ui.choose("lesson-keep");
    assertThat(ui.answers.asked).as("stays").startsWith("unsaved");
    assertThat(ui.node("lesson").isVisible()).isFalse();
    ui.answers.unsaved = Unsaved.DISCARD;
    ui.choose("lesson-keep");
    assertThat(ui.node("lesson").isVisible()).isTrue();
    type(KeyCode.CONTROL, KeyCode.F3);
    assertThat(ui.session.song().title()).isEqualTo("Mine");
    assertThat(ui.session.document().hasUnsavedWork()).isTrue();
  }

  @Test
  void another_song_that_is_opened_ends_the_lesson_and_one_that_is_saved_is_a_song()
      throws Exception {
    ui.choose("lesson-late");
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    assertThat(ui.node("lesson").isVisible()).isFalse();
    ui.choose("lesson-late");
    type(KeyCode.CONTROL, KeyCode.T);
    assertThat(ui.session.document().hasUnsavedWork()).as("to practise on").isFalse();
    ui.answers.file = Optional.of(folder.resolve("Practised.flail"));
    ui.choose("song-save");
    ui.await(() -> ui.session.document().file().isPresent());
    ui.run(() -> ui.session.editing().undo());
    assertThat(ui.session.document().hasUnsavedWork()).isTrue();
  }
}
