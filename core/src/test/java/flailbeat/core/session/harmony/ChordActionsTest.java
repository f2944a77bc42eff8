package flailbeat.core.session.harmony;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.core.chore.Cleanup;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.format.project.ProjectFile;
import flailbeat.core.harmony.BrokenChords;
import flailbeat.core.harmony.ChordFault;
import flailbeat.core.harmony.ChordSpan;
import flailbeat.core.keys.ArrangementKind;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.session.FakePlayer;
import flailbeat.core.session.Session;
import flailbeat.core.session.harmony.TypedChords.Rhythm;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Chords are typed, turned over, spread and named by a person. */
class ChordActionsTest {
  private static final long BAR = 3_840;

  private final Session session = new Session(() -> 0, new FakePlayer(() -> 0));

  private ChordActions chords() {
    return session.chords().actions();
  }

  private void demo() {
    session.open(HarbourLamps.song(), Optional.empty());
    TrackId fog = session.song().tracks().get(3).id();
    session.document().chooseTrack(fog);
  }

  private List<Note> notes() {
    return session.document().track().notes();
  }

  private String pitchesAt(long tick) {
    return notes().stream()
        .filter(n -> n.onset() == tick)
        .map(Note::pitch)
        .sorted()
        .map(String::valueOf)
        .collect(Collectors.joining(" "));
  }

  private String told() {
    return session.notices().current().text();
  }

  private List<String> names() {
    return session.chords().harmony().found().spans().stream()
        .filter(ChordSpan::hasChord)
        .map(s -> s.chord().name())
        .toList();
  }

  @Test
  void typed_chords_are_voiced_led_and_found_again_by_their_names() throws ChordFault {
    session.chords().typed().type("Dm7 G13 | Cmaj7 | N.C. | F / / C/E", Rhythm.HELD, true);
    assertThat(told()).isEqualTo("5 chords from bar 1");
    assertThat(names()).containsExactly("Dm7", "G13", "Cmaj7", "F", "C/E");
    assertThat(notes()).allMatch(n -> n.onset() < 4 * BAR && n.end() <= 4 * BAR);
    assertThat(pitchesAt(2 * BAR)).as("silence").isEmpty();
    assertThat(pitchesAt(3 * BAR + BAR * 3 / 4)).isNotEmpty();
    assertThat(session.document().selection().notes()).hasSize(notes().size());
    session.editing().undo();
    assertThat(notes()).isEmpty();
    session.chords().typed().type("C | ".repeat(100), Rhythm.HELD, true);
    assertThat(session.document().undoLabel().orElseThrow())
        .as("a long line in a menu")
        .hasSizeLessThan(60);
    session.editing().undo();
    session.chords().typed().type("C", Rhythm.BEATS, false);
    assertThat(notes().stream().map(Note::onset).distinct())
        .containsExactly(0L, 960L, 1920L, 2880L);
  }

  @Test
  void what_is_typed_wrongly_changes_nothing() {
    assertThatThrownBy(() -> session.chords().typed().type("Dm7 H7", Rhythm.HELD, true))
        .isInstanceOf(ChordFault.class)
        .hasMessageContaining("H7");
    assertThat(session.song().noteCount()).isZero();
  }

  @Test
  void chords_turned_over_keep_all_but_their_pitches_and_come_back_as_one_step() {
    demo();
    List<Note> before = notes();
    session.document().select(NoteRule.ALL);
    chords().invert(1);
    assertThat(pitchesAt(0)).isEqualTo("57 62 65 74");
    assertThat(notes())
        .extracting(Note::length)
        .isEqualTo(before.stream().map(Note::length).toList());
    assertThat(notes().stream().mapToInt(Note::velocity).sum())
        .isEqualTo(before.stream().mapToInt(Note::velocity).sum());
    assertThat(told()).isEqualTo("Turned over, up: Dm/A");
    session.editing().undo();
    assertThat(notes()).isEqualTo(before);
  }

  @Test
  void an_inversion_that_leaves_the_range_moves_nothing_and_is_told() throws ChordFault {
    demo();
    session.document().select(NoteRule.ALL);
    for (int i = 0; i < 40; i++) {
      chords().invert(1);
    }
    List<Note> highest = notes();
    chords().invert(1);
    assertThat(notes()).isEqualTo(highest);
    assertThat(told()).contains("128 pitches").contains("left as it was");
  }

  @Test
  void a_progression_is_led_with_the_least_movement() {
    demo();
    session.document().select(NoteRule.ALL);
    chords().lead();
    assertThat(pitchesAt(0)).isEqualTo("50 57 62 65");
    assertThat(pitchesAt(BAR)).isEqualTo("48 55 60 64");
    assertThat(names()).startsWith("Dm", "C");
  }

