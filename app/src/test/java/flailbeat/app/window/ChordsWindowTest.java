package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.harmony.ChordSpan;
import flailbeat.core.model.Note;
import flailbeat.core.session.Session;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** Chords are named while they are played, seen over the notes, typed and turned over by keys. */
class ChordsWindowTest extends HeadlessWindow {
  private Session session() {
    return ui.session;
  }

  private void open(int track) {
    ui.run(() -> session().open(HarbourLamps.song(), Optional.empty()));
    ui.run(() -> session().document().chooseTrack(session().song().tracks().get(track).id()));
  }

  private List<String> names() {
    return ui.get(
        () ->
            session().chords().harmony().found().spans().stream()
                .filter(ChordSpan::hasChord)
                .map(s -> s.chord().name())
                .toList());
  }

  private void typeChords(String line) throws Exception {
    type(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.H);
    assertThat(ui.node("chords-typed").isFocused()).isTrue();
    ui.run(() -> ((TextField) ui.node("chords-typed")).setText(line));
    type(KeyCode.ENTER);
  }

  @Test
  void what_is_held_is_named_on_the_deck_and_gives_way_when_it_is_let_go() throws Exception {
    Node row = ui.node("chord-held");
    press(KeyCode.A, KeyCode.D, KeyCode.G);
    assertThat(ui.text("chord-held")).isEqualTo("C");
    press(KeyCode.H);
    assertThat(ui.text("chord-held")).isEqualTo("C6 or Am7/C");
    release(KeyCode.A, KeyCode.D, KeyCode.G, KeyCode.H);
    assertThat(ui.text("chord-held")).isEmpty();
    assertThat(row.getParent().isVisible()).isFalse();
  }

  @Test
  void a_progression_is_typed_heard_turned_over_and_taken_back_by_keys_alone() throws Exception {
    typeChords("Dm7 G7 | Cmaj7");
    assertThat(names()).containsExactly("Dm7", "G7", "Cmaj7");
    assertThat(ui.get(() -> session().document().undoLabel())).contains("Chords Dm7 G7 | Cmaj7");
    int notes = ui.get(() -> session().song().noteCount());
    List<Note> before = ui.get(() -> session().document().track().notes());
    type(KeyCode.CONTROL, KeyCode.U);
    assertThat(ui.get(() -> session().document().track().notes())).isNotEqualTo(before);
    assertThat(ui.get(() -> session().song().noteCount())).isEqualTo(notes);
    type(KeyCode.CONTROL, KeyCode.Z);
    assertThat(ui.get(() -> session().document().track().notes())).isEqualTo(before);
    type(KeyCode.CONTROL, KeyCode.Z);
    assertThat(ui.get(() -> session().song().noteCount())).isZero();
    press(KeyCode.A);
    assertThat(ui.get(() -> session().performer().hands().soundingPitches()))
        .as("the letters are notes again")
        .hasSize(1);
    release(KeyCode.A);
  }

  @Test
  void what_is_typed_wrongly_is_marked_where_it_stands_and_nothing_is_entered() throws Exception {
    typeChords("Dm7 H7 | C");
    assertThat(ui.text("who-has-the-keys")).startsWith("The field has the letters");
    TextField field = (TextField) ui.node("chords-typed");
    assertThat(ui.get(field::getSelectedText)).isEqualTo("H7");
    assertThat(ui.get(() -> session().song().noteCount())).isZero();
    type(KeyCode.ESCAPE);
    assertThat(ui.text("who-has-the-keys")).startsWith("Letter keys are notes");
  }

  @Test
  void the_strip_takes_room_over_the_notes_only_while_it_is_wanted() throws Exception {
    open(3);
    double roll = ui.get(() -> ui.node("roll").getLayoutY());
    assertThat(ui.node("chord-strip").isVisible()).isFalse();
    type(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.C);
    ui.await(() -> ui.node("chord-strip").isVisible());
    ui.await(() -> ui.node("roll").getLayoutY() > roll);
    type(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.C);
    ui.await(() -> ui.node("roll").getLayoutY() == roll);
  }

  /** The chosen track sounds by itself, and nothing of the song does: all of it is muted. */
  @Test
  void the_page_of_a_song_that_is_muted_wholly_says_that_there_is_no_key() throws Exception {
    open(3);
    ui.run(() -> session().editing().edit("Mute", s -> s.mapTracks(t -> t.withMuted(true))));
    ui.press("page-chords");
    ui.await(() -> ui.text("chord-key").startsWith("There are no notes yet"));
    assertThat(ui.text("chord-keys-over-time")).startsWith("this clip by itself: ");
    assertThat(ui.get(() -> session().notices().current().text())).doesNotContain("went wrong");
  }

  @Test
  void the_page_says_the_key_and_the_chord_at_the_playhead_and_takes_another_name()
      throws Exception {
    open(3);
    ui.press("page-chords");
    assertThat(ui.text("chord-key")).startsWith("D minor");
    assertThat(ui.text("chord-here")).isEqualTo("Dm");
    ui.run(() -> session().runControl().seek(3 * 3840));
    assertThat(ui.text("chord-here")).isEqualTo("Asus4");
    ui.choose("chord-next-name");
    assertThat(ui.text("chord-here")).isEqualTo("Dsus2/A");
    assertThat(ui.text("chord-others")).contains("said by hand");
    ui.run(() -> session().document().select(NoteRule.ALL));
    type(KeyCode.CONTROL, KeyCode.Z);
    assertThat(ui.text("chord-here")).isEqualTo("Asus4");
  }
}
