package flailbeat.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.clips.ClipMoves;
import flailbeat.core.edit.clips.ClipShapes;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.Takes;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** In 4/4 a bar has 3840 ticks. */
class ClipEditsTest {
  private static final TrackId TRACK = Song.empty().tracks().get(0).id();
  private static final long BAR = 3840;

  private static NewNote at(long onset) {
    return new NewNote(60, 80, new Played(onset, onset + 400));
  }

  /** A clip of a bar, with a note at its start, in each of these bars, counted from 1. */
  private static Song withClipsInBars(int... bars) {
    Song song = Song.empty();
    for (int bar : bars) {
      long start = (bar - 1) * BAR;
      song = NoteEdits.add(song, TRACK, List.of(at(start)), new TickRange(start, start));
    }
    return song;
  }

  private static List<String> clips(Song song) {
    return song.tracks().get(0).clips().stream()
        .map(c -> bar(c.range().start()) + "-" + bar(c.range().end()) + ": " + c.noteCount())
        .toList();
  }

  private static String bar(long tick) {
    return String.valueOf(tick / (double) BAR + 1).replaceAll("\\.0$", "");
  }

  private static Song move(Song song, int clip, double bars) {
    NoteId id = song.tracks().get(0).clips().get(clip).placed().notes().get(0).id();
    return NoteEdits.move(song, Set.of(id), Math.round(bars * BAR), 0);
  }

  @Test
  void a_note_that_is_moved_into_another_clip_belongs_to_that_one() {
    assertThat(clips(move(withClipsInBars(1, 5), 1, -3.5))).containsExactly("1-2: 2", "5-6: 0");
  }

  @Test
  void a_note_that_is_moved_out_gets_a_clip_of_that_bar_and_its_own_keeps_its_length() {
    assertThat(clips(move(withClipsInBars(1, 5), 0, 2)))
        .containsExactly("1-2: 0", "3-4: 1", "5-6: 1");
    assertThat(clips(move(withClipsInBars(1, 5), 1, -2)))
        .containsExactly("1-2: 1", "3-4: 1", "5-6: 0");
  }

  @Test
  void a_note_that_is_moved_beyond_a_neighbour_gets_a_clip_of_its_own() {
    Song song = withClipsInBars(3, 5);
    assertThat(clips(move(song, 1, -4))).containsExactly("1-2: 1", "3-4: 1", "5-6: 0");
    assertThat(clips(move(song, 0, 4))).containsExactly("3-4: 0", "5-6: 1", "7-8: 1");
  }

  @Test
  void a_note_that_rings_into_the_next_clip_stays_where_it_begins() {
    Song song = withClipsInBars(1, 2);
    NoteId id = song.tracks().get(0).clips().get(0).placed().notes().get(0).id();
    song = NoteEdits.change(song, Set.of(id), n -> n.standingAt(n.onset(), 2 * BAR));
    assertThat(clips(song)).containsExactly("1-2: 1", "2-3: 1");
  }

  @Test
  void clips_that_overlap_or_are_out_of_order_are_no_track() {
    Song song = withClipsInBars(1, 5);
    List<Clip> clips = song.tracks().get(0).clips();
    assertThatThrownBy(() -> song.tracks().get(0).withClips(clips.reversed()))
        .hasMessageContaining("do not overlap");
  }

  @Test
  void clips_that_overlap_in_a_file_become_one_and_nothing_is_lost() {
    Note a = Note.placed(new NoteId(1), 60, 80, 0, 100);
    Note b = Note.placed(new NoteId(2), 62, 80, 4000, 100);
    Note c = Note.placed(new NoteId(3), 64, 80, 100, 100);
    Note d = Note.placed(new NoteId(4), 65, 80, 5000, 100);
    List<Clip> apart =
        ClipEdits.withoutOverlaps(
            List.of(
                clip(
                    8,
                    new TickRange(2 * BAR - 3841, 3 * BAR),
                    List.of(),
                    2,
                    new Take(1, holding(d))),
                clip(9, new TickRange(0, 2 * BAR), List.of(a, b), 1, new Take(2, holding(c)))),
            new Ids(100));
    assertThat(apart).hasSize(1);
    assertThat(apart.get(0).range()).isEqualTo(new TickRange(0, 3 * BAR));
    assertThat(apart.get(0).content().notes()).containsExactly(a, b);
    assertThat(apart.get(0).takes().others())
        .flatExtracting(t -> t.content().notes())
        .containsExactly(c, d);
  }