  @Test
  void strummed_chords_end_where_they_did_and_were_played_when_they_were() {
    demo();
    session.document().select(NoteRule.ALL);
    List<Note> before = notes();
    chords().strum(40, false, false);
    List<Note> first = notes().stream().filter(n -> n.onset() < 500).toList();
    assertThat(first).extracting(Note::pitch).containsExactly(50, 57, 62, 65);
    // 40 ms at 96 bpm are 61.44 ticks; the others a third and two thirds of that later.
    assertThat(first).extracting(Note::onset).containsExactly(0L, 20L, 41L, 61L);
    assertThat(first).extracting(Note::end).containsOnly(before.getFirst().end());
    assertThat(first).allMatch(n -> n.played().onset() == 0);
  }

  @Test
  void a_strummed_chord_is_still_one_to_turn_over_lead_and_strum_otherwise() {
    for (int ms : new int[] {10, 40, 150, 400}) {
      for (boolean down : new boolean[] {false, true}) {
        demo();
        session.document().select(NoteRule.ALL);
        chords().invert(1);
        List<Integer> turned = pitches();
        session.editing().undo();
        chords().strum(ms, down, true);
        chords().invert(1);
        assertThat(pitches()).as("%s ms", ms).containsExactlyInAnyOrderElementsOf(turned);
        chords().strum(0, false, false);
        assertThat(notes().stream().map(Note::onset).distinct().count())
            .as("%s ms %s", ms, down)
            .isEqualTo(16);
      }
    }
  }

  private List<Integer> pitches() {
    return notes().stream().map(Note::pitch).toList();
  }

  @Test
  void broken_chords_follow_the_grid_as_long_as_they_lasted() {
    demo();
    session.document().select(NoteRule.ALL);
    chords().breakUp(BrokenChords.Order.UP_AND_DOWN);
    List<Note> first = notes().stream().filter(n -> n.onset() < BAR).toList();
    assertThat(first).extracting(Note::pitch).startsWith(50, 57, 62, 65, 62, 57, 50);
    assertThat(first).extracting(Note::onset).startsWith(0L, 240L, 480L);
    assertThat(first.getLast().end()).isEqualTo(BAR * 15 / 16);
  }

  /** Taps: a long one, two short ones, of one pitch or of several. */
  private void takeStencil(int... pitches) {
    session.open(Song.empty(), Optional.empty());
    long[] onsets = {0, 960, 1440};
    long[] lengths = {960, 240, 480};
    session
        .editing()
        .edit(
            "Tapped",
            s -> {
              List<Note> notes = new ArrayList<>();
              for (int i = 0; i < onsets.length; i++) {
                int velocity = i == 0 ? 100 : 70;
                notes.add(Note.placed(new NoteId(1), pitches[i], velocity, onsets[i], lengths[i]));
              }
              return EnteredNotes.place(s, s.tracks().getFirst().id(), notes);
            });
    session.document().select(NoteRule.ALL);
    assertThat(session.drawing().takeStencil()).isPresent();
  }

  private String struck() {
    return notes().stream()
        .map(n -> n.onset() + " " + n.pitch() + " " + n.length() + " " + n.velocity())
        .collect(Collectors.joining(", "));
  }

  @Test
  void a_rhythm_that_was_tapped_is_that_of_typed_chords_and_breaks_those_that_are_there()
      throws ChordFault {
    takeStencil(60, 60, 60);
    session.open(Song.empty(), Optional.empty());
    int loud = session.performer().hands().velocity();
    session.chords().typed().type("C5", Rhythm.STENCIL, false);
    List<Integer> pitches = notes().stream().map(Note::pitch).distinct().toList();
    assertThat(pitches).hasSize(2);
    assertThat(notes().stream().map(Note::onset).distinct())
        .containsExactly(0L, 960L, 1440L, 1920L, 2880L, 3360L);
    assertThat(notes().getFirst().velocity()).isEqualTo(loud + 20);
    takeStencil(60, 67, 64);
    session.open(Song.empty(), Optional.empty());
    session.chords().typed().type("C", Rhythm.HELD, false);
    List<Integer> chord = notes().stream().map(Note::pitch).sorted().toList();
    session.document().select(NoteRule.ALL);
    chords().breakByStencil();
    assertThat(notes().stream().map(Note::pitch).limit(3))
        .as("low, high, middle, as it was drawn")
        .containsExactly(chord.get(0), chord.get(2), chord.get(1));
    assertThat(notes()).hasSize(6);
    assertThat(notes().getLast().end()).as("no longer than the chord").isEqualTo(BAR);
    session.editing().undo();
    assertThat(notes()).hasSize(3);
  }

  @Test
  void without_a_stencil_it_is_said_how_to_get_one() {
    demo();
    List<Note> before = notes();
    chords().breakByStencil();
    assertThat(told()).isEqualTo("Take a stencil first, from selected notes");
    assertThatThrownBy(() -> session.chords().typed().type("C", Rhythm.STENCIL, true))
        .hasMessage("Take a stencil first, from selected notes");
    assertThat(notes()).isEqualTo(before);
  }

