package flailbeat.core.session.map;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.core.TestSongs;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.clips.ClipShapes.Beyond;
import flailbeat.core.edit.clips.ClipsResized;
import flailbeat.core.edit.notes.NoteField;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ClipTraits;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.quantize.lag.KnownLag;
import flailbeat.core.session.SessionRig;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.time.Meter;
import flailbeat.core.time.TickRange;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** What is done to clips by commands: a clip of one bar, in bars of 3840 ticks. */
class ClipActionsTest extends SessionRig {
  private static final long BAR = TestSongs.BAR;

  private ClipActions clips;

  /** A track of one clip, which is selected. */
  private void given(Clip... some) {
    clips = session.clips();
    session.open(SongEdits.addTrack(TestSongs.song(some), Instrument.melodic(0)), Optional.empty());
    session.document().chooseClip(some[0].id());
    session.document().select(Selection.ofClips(Set.of(some[0].id())));
  }

  private static Clip oneBar(long id, long bar) {
    return TestSongs.clip(id, bar * BAR, BAR, TestSongs.note(id + 1, 60, 0, 480));
  }

  private String clips() {
    return session.song().tracks().get(0).clips().stream()
        .map(c -> c.start() / BAR + "-" + c.end() / BAR + (c.loops() ? "x" : ""))
        .collect(Collectors.joining(" "));
  }

  private String said() {
    return session.notices().current().text();
  }

  @Test
  void a_clip_that_began_late_has_its_first_note_on_the_bar_it_was_meant_for_and_then_the_other() {
    long late = BAR / 2 + 300;
    given(
        TestSongs.clip(
            5,
            BAR,
            3 * BAR,
            TestSongs.note(10, 60, late, 400),
            TestSongs.note(11, 62, late + 960, 400),
            TestSongs.note(12, 64, late + 1920, 400)));
    clips.firstNoteToBar();
    assertThat(said()).startsWith("First note on bar 3; again, on bar 2");
    long off = first() - 2 * BAR;
    assertThat(off).as("how late it was played stays").isBetween(-480L, 480L);
    clips.firstNoteToBar();
    assertThat(first() - BAR).isEqualTo(off);
    session.editing().undo();
    session.editing().undo();
    assertThat(first()).isEqualTo(BAR + late);
  }

  /** Sixteenths of 125 ms, 84 ms late or 41 ms early: whoever is known to be late, was. */
  @Test
  void its_first_note_was_meant_where_the_timing_desk_says_by_what_is_known_of_the_person() {
    Note[] notes = new Note[16];
    for (int i = 0; i < notes.length; i++) {
      long at = BAR + 480 + i * 240L + 161;
      notes[i] = Note.asPlayed(new NoteId(10 + i), 60 + i % 5, 80, new Played(at, at + 100));
    }
    Clip clip = Clip.around(new ClipId(5), List.of(notes), List.of(), session.song().meters());
    given(clip);
    session.lags().setAll(Map.of(Performer.KEYS, new KnownLag(Collections.nCopies(6, 84.0))));
    assertThat(session.timing().plan().notes().getFirst().line()).isEqualTo(BAR + 480);
    clips.firstNoteToBar();
    assertThat(first()).isEqualTo(BAR + 161);
  }

  private long first() {
    return session.song().tracks().get(0).notes().getFirst().onset();
  }

  @Test
  void a_bar_is_wanted_eight_times_and_an_edit_in_one_is_an_edit_in_all_in_one_step() {
    given(oneBar(5, 0));
    clips.repeat(7, true);
    assertThat(clips()).isEqualTo("0-1 1-2 2-3 3-4 4-5 5-6 6-7 7-8");
    assertThat(session.document().selection().clips()).hasSize(7);
    session.editing().edit("Up", s -> NoteEdits.move(s, Set.of(new NoteId(6)), 0, 5));
    assertThat(TestSongs.heard(session.song())).isEqualTo(every(8, 65));
    session.editing().undo();
    assertThat(TestSongs.heard(session.song())).isEqualTo(every(8, 60));
    clips.traits().unlink();
    session.editing().edit("Up", s -> NoteEdits.move(s, Set.of(new NoteId(6)), 0, 5));
    assertThat(TestSongs.heard(session.song())).startsWith("65@0").contains("60@3840");
  }

  private static String every(int bars, int pitch) {
    return java.util.stream.IntStream.range(0, bars)
        .mapToObj(i -> pitch + "@" + i * BAR + "+480")
        .collect(Collectors.joining(" "));
  }

  @Test
  void a_loop_is_filled_as_far_as_there_is_room_and_says_so_without_one() {
    given(oneBar(5, 0));
    clips.fillLoop();
    assertThat(said()).startsWith("Choose a loop first");
    session.run().loop(new TickRange(0, 4 * BAR));
    clips.fillLoop();
    assertThat(clips()).isEqualTo("0-1 1-2 2-3 3-4");
  }

  @Test
  void bars_of_other_meters_are_bars_too() {
    given(oneBar(5, 0));
    session.editing().edit("Meter", s -> s.withMeters(s.meters().with(BAR, new Meter(3, 4))));
    clips.moveBars(2);
    assertThat(session.song().tracks().get(0).clips().getFirst().start()).isEqualTo(BAR + 2880);
    clips.lengthen(1, Beyond.LOOP);
    Clip now = session.song().tracks().get(0).clips().getFirst();
    assertThat(now.loops()).isTrue();
    assertThat(now.end()).as("at a bar line").isEqualTo(BAR + 3 * 2880);
    clips.splitAtBars();
    assertThat(session.song().tracks().get(0).clips()).hasSize(2);
  }