  private static Content holding(Note note) {
    return Content.of(List.of(note), List.of());
  }

  private static Clip clip(long id, TickRange range, List<Note> notes, int take, Take other) {
    return Clip.of(new ClipId(id), range, notes, List.of(), new Takes(take, List.of(other)));
  }

  private static ClipId clip(Song song, int index) {
    return song.tracks().get(0).clips().get(index).id();
  }

  private static Song lengthened(Song song, long ticks) {
    return NoteEdits.mapAll(song, n -> n.lasting(ticks));
  }

  /** What sounds, as begin-end, in ticks. */
  private static List<String> sounding(Song song) {
    return song.tracks().get(0).placed().sounding().stream()
        .map(n -> n.onset() + "-" + n.end())
        .toList();
  }

  @Test
  void a_clip_that_is_moved_takes_its_notes_its_pedal_and_its_times_as_played_along() {
    List<NewControl> pedal = List.of(new NewControl(100, Control.controller(64, 127)));
    Song song = SongEdits.addControls(withClipsInBars(1, 5), TRACK, pedal);
    Song moved = ClipMoves.move(song, Set.of(clip(song, 0)), BAR, 0);
    assertThat(clips(moved)).containsExactly("2-3: 1", "5-6: 1");
    assertThat(moved.tracks().get(0).controls()).extracting("tick").containsExactly(BAR + 100);
    assertThat(moved.tracks().get(0).notes().get(0).played()).isEqualTo(new Played(BAR, BAR + 400));
    assertThat(ClipMoves.move(moved, Set.of(clip(moved, 0)), -9 * BAR, 0))
        .as("no farther than the song's start")
        .isEqualTo(song);
  }

  /** As a file may say it: the second clip so much elsewhere, whatever lies there. */
  private static Song overlapping(Song song, long ticks) {
    List<Clip> clips = song.tracks().get(0).clips();
    Clip second = clips.get(1).at(clips.get(1).start() + ticks);
    return song.withTrack(
        TRACK,
        t ->
            t.withClips(
                ClipEdits.withoutOverlaps(List.of(clips.get(0), second), new Ids(song.nextId()))));
  }

  @Test
  void clips_that_overlap_become_one_and_both_sound() {
    Song song = withClipsInBars(1, 5);
    Song moved = overlapping(song, -4 * BAR + 960);
    assertThat(clips(moved)).containsExactly("1-2.25: 2");
    assertThat(sounding(moved)).containsExactly("0-400", "960-1360");
  }

  @Test
  void what_lies_beyond_a_clip_that_was_shortened_is_silent_and_comes_back() {
    Song song = withClipsInBars(1);
    song = NoteEdits.add(song, TRACK, List.of(at(2000)), new TickRange(0, 0));
    Song shorter = ClipShapes.resize(song, clip(song, 0), 1000);
    assertThat(sounding(shorter)).containsExactly("0-400");
    assertThat(shorter.noteCount()).isEqualTo(1);
    assertThat(ClipShapes.resize(shorter, clip(song, 0), BAR)).isEqualTo(song);
    assertThat(clips(ClipShapes.resize(withClipsInBars(1, 2), clip(song, 0), 9 * BAR)))
        .as("up to its neighbour")
        .containsExactly("1-2: 1", "2-3: 1");
  }

  @Test
  void a_note_ends_with_its_round_where_its_clip_loops_and_not_with_its_clip_where_it_does_not() {
    Song song = lengthened(withClipsInBars(1), 3000);
    song = ClipShapes.resize(song, clip(song, 0), 2000);
    assertThat(sounding(song)).containsExactly("0-3000");
    Song looped = ClipShapes.loop(song, clip(song, 0), 1000, 2500);
    assertThat(sounding(looped)).containsExactly("0-1000", "1000-2000", "2000-2500");
    assertThat(looped.noteCount()).isEqualTo(1);
    assertThat(sounding(ClipShapes.loop(looped, clip(song, 0), Clip.NEVER, 2000)))
        .containsExactly("0-3000");
  }