  @Test
  void breaking_is_seen_before_it_is_done() {
    demo();
    session.document().select(NoteRule.ALL);
    List<Note> before = notes();
    session.chores().tryOut(Cleanup.BREAK_UP);
    assertThat(notes()).isEqualTo(before);
    assertThat(session.chores().outcome().isNothing()).isFalse();
    session.chores().carryOut();
    assertThat(notes().stream().limit(4).map(Note::pitch)).containsExactly(50, 57, 62, 65);
    assertThat(notes().stream().limit(4).map(Note::onset)).containsExactly(0L, 480L, 960L, 1440L);
    session.editing().undo();
    assertThat(notes()).isEqualTo(before);
  }

  @Test
  void a_bass_goes_below_and_away_again() {
    demo();
    session.document().select(NoteRule.ALL);
    chords().removeBass();
    assertThat(pitchesAt(0)).isEqualTo("57 62 65");
    chords().addBass();
    assertThat(pitchesAt(0)).isEqualTo("50 57 62 65");
  }

  @Test
  void a_chord_that_is_said_by_hand_is_kept_with_the_song_undone_and_moved_along()
      throws IOException {
    demo();
    session.runControl().seek(3 * BAR);
    assertThat(session.chords().harmony().here().orElseThrow().chord().name()).isEqualTo("Asus4");
    chords().sayHere("Dm11");
    assertThat(session.chords().harmony().here().orElseThrow().byHand()).isTrue();
    assertThat(names()).contains("Dm11");
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    ProjectFile.write(session.song(), bytes);
    Song back = ProjectFile.read(new ByteArrayInputStream(bytes.toByteArray()));
    session.open(back, Optional.empty());
    assertThat(names()).contains("Dm11");
    session.runControl().seek(3 * BAR);
    chords().sayHere("");
    assertThat(names()).doesNotContain("Dm11");
    session.editing().undo();
    assertThat(names()).contains("Dm11");
    for (String none : List.of("H7", "N.C.", "C G", "|")) {
      assertThatThrownBy(() -> chords().sayHere(none))
          .isInstanceOf(IllegalArgumentException.class)
          .hasMessageContaining("One chord");
    }
    session.runControl().seek(20 * BAR);
    chords().sayHere("G7");
    assertThat(names()).as("beyond the last note").endsWith("G7");
  }

  @Test
  void the_songs_chords_lie_under_the_hands_one_key_each() {
    demo();
    chords().underHands();
    assertThat(told()).startsWith("Under the keys: Dm, C, Bb, Asus4, F, Gm, A");
    session.performer().press(PhysicalKey.A, 0);
    assertThat(Harmony.words(session.chords().harmony().held())).isEqualTo("Dm");
    session.performer().release(PhysicalKey.A, 1);
    session.performer().press(PhysicalKey.D, 2);
    assertThat(Harmony.words(session.chords().harmony().held())).startsWith("Bb");
    session.performer().release(PhysicalKey.D, 3);
    session.document().chooseTrack(session.song().tracks().get(1).id());
    assertThat(session.performer().hands().arrangement().kind())
        .as("another track lies as ever")
        .isEqualTo(ArrangementKind.HOME);
    session.performer().press(PhysicalKey.A, 4);
    assertThat(session.performer().hands().soundingPitches()).hasSize(1);
    session.performer().release(PhysicalKey.A, 5);
  }

  @Test
  void drums_are_no_chords() {
    demo();
    session.document().chooseTrack(session.song().tracks().get(2).id());
    session.document().select(NoteRule.ALL);
    List<Note> before = notes();
    chords().invert(1);
    chords().breakUp(BrokenChords.Order.UP);
    chords().addBass();
    assertThat(notes()).isEqualTo(before);
    assertThatThrownBy(() -> session.chords().typed().type("C", Rhythm.HELD, true))
        .hasMessage("Deckhands is a kit: choose a track with pitches");
  }

  @Test
  void chords_of_another_song_are_never_told_of_this_one() {
    demo();
    assertThat(names()).isNotEmpty();
    session.open(Song.empty(), Optional.empty());
    assertThat(names()).isEmpty();
    assertThat(session.chords().harmony().keyHere()).isEmpty();
  }

  @Test
  void the_key_is_found_and_written() {
    demo();
    assertThat(session.chords().harmony().found().keys().getFirst().words()).isEqualTo("D minor");
    chords().takeKey();
    assertThat(session.song().keys().at(0).orElseThrow().toString()).isEqualTo("D minor");
    chords().keyUnderHands();
    assertThat(session.performer().key().toString()).isEqualTo("D Natural minor");
  }
}
