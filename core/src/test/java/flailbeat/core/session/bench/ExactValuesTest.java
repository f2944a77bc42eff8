package flailbeat.core.session.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.core.TestSongs;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.notes.Arithmetic;
import flailbeat.core.edit.notes.NoteField;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.session.FakePlayer;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Document;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** With the demo open: 96 bpm, a tick lasts 0.651 ms. */
class ExactValuesTest {
  private final Session session = new Session(() -> 0, new FakePlayer(() -> 0));
  private final ExactValues values = session.values();

  @BeforeEach
  void open() {
    session.open(HarbourLamps.song(), Optional.empty());
  }

  private List<Note> notes() {
    return session.document().track().notes();
  }

  private void select(int from, int to) {
    session.document().select(Selection.of(notes().subList(from, to)));
  }

  /** Worked by hand, from 80. */
  @ParameterizedTest
  @CsvSource({
    "64, 64",
    "+10, 90",
    "-10, 70",
    "*0.9, 72",
    "x2, 160",
    "/2, 40",
    "90%, 72",
    "=-5, -5",
    "'1,5', 1.5",
    " + 3 , 83"
  })
  void what_is_typed_is_a_number_or_a_change(String typed, double expected) {
    assertThat(Arithmetic.parse(typed).applyTo(80)).isEqualTo(expected);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "loud", "1e9", "--3", "+", "/0", "3 4", "+10%", "99999999999999"})
  void nonsense_is_told_and_nothing_changes(String typed) {
    select(0, 3);
    Song before = session.song();
    assertThatThrownBy(() -> values.enter(NoteField.VELOCITY, typed))
        .isInstanceOf(IllegalArgumentException.class)
        .message()
        .isNotBlank();
    assertThat(session.song()).isSameAs(before);
  }

  @Test
  void several_values_are_shown_from_the_least_to_the_most_and_one_alone() {
    select(0, 5);
    assertThat(values.of()).isEqualTo("5 notes");
    assertThat(values.text(NoteField.VELOCITY)).matches("\\d+\u2013\\d+");
    values.enter(NoteField.VELOCITY, "77");
    assertThat(values.text(NoteField.VELOCITY)).isEqualTo("77");
    assertThat(session.document().undoLabel()).contains("Change velocity");
    select(0, 1);
    Note first = notes().get(0);
    assertThat(values.text(NoteField.PITCH))
        .isEqualTo(Pitch.name(first.pitch(), OctaveNames.MIDDLE_C4));
    assertThat(values.text(NoteField.START))
        .isEqualTo(session.song().meters().positionAt(first.onset()).toString());
  }

  @Test
  void a_group_stops_at_the_wall_together_and_says_so() {
    select(0, 5);
    List<Integer> before = notes().subList(0, 5).stream().map(Note::velocity).toList();
    int loudest = before.stream().mapToInt(v -> v).max().orElseThrow();
    values.enter(NoteField.VELOCITY, "+100");
    assertThat(notes().subList(0, 5))
        .extracting(Note::velocity)
        .isEqualTo(before.stream().map(v -> v + 127 - loudest).toList());
    assertThat(session.notices().current().text()).contains("stop where the first");
    values.enter(NoteField.VELOCITY, "*9");
    assertThat(notes().subList(0, 5)).allMatch(n -> n.velocity() == 127);
    assertThat(session.notices().current().text()).contains("5 notes stopped at the wall");
  }

  @Test
  void places_are_typed_in_bars_or_in_milliseconds_and_what_was_played_goes_along() {
    select(0, 1);
    long off = notes().get(0).playedOff();
    values.enter(NoteField.START, "2.3.120");
    Note moved = notes().stream().filter(n -> n.onset() == 3840 + 1920 + 120).findFirst().get();
    assertThat(moved.playedOff()).isEqualTo(off);
    values.enter(NoteField.START, "+100 ms");
    assertThat(values.text(NoteField.START)).isEqualTo("2.3.274");
    values.setInMillis(true);
    values.enter(NoteField.START, "2500");
    assertThat(values.text(NoteField.START)).isEqualTo("2500.0 ms");
    values.enter(NoteField.LENGTH, "625");
    values.setInMillis(false);
    assertThat(values.text(NoteField.LENGTH)).isEqualTo("960");
    assertThat(values.text(NoteField.END)).isEqualTo("2.2.000");
    values.enter(NoteField.AS_PLAYED, "=-40");
    assertThat(values.text(NoteField.AS_PLAYED)).isEqualTo("-40");
    assertThat(values.text(NoteField.START)).as("stays where it stands").isEqualTo("2.1.000");
    assertThatThrownBy(() -> values.enter(NoteField.START, "0.1.000"))
        .hasMessageContaining("begin at 1");
    assertThatThrownBy(() -> values.enter(NoteField.START, "480")).hasMessageContaining("3.2.480");
  }

  @Test
  void pitches_are_typed_by_name_or_number_and_steps_go_one_by_one() {
    select(0, 1);
    values.enter(NoteField.PITCH, "Bb3");
    assertThat(values.text(NoteField.PITCH)).isEqualTo("A#3");
    values.step(NoteField.PITCH, 2);
    assertThat(values.text(NoteField.PITCH)).isEqualTo("C4");
    values.enter(NoteField.PITCH, "127");
    values.step(NoteField.PITCH, 1);
    assertThat(values.text(NoteField.PITCH)).isEqualTo("G9");
    assertThatThrownBy(() -> values.enter(NoteField.PITCH, "H4"))
        .isInstanceOf(IllegalArgumentException.class);
    for (int pitch = 0; pitch <= 127; pitch++) {
      assertThat(Pitch.parse(Pitch.name(pitch, OctaveNames.MIDDLE_C4), OctaveNames.MIDDLE_C4))
          .isEqualTo(pitch);
    }
  }

  @Test
  void without_a_selection_start_and_length_are_the_clips_and_the_channel_is_the_tracks() {
    session.document().chooseClipAt(0);
    assertThat(values.of()).startsWith("Clip, ");
    assertThat(values.text(NoteField.START)).isEqualTo("1.1.000");
    values.enter(NoteField.START, "2.1.000");
    assertThat(session.document().clip().orElseThrow().start()).isEqualTo(3840);
    values.enter(NoteField.LENGTH, "*0.5");
    assertThat(session.document().undoLabel()).contains("Resize clip");
    values.enter(NoteField.PITCH, "+12");
    assertThat(session.document().undoLabel()).contains("Change pitch");
    values.enterChannel("5");
    assertThat(session.document().track().channel()).isEqualTo(4);
    assertThatThrownBy(() -> values.enterChannel("17")).hasMessageContaining("1 to 16");
  }

  @Test
  void a_clip_that_is_moved_tick_by_tick_stays_the_chosen_one() {
    session.open(
        TestSongs.song(
            TestSongs.clip(2, 0, 3840, TestSongs.note(10, 60, 0, 960)),
            TestSongs.clip(3, 4 * 3840, 3840, TestSongs.note(11, 62, 0, 960))),
        Optional.empty());
    session.document().chooseClipAt(4 * 3840);
    for (int i = 0; i < 3; i++) {
      session.values().step(NoteField.START, 1);
    }
    session.values().step(NoteField.START, -5);
    assertThat(TestSongs.clips(session.song())).isEqualTo("0-3840 15358-19198");
  }

  @Test
  void a_note_that_cannot_go_where_it_was_typed_since_its_like_is_there_says_so() {
    session.open(
        TestSongs.song(
            TestSongs.clip(
                2, 0, 3840, TestSongs.note(10, 60, 0, 480), TestSongs.note(11, 60, 960, 480))),
        Optional.empty());
    Document document = session.document();
    document.select(Selection.of(document.track().notes().subList(1, 2)));
    session.values().enter(NoteField.START, "1.1.0");
    assertThat(TestSongs.heard(session.song())).isEqualTo("60@0+480 60@960+480");
    assertThat(session.notices().current().text())
        .isEqualTo("1 note stayed: another of that pitch begins where it would go");
  }
}