  @Test
  void a_note_that_is_moved_into_a_later_round_stands_there_in_every_round() {
    Song song = withClipsInBars(1);
    Song looped = ClipShapes.loop(song, clip(song, 0), BAR, 3 * BAR);
    assertThat(sounding(move(looped, 0, 1.5)))
        .containsExactly("1920-2320", "5760-6160", "9600-10000");
  }

  @Test
  void what_is_recorded_onto_a_loop_is_heard_once_and_the_loop_as_often_as_before() {
    Song song = withClipsInBars(1);
    Song looped = ClipShapes.loop(song, clip(song, 0), BAR, 3 * BAR);
    Song more = NoteEdits.add(looped, TRACK, List.of(at(BAR + 960)), new TickRange(BAR, 2 * BAR));
    assertThat(sounding(more)).containsExactly("0-400", "3840-4240", "4800-5200", "7680-8080");
    assertThat(more.noteCount()).isEqualTo(4);
    Song wiped = NoteEdits.clear(looped, TRACK, new TickRange(BAR, 2 * BAR));
    assertThat(sounding(wiped)).containsExactly("0-400", "7680-8080");
  }

  @Test
  void choosing_a_take_that_reaches_beyond_its_clip_leaves_the_clip_as_long_as_it_is() {
    Note late = Note.placed(new NoteId(5), 60, 80, 2 * BAR, 100);
    Clip short1 = clip(4, new TickRange(0, BAR), List.of(), 2, new Take(1, holding(late)));
    Song song = Song.empty().withNextId(9).withTrack(TRACK, t -> t.withClips(List.of(short1)));
    assertThat(clips(TakeEdits.choose(song, TRACK, short1.id(), 1))).containsExactly("1-2: 0");
  }

  @Test
  void a_control_point_that_is_put_elsewhere_goes_to_the_clip_there_or_into_one_of_its_own() {
    List<NewControl> pedal = List.of(new NewControl(100, Control.controller(64, 127)));
    Song song = SongEdits.addControls(withClipsInBars(1, 5), TRACK, pedal);
    ControlPoint point = song.tracks().get(0).controls().get(0);
    Song there = ClipEdits.put(song, List.of(), List.of(point.shifted(4 * BAR)));
    assertThat(there.tracks().get(0).clips())
        .extracting(c -> c.content().controls().size())
        .containsExactly(0, 1);
    assertThat(there.tracks().get(0).controls()).containsExactly(point.shifted(4 * BAR));
    Song apart = ClipEdits.put(song, List.of(), List.of(point.shifted(2 * BAR)));
    assertThat(clips(apart)).containsExactly("1-2: 1", "3-4: 0", "5-6: 1");
    assertThat(ClipEdits.put(song, List.of(), List.of())).isSameAs(song);
  }

  @Test
  void what_is_silent_in_clips_that_become_one_is_kept_as_a_take() {
    Song song = NoteEdits.add(withClipsInBars(1, 5), TRACK, List.of(at(2000)), new TickRange(0, 0));
    Song shorter = ClipShapes.resize(song, clip(song, 0), 1000);
    Song moved = overlapping(shorter, 500 - 4 * BAR);
    assertThat(sounding(moved)).containsExactly("0-400", "500-900");
    assertThat(moved.tracks().get(0).clips().get(0).takes().others())
        .extracting(Take::number, t -> t.content().notes().get(0).onset())
        .containsExactly(tuple(2, 2000L));
  }

  @Test
  void what_is_silent_in_a_loop_that_is_written_out_is_kept_as_a_take() {
    Song song = NoteEdits.add(withClipsInBars(1), TRACK, List.of(at(2000)), new TickRange(0, 0));
    Song looped = ClipShapes.loop(song, clip(song, 0), 1000, 3000);
    Song wiped = NoteEdits.clear(looped, TRACK, new TickRange(1000, 2000));
    assertThat(sounding(wiped)).containsExactly("0-400", "2000-2400");
    assertThat(wiped.tracks().get(0).clips().get(0).takes().others())
        .extracting(Take::number, t -> t.content().notes().get(0).onset())
        .containsExactly(tuple(2, 2000L));
  }

