package flailbeat.core.session.bench;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Selection;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.session.SessionRig;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/**
 * Two chords of three and a short soft note between them, at 120 bpm (a tick is 0.52 ms); lines are
 * sixteenths.
 */
class SelectActionsTest extends SessionRig {
  private final SelectActions desk = session.selecting();

  @BeforeEach
  void chords() {
    TrackId track = session.document().track().id();
    List<NewNote> notes =
        Stream.of(
                "0 60 90 900",
                "10 64 91 900",
                "20 67 92 900",
                "1500 62 30 60",
                "1920 60 88 880",
                "1960 65 60 900",
                "1925 69 95 400")
            .map(line -> Stream.of(line.split(" ")).mapToInt(Integer::parseInt).toArray())
            .map(n -> new NewNote(n[1], n[2], new Played(n[0], n[0] + n[3]), n[0]))
            .toList();
    session.editing().edit("Chords", s -> NoteEdits.add(s, track, notes, new TickRange(0, 3840)));
    session.document().select(Selection.NONE);
  }

  private List<String> selected() {
    return NoteEdits.find(session.song(), session.document().selection().notes()).stream()
        .map(n -> n.onset() + " " + n.pitch())
        .toList();
  }

  private Note note(int index) {
    return notes().get(index);
  }

  private void select(Note... notes) {
    session.document().select(Selection.of(List.of(notes)));
  }

  @Test
  void notes_struck_nearly_together_are_one_chord_with_a_lowest_a_highest_and_a_middle() {
    desk.middle();
    assertThat(selected()).containsExactly("10 64", "1960 65");
    session.document().select(NoteRule.ALL);
    desk.highest();
    assertThat(selected()).containsExactly("20 67", "1500 62", "1925 69");
    session.document().select(Selection.NONE);
    desk.lowest();
    assertThat(selected()).containsExactly("0 60", "1500 62", "1920 60");
    assertThat(session.notices().current().text()).isEqualTo("Selected 3 of 7 notes");
  }

  @Test
  void soft_short_and_stray_notes_are_found_on_the_track_and_then_among_the_selected() {
    desk.softer(61);
    assertThat(selected()).containsExactly("1500 62", "1960 65");
    desk.shorter(100);
    assertThat(selected()).as("of the two").containsExactly("1500 62");
    session.document().select(Selection.NONE);
    desk.offLines(20);
    assertThat(selected())
        .as("60 ticks are 31 ms, 40 are 21")
        .containsExactly("1500 62", "1960 65");
    session.document().select(Selection.NONE);
    desk.onLines(20);
    assertThat(selected()).hasSize(5);
    desk.oneIn(2);
    assertThat(selected()).containsExactly("0 60", "20 67", "1925 69");
  }

  @Test
  void those_like_one_the_others_and_what_lies_before_or_after() {
    select(note(0));
    desk.like();
    assertThat(selected()).containsExactly("0 60", "1920 60");
    desk.others();
    assertThat(selected()).hasSize(5).doesNotContain("0 60");
    runControl.seek(1920);
    desk.from(1);
    assertThat(selected()).containsExactly("1920 60", "1925 69", "1960 65");
    desk.from(-1);
    assertThat(selected()).hasSize(4);
    select(note(0));
    desk.sameNames();
    assertThat(selected()).containsExactly("0 60", "1920 60");
    desk.none();
    desk.like();
    assertThat(session.notices().current().text()).startsWith("Select a note first");
  }

  @Test
  void rows_are_selected_added_and_one_of_them_taken_out_again() {
    desk.pitches(Set.of(60, 61, 62), false);
    assertThat(selected()).hasSize(3);
    desk.pitches(Set.of(69), true);
    assertThat(selected()).hasSize(4);
    desk.togglePitch(60);
    assertThat(selected()).containsExactly("1500 62", "1925 69");
    desk.togglePitch(60);
    assertThat(selected()).hasSize(4);
  }

  @Test
  void notes_are_gone_through_one_by_one() {
    desk.step(1, false);
    assertThat(selected()).containsExactly("0 60");
    desk.step(1, false);
    assertThat(selected()).containsExactly("10 64");
    desk.step(-1, true);
    assertThat(selected()).containsExactly("0 60", "10 64");
    desk.step(-1, false);
    assertThat(selected()).containsExactly("0 60");
  }
}
