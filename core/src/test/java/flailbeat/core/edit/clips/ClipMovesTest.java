package flailbeat.core.edit.clips;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.Takes;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.time.Ticks;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class ClipMovesTest {
  private static final long BAR = 3840;

  /** A clip of bars, with a note on each of some beats; ids from ten times its own. */
  private static Clip clip(long id, long bar, long bars, long... beats) {
    List<Note> notes =
        java.util.stream.LongStream.range(0, beats.length)
            .mapToObj(i -> Note.placed(new NoteId(10 * id + i), 60, 80, beats[(int) i] * 960, 480))
            .toList();
    return new Clip(
        new ClipId(id),
        bar * BAR,
        bars * BAR,
        Clip.NEVER,
        Content.of(notes, List.of()),
        Takes.NONE);
  }

  private static Clip pedal(Clip clip, long down, long up) {
    List<ControlPoint> points =
        List.of(
            new ControlPoint(new ControlId(900), down, Control.controller(64, 127)),
            new ControlPoint(new ControlId(901), up, Control.controller(64, 0)));
    return clip.withContent(clip.content().with(List.of(), points));
  }

  private static Song song(Clip... clips) {
    Track second = Track.empty(new TrackId(2), "Second", Instrument.melodic(0), 1);
    Song empty = Song.empty().withNextId(1000);
    return empty.withTracks(List.of(empty.tracks().get(0).withClips(List.of(clips)), second));
  }

  /** Where clips lie in beats, each with its id and the beats on which its notes sound. */
  private static String clips(Song song, int track) {
    return song.tracks().get(track).clips().stream()
        .map(
            c ->
                c.id().value()
                    + ":"
                    + c.start() / 960
                    + "-"
                    + c.end() / 960
                    + (c.loops() ? " loop" : "")
                    + c.placed().sounding().stream()
                        .map(n -> " " + n.onset() / 960)
                        .collect(Collectors.joining()))
        .collect(Collectors.joining("; "));
  }

  private static String pedals(Song song) {
    return song.tracks().get(0).placed().controls().stream()
        .map(p -> p.control().value() + "@" + p.tick())
        .collect(Collectors.joining(" "));
  }

  private static Song move(Song song, long id, long ticks, int tracks) {
    return ClipMoves.move(song, Set.of(new ClipId(id)), ticks, tracks);
  }

  @Test
  void a_clip_that_is_moved_onto_another_lies_over_it_and_keeps_its_id() {
    Song song = song(clip(1, 0, 4, 0, 4, 8, 12), clip(2, 8, 1, 1));
    assertThat(clips(move(song, 2, -7 * BAR, 0), 0))
        .as("what lay under is cut, and the first piece is still that clip")
        .isEqualTo("1:0-4 0; 2:4-8 5; 1000:8-16 8 12");
    assertThat(clips(move(song, 2, -8 * BAR, 0), 0))
        .as("of what begins under it the rest keeps the id")
        .isEqualTo("2:0-4 1; 1:4-16 4 8 12");
  }

  @Test
  void what_lies_under_all_of_it_goes_and_undo_is_the_song_before() {
    Song song = song(clip(1, 0, 1, 0), clip(2, 2, 3, 0, 9));
    assertThat(clips(move(song, 2, -2 * BAR, 0), 0)).isEqualTo("2:0-12 0 9");
    assertThat(clips(song, 0)).isEqualTo("1:0-4 0; 2:8-20 8 17");
  }

  @Test
  void clips_move_to_another_track_no_farther_than_there_are_tracks() {
    Song song = song(clip(1, 0, 1, 0), clip(2, 2, 1, 0));
    assertThat(clips(move(song, 1, BAR, 5), 0)).isEqualTo("2:8-12 8");
    assertThat(clips(move(song, 1, BAR, 5), 1)).isEqualTo("1:4-8 4");
    assertThat(move(song, 1, -BAR, -1)).as("nowhere to go").isSameAs(song);
  }

  @Test
  void a_copy_has_ids_of_its_own_in_all_its_versions() {
    Clip first = clip(1, 0, 1, 0);
    Note other = Note.placed(new NoteId(77), 62, 80, 0, 100);
    Content silent = Content.of(List.of(other), List.of());
    Clip withTake = first.hearing(first.content(), new Takes(2, List.of(new Take(1, silent))));
    Song copied = ClipMoves.copy(song(withTake), Set.of(new ClipId(1)), 2 * BAR, 0);
    assertThat(clips(copied, 0)).startsWith("1:0-4 0; ").endsWith(":8-12 8");
    List<Long> ids =
        copied.tracks().get(0).clips().stream()
            .flatMap(
                c ->
                    Stream.concat(
                        Stream.of(c.id().value()),
                        Stream.concat(
                                Stream.of(c.content()),
                                c.takes().others().stream().map(Take::content))
                            .flatMap(x -> x.notes().stream())
                            .map(Note::idNumber)))
            .toList();
    assertThat(ids).hasSize(6).doesNotHaveDuplicates().allMatch(id -> id < copied.nextId());
  }

  @Test
  void a_loop_that_is_cut_goes_on_as_a_loop_from_its_next_round() {
    Clip loop = clip(1, 0, 6, 0, 1).lasting(6 * BAR, BAR);
    Song song = song(loop, clip(2, 8, 1, 2));
    assertThat(clips(move(song, 2, -7 * BAR, 0), 0))
        .isEqualTo("1:0-4 loop 0 1; 2:4-8 6; 1002:8-24 loop 8 9 12 13 16 17 20 21");
  }

  @Test
  void a_loop_that_is_cut_in_a_round_goes_on_as_notes_of_its_own() {
    Clip loop = clip(1, 0, 4, 0, 1, 3).lasting(4 * BAR, BAR);
    Song song = song(loop, clip(2, 8, 1, 2));
    Song moved = move(song, 2, -8 * BAR + 1920, 0);
    assertThat(clips(moved, 0))
        .startsWith("1:0-2 loop 0 1; 2:2-6 4; ")
        .endsWith(":6-16 7 8 9 11 12 13 15");
    assertThat(moved.tracks().get(0).clips().getLast().loops()).isFalse();
  }

  @Test
  void a_clip_is_split_where_a_tick_lies_and_nothing_sounds_otherwise() {
    Song song = song(clip(1, 0, 4, 0, 5, 9), clip(2, 5, 1, 0));
    Song split = ClipShapes.split(song, Set.of(new ClipId(1), new ClipId(2)), BAR + 1920);
    assertThat(clips(split, 0)).isEqualTo("1:0-6 0 5; 1000:6-16 9; 2:20-24 20");
    assertThat(ClipShapes.split(song, Set.of(new ClipId(1)), 0)).as("at its edge").isEqualTo(song);
  }

  @Test
  void a_loop_is_split_into_two_that_sound_as_one_did() {
    Clip loop = clip(1, 0, 4, 0, 1, 3).lasting(4 * BAR, BAR);
    for (long tick : new long[] {2 * BAR, BAR + 1920}) {
      Song split = ClipShapes.split(song(loop), Set.of(new ClipId(1)), tick);
      assertThat(split.tracks().get(0).clips()).hasSize(2);
      assertThat(split.tracks().get(0).placed().sounding())
          .extracting(Note::onset)
          .isEqualTo(
              song(loop).tracks().get(0).placed().sounding().stream().map(Note::onset).toList());
    }
  }

  @Test
  void a_pedal_is_let_go_before_a_clip_that_lies_over_what_let_it_go() {
    Song song = song(pedal(clip(1, 0, 4, 0), 100, 5000), clip(2, 8, 1, 0));
    assertThat(pedals(move(song, 2, -7 * BAR, 0))).isEqualTo("127@100 0@3839");
  }

  @Test
  void after_a_clip_that_lies_over_it_a_pedal_is_as_far_down_as_it_was() {
    Song song = song(pedal(clip(1, 0, 4, 0), 4000, 12_000), clip(2, 8, 1, 0));
    assertThat(pedals(move(song, 2, -7 * BAR, 0))).isEqualTo("127@7680 0@12000");
  }

  @Test
  void clips_end_where_the_song_does() {
    Song song = song(clip(1, 0, 1, 0));
    Clip far = move(song, 1, Ticks.LAST, 0).tracks().get(0).clips().get(0);
    assertThat(far.start() + 480).isEqualTo(Ticks.LAST);
  }
}