  @Test
  void what_cannot_be_done_is_told_and_leaves_the_song_as_it_is() {
    given(oneBar(5, 0));
    Song before = session.song();
    clips.moveToStart();
    assertThat(said()).startsWith("It begins where the song does");
    clips.swap();
    assertThat(said()).startsWith("Two clips that follow");
    clips.join();
    assertThat(said()).startsWith("Select the clips");
    clips.splitAt(3 * BAR);
    assertThat(said()).endsWith("lies in none of them");
    clips.traits().settle();
    assertThat(said()).startsWith("They sound as their notes say");
    clips.move(0, -1, flailbeat.core.edit.clips.Landing.OVER);
    assertThat(said()).startsWith("There is no room");
    assertThat(session.song()).isSameAs(before);
    session.document().select(Selection.NONE);
    session.document().chooseTrack(session.song().tracks().get(1).id());
    clips.delete(false);
    assertThat(said()).startsWith("There is no clip here");
    assertThatThrownBy(() -> ClipTraits.NONE.withName("x".repeat(301)))
        .hasMessageContaining("300 letters");
  }

  @Test
  void joined_swapped_and_with_the_gap_closed() {
    given(oneBar(5, 0), oneBar(20, 1), oneBar(40, 3));
    clips.swap();
    assertThat(session.song().tracks().get(0).clips())
        .extracting(c -> c.id().value())
        .containsExactly(20L, 5L, 40L);
    clips.choice().select(session.song().tracks().get(0).clips().subList(0, 2));
    clips.join();
    assertThat(clips()).isEqualTo("0-2 3-4");
    clips.choice().select(List.of(session.song().tracks().get(0).clips().getFirst()));
    clips.delete(true);
    assertThat(clips()).isEqualTo("1-2");
  }

  @Test
  void what_is_recorded_into_one_of_several_linked_clips_is_in_all_and_over_two_in_those_alone() {
    given(oneBar(5, 0));
    clips.repeat(3, true);
    TestSongs.track(session.song());
    session
        .editing()
        .edit(
            "Recorded",
            s ->
                NoteEdits.add(
                    s,
                    TestSongs.TRACK,
                    List.of(
                        new NoteEdits.NewNote(
                            70, 90, new flailbeat.core.model.Played(BAR + 960, BAR + 1440))),
                    new TickRange(BAR, 2 * BAR)));
    assertThat(pitchesOf(3)).containsExactly(60, 70);
    session
        .editing()
        .edit(
            "Recorded",
            s ->
                NoteEdits.add(
                    s,
                    TestSongs.TRACK,
                    List.of(
                        new NoteEdits.NewNote(
                            80, 90, new flailbeat.core.model.Played(BAR + 1920, BAR + 2400))),
                    new TickRange(BAR, 3 * BAR)));
    assertThat(pitchesOf(0)).containsExactly(60, 70);
    assertThat(pitchesOf(1)).containsExactly(60, 70, 80);
    assertThat(pitchesOf(3)).containsExactly(60, 70);
  }

  private List<Integer> pitchesOf(int clip) {
    return session.song().tracks().get(0).clips().get(clip).placed().notes().stream()
        .map(n -> n.pitch())
        .toList();
  }

  @Test
  void a_quantizing_of_a_linked_clip_moves_the_notes_of_all() {
    given(TestSongs.clip(5, 0, BAR, TestSongs.note(6, 60, 100, 480)));
    clips.repeat(2, true);
    session.document().chooseClip(session.song().tracks().get(0).clips().get(2).id());
    session.document().select(Selection.NONE);
    session.quantizing().quantize();
    assertThat(
            session.song().tracks().get(0).placed().sounding().stream()
                .map(n -> n.onset() % BAR)
                .distinct())
        .hasSize(1)
        .doesNotContain(100L);
    assertThat(session.song().tracks().get(0).clips()).hasSize(3);
  }

  @Test
  void a_loop_of_more_rounds_than_can_sound_is_refused_in_words_and_the_song_is_as_it_was() {
    List<flailbeat.core.model.Note> many =
        java.util.stream.IntStream.range(0, 400)
            .mapToObj(i -> TestSongs.note(10 + i, 60 + i % 12, i * 9L, 5))
            .toList();
    given(TestSongs.clip(5, 0, BAR, Clip.NEVER, many, List.of()));
    Song before = session.song();
    session
        .editing()
        .carryOut(new ClipsResized(clips.choice().meant(), false, 1L << 31, Beyond.LOOP));
    assertThat(said()).contains("cannot be").endsWith("All is left as it was");
    assertThat(session.song()).isSameAs(before);
  }

  @Test
  void several_clips_are_moved_and_made_longer_by_exact_values() {
    given(oneBar(5, 0), oneBar(20, 4));
    clips.choice().selectTrack();
    session.values().enter(NoteField.START, "3.1");
    assertThat(clips()).isEqualTo("2-3 6-7");
    session.values().enter(NoteField.LENGTH, "+960");
    assertThat(session.song().tracks().get(0).clips())
        .extracting(Clip::length)
        .containsExactly(BAR + 960, BAR + 960);
  }

  @Test
  void a_clip_of_id_that_is_gone_is_no_more_selected() {
    given(oneBar(5, 0), oneBar(20, 1));
    clips.choice().selectAll();
    clips.delete(false);
    assertThat(session.document().selection().clips()).isEmpty();
    session.editing().undo();
    assertThat(session.song().tracks().get(0).clip(new ClipId(5))).isPresent();
  }
}
