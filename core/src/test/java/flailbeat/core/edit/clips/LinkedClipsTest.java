package flailbeat.core.edit.clips;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.TestSongs;
import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.TakeEdits;
import flailbeat.core.edit.shapes.Curve;
import flailbeat.core.edit.shapes.VelocityDrawn;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/**
 * What a person does in one of three clips that share two notes, at beats 1 and 2 of bars 1 to 3,
 * is done in all of them.
 */
class LinkedClipsTest {
  private static final long BAR = TestSongs.BAR;
  private static final TickRange BAR_2 = new TickRange(BAR, 2 * BAR);

  private static Song three() {
    Clip clip =
        TestSongs.clip(
            5,
            0,
            BAR,
            Clip.NEVER,
            List.of(TestSongs.note(10, 60, 0, 480), TestSongs.note(11, 62, 960, 480)),
            List.of(TestSongs.point(20, 0, 64, 127), TestSongs.point(21, 960, 64, 0)));
    return ClipPattern.of(TestSongs.song(clip))
        .orElseThrow()
        .laidInto(TestSongs.song(clip), BAR, 0, 2, true, Landing.OVER);
  }

  /** What sounds in a bar, from its start: pitch, onset, velocity. */
  private static List<String> bar(Song song, int bar) {
    TickRange range = new TickRange(bar * BAR, (bar + 1) * BAR);
    return TestSongs.track(song).soundingBeginningIn(range).stream()
        .map(n -> n.pitch() + "@" + (n.onset() - range.start()) + " " + n.velocity())
        .toList();
  }

  private static void assertAlike(Song song, String... notes) {
    for (int bar = 0; bar < 3; bar++) {
      assertThat(bar(song, bar)).as("bar %d", bar + 1).containsExactly(notes);
    }
    assertThat(TestSongs.track(song).clips()).hasSize(3);
  }

  @Test
  void what_is_cleared_in_one_is_gone_in_all() {
    assertAlike(
        NoteEdits.clear(three(), TestSongs.TRACK, new TickRange(BAR, BAR + 480)), "62@960 90");
    assertAlike(
        NoteEdits.clear(three(), TestSongs.TRACK, n -> n.onset() == 2 * BAR + 960), "60@0 90");
  }

  @Test
  void a_pedal_cleared_in_one_is_gone_in_all_and_one_drawn_there_is_in_all() {
    Song cleared = SongEdits.clearControls(three(), TestSongs.TRACK, BAR_2);
    assertThat(TestSongs.controls(cleared)).doesNotContain("64=127");
    Song pressed =
        SongEdits.addControls(
            cleared,
            TestSongs.TRACK,
            List.of(
                new NewControl(BAR + 480, Control.controller(64, 127)),
                new NewControl(BAR + 1920, Control.controller(64, 0))));
    assertThat(TestSongs.controls(pressed))
        .contains("64=127@480", "64=127@" + (BAR + 480), "64=127@" + (2 * BAR + 480));
  }

  @Test
  void loudness_drawn_over_one_is_in_all() {
    Set<NoteId> all = TestSongs.ids(three());
    Curve flat = Curve.between(BAR, 40, 2 * BAR - 1, 40, 0);
    assertAlike(new VelocityDrawn(all, flat).apply(three()), "60@0 40", "62@960 40");
  }

  @Test
  void steps_entered_lengthened_and_removed_in_one_are_so_in_all() {
    Song entered =
        EnteredNotes.enter(
            three(),
            TestSongs.TRACK,
            List.of(
                new NoteEdits.NewNote(
                    70, 80, flailbeat.core.model.Played.put(BAR + 1920, BAR + 2400), BAR + 1920)),
            List.of());
    assertAlike(entered, "60@0 90", "62@960 90", "70@1920 80");
    Song longer =
        EnteredNotes.lengthen(
            entered, TestSongs.TRACK, BAR + 1920, Set.of(70), 960, java.util.Optional.empty());
    assertThat(
            TestSongs.track(longer).placed().sounding().stream()
                .filter(n -> n.pitch() == 70)
                .map(Note::length))
        .containsExactly(960L, 960L, 960L);
    assertAlike(
        EnteredNotes.remove(longer, TestSongs.TRACK, 2 * BAR, Set.of(60)),
        "62@960 90",
        "70@1920 80");
  }

  @Test
  void a_note_entered_where_one_of_its_pitch_stands_takes_its_place_in_all() {
    Song entered =
        EnteredNotes.enter(
            three(),
            TestSongs.TRACK,
            List.of(
                new NoteEdits.NewNote(
                    60, 33, flailbeat.core.model.Played.put(2 * BAR, 2 * BAR + 240), 2 * BAR)),
            List.of());
    assertAlike(entered, "60@0 33", "62@960 90");
  }

  @Test
  void a_box_round_notes_of_one_names_the_notes_and_a_take_makes_a_clip_its_own() {
    NoteRule box = new NoteRule.Within(new TickRange(2 * BAR, 2 * BAR + 100), 0, 127);
    assertThat(Selection.of(box.of(TestSongs.track(three()))).notes())
        .containsExactly(new NoteId(10));
    Song taken =
        TakeEdits.record(
            three(),
            TestSongs.TRACK,
            List.of(new NoteEdits.NewNote(72, 70, new flailbeat.core.model.Played(BAR, BAR + 480))),
            List.of(),
            BAR_2);
    assertThat(bar(taken, 0)).containsExactly("60@0 90", "62@960 90");
    assertThat(bar(taken, 1)).containsExactly("72@0 70");
    assertThat(TestSongs.track(taken).links().count(TestSongs.track(taken).clips().get(0)))
        .isEqualTo(2);
  }

  @Test
  void clips_in_hand_from_before_a_take_was_removed_bring_no_take_back() {
    Song taken =
        TakeEdits.record(
            TestSongs.song(TestSongs.clip(5, 0, BAR, TestSongs.note(10, 60, 0, 480))),
            TestSongs.TRACK,
            List.of(new NoteEdits.NewNote(72, 70, new flailbeat.core.model.Played(0, 480))),
            List.of(),
            new TickRange(0, BAR));
    Song chosen = TakeEdits.choose(taken, TestSongs.TRACK, new ClipId(5), 1);
    ClipPattern inHand = ClipPattern.of(chosen).orElseThrow();
    Song other = TakeEdits.choose(chosen, TestSongs.TRACK, new ClipId(5), 2);
    Song removed = TakeEdits.remove(other, TestSongs.TRACK, new ClipId(5));
    Song laid = inHand.laidInto(removed, BAR, 0, 2, true, Landing.OVER);
    assertThat(TestSongs.track(laid).clips().get(0).takes().isChoice()).isFalse();
    assertThat(TestSongs.track(laid).clips().get(1).takes().isChoice()).isTrue();
    assertThat(TestSongs.track(laid).links().count(TestSongs.track(laid).clips().get(1)))
        .isEqualTo(2);
  }

  @Test
  void of_a_clip_made_shorter_all_is_there_in_the_others_and_can_be_edited() {
    Song shorter =
        ClipShapes.resizeEnd(three(), Set.of(new ClipId(5)), -3000, ClipShapes.Beyond.LOOP);
    assertThat(bar(shorter, 0)).containsExactly("60@0 90");
    assertThat(bar(shorter, 2)).containsExactly("60@0 90", "62@960 90");
    Song moved = NoteEdits.move(shorter, Set.of(new NoteId(11)), 0, 5);
    assertThat(bar(moved, 1)).containsExactly("60@0 90", "67@960 90");
    assertThat(bar(moved, 2)).containsExactly("60@0 90", "67@960 90");
  }
}