  @Test
  void a_clip_is_moved_no_farther_than_the_song_has_room_for_all_its_versions() {
    Note late = Note.placed(new NoteId(5), 60, 80, 3000, 100);
    Note early = Note.placed(new NoteId(6), 60, 80, 0, 100);
    Clip two = clip(4, new TickRange(0, BAR), List.of(early), 2, new Take(1, holding(late)));
    Song song = Song.empty().withNextId(9).withTrack(TRACK, t -> t.withClips(List.of(two)));
    Song far = ClipMoves.move(song, Set.of(two.id()), Ticks.LAST, 0);
    assertThat(far.tracks().get(0).clips().get(0).start()).isEqualTo(Ticks.LAST - 3100);
  }

  @Test
  void what_is_added_goes_into_the_take_that_is_heard_and_beyond_it_into_a_clip_beside() {
    TickRange bar = new TickRange(0, BAR);
    Song song = TakeEdits.record(withClipsInBars(1), TRACK, List.of(at(480)), List.of(), bar);
    Song more =
        NoteEdits.add(song, TRACK, List.of(at(960), at(BAR + 960)), new TickRange(0, 2 * BAR));
    assertThat(clips(more)).containsExactly("1-2: 2", "2-3: 1");
    assertThat(sounding(more)).containsExactly("480-880", "960-1360", "4800-5200");
    Song inside = NoteEdits.add(song, TRACK, List.of(at(960)), new TickRange(0, 2 * BAR));
    assertThat(clips(inside)).as("no empty clip beside it").containsExactly("1-2: 2");
  }

  /** Whatever is done, clips stay in order and apart, and each note begins in its clip. */
  @Test
  void over_random_edits_clips_stay_apart_and_no_note_goes_missing() {
    for (int seed = 0; seed < 150; seed++) {
      Random random = new Random(seed);
      Song song = Song.empty();
      for (int step = 0; step < 60; step++) {
        song = edited(song, random);
        assertWhole(song, "seed " + seed + " step " + step);
      }
    }
  }

  private static Song edited(Song song, Random random) {
    List<Note> notes = song.tracks().get(0).notes();
    Set<NoteId> some = new HashSet<>();
    notes.stream().filter(n -> random.nextInt(4) == 0).forEach(n -> some.add(n.id()));
    long tick = random.nextLong(40 * BAR);
    int kind = random.nextInt(7);
    return switch (kind) {
      case 0, 1 -> {
        List<NewNote> added = new ArrayList<>();
        for (int i = random.nextInt(4); i >= 0; i--) {
          added.add(at(tick + random.nextInt(6000)));
        }
        yield NoteEdits.add(song, TRACK, added, new TickRange(tick, tick + random.nextInt(9000)));
      }
      case 2, 3 -> {
        Song moved =
            NoteEdits.move(song, some, random.nextLong(-20 * BAR, 20 * BAR), random.nextInt(5) - 2);
        assertThat(moved.noteCount()).isEqualTo(song.noteCount());
        yield moved;
      }
      case 4 ->
          NoteEdits.change(song, some, n -> n.standingAt(n.onset(), 1 + random.nextInt(20_000)));
      case 5 ->
          TakeEdits.record(
              song,
              TRACK,
              List.of(at(tick)),
              List.of(),
              song.meters().wholeBars(new TickRange(tick, tick + 4000)));
      default -> {
        List<Clip> clips = song.tracks().get(0).clips();
        Clip clip = clips.isEmpty() ? null : clips.get(random.nextInt(clips.size()));
        yield clip == null
            ? song
            : TakeEdits.choose(song, TRACK, clip.id(), clip.takes().numbers().getFirst());
      }
    };
  }

  private static void assertWhole(Song song, String when) {
    Set<NoteId> ids = new HashSet<>();
    for (Clip clip : song.tracks().get(0).clips()) {
      for (Note note : clip.placed().notes()) {
        assertThat(clip.range().contains(note.onset())).as(when).isTrue();
        assertThat(ids.add(note.id())).as(when).isTrue();
        assertThat(note.id().value()).as(when).isLessThan(song.nextId());
      }
    }
  }
}
