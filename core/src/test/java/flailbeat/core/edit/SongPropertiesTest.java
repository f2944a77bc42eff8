package flailbeat.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.clips.ClipMoves;
import flailbeat.core.edit.clips.ClipPattern;
import flailbeat.core.edit.clips.ClipShapes;
import flailbeat.core.edit.clips.Landing;
import flailbeat.core.edit.tracks.StartValues;
import flailbeat.core.format.project.ProjectFile;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Placed;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Mix.Dial;
import flailbeat.core.time.TickRange;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;

/** What holds of a song whatever is done to it. Bars of 3840 ticks. */
class SongPropertiesTest {
  private static final TrackId TRACK = Song.empty().tracks().get(0).id();
  private static final long BAR = 3840;
  private static final int BARS = 24;

  /** What can be done; what it is done to is drawn from a seed. */
  private enum Kind {
    RECORD(false),
    RECORD_TAKE(false),
    CHOOSE_TAKE(false),
    REMOVE_TAKE(true),
    MOVE(false),
    LENGTHEN(false),
    DELETE(true),
    CLEAR(true),
    PEDAL(false),
    CLEAR_PEDAL(true),
    MOVE_CLIPS(true),
    COPY_CLIPS(true),
    SPLIT_CLIP(false),
    RESIZE_CLIP(false),
    LOOP_CLIP(false),
    LINKED_COPY(true),
    LAY_OUT(true),
    TRAITS(false),
    UNLINK(false),
    SETTLE(false),
    DIAL(false),
    TRANSPOSE_TRACK(false);

    private final boolean takesAway;

    Kind(boolean takesAway) {
      this.takesAway = takesAway;
    }
  }

  private record Edit(Kind kind, int bar, long seed) {
    Song on(Song song) {
      Random random = new Random(seed);
      long tick = bar * BAR + random.nextInt((int) BAR);
      TickRange stretch = new TickRange(tick, tick + 1 + random.nextInt(4 * (int) BAR));
      Set<NoteId> some = new HashSet<>();
      notes(song).stream().filter(n -> random.nextInt(3) == 0).forEach(n -> some.add(n.id()));
      List<Clip> clips = song.tracks().get(0).clips();
      Clip clip =
          clips.isEmpty()
              ? Clip.of(new ClipId(0), stretch, List.of())
              : clips.get(random.nextInt(clips.size()));
      return switch (kind) {
        case RECORD -> NoteEdits.add(song, TRACK, played(random, tick), stretch);
        case RECORD_TAKE ->
            TakeEdits.record(
                song,
                TRACK,
                played(random, tick),
                List.of(new NewControl(tick, Control.controller(64, 127))),
                song.meters().wholeBars(new TickRange(tick, tick + 2 * BAR)));
        case CHOOSE_TAKE ->
            TakeEdits.choose(song, TRACK, clip.id(), clip.takes().numbers().getFirst());
        case REMOVE_TAKE -> TakeEdits.remove(song, TRACK, clip.id());
        case MOVE ->
            NoteEdits.move(song, some, random.nextLong(-9 * BAR, 9 * BAR), random.nextInt(5) - 2);
        case LENGTHEN ->
            NoteEdits.change(song, some, n -> n.lasting(1 + random.nextInt(3 * (int) BAR)));
        case DELETE -> NoteEdits.delete(song, some);
        case CLEAR -> NoteEdits.clear(song, TRACK, stretch);
        case PEDAL ->
            SongEdits.addControls(
                song,
                TRACK,
                List.of(
                    new NewControl(tick, Control.controller(64, 127)),
                    new NewControl(tick + 500, Control.controller(64, 0))));
        case CLEAR_PEDAL -> SongEdits.clearControls(song, TRACK, stretch);
        case MOVE_CLIPS ->
            ClipMoves.move(song, Set.of(clip.id()), random.nextLong(-9 * BAR, 9 * BAR), 0);
        case COPY_CLIPS ->
            ClipMoves.copy(song, Set.of(clip.id()), random.nextLong(-9 * BAR, 9 * BAR), 0);
        case SPLIT_CLIP -> ClipShapes.split(song, Set.of(clip.id()), tick);
        case RESIZE_CLIP -> ClipShapes.resize(song, clip.id(), random.nextLong(6 * BAR));
        case LOOP_CLIP ->
            ClipShapes.loop(
                song,
                clip.id(),
                random.nextInt(4) == 0 ? Clip.NEVER : 60 + random.nextLong(2 * BAR),
                random.nextLong(6 * BAR));
        case LINKED_COPY ->
            ClipMoves.copy(
                song,
                Set.of(clip.id()),
                random.nextLong(-9 * BAR, 9 * BAR),
                0,
                true,
                random.nextBoolean() ? Landing.OVER : Landing.PUSH);
        case LAY_OUT ->
            ClipPattern.of(song, Set.of(clip.id()))
                .map(p -> p.laidInto(song, tick, 0, 3, random.nextBoolean(), Landing.OVER))
                .orElse(song);
        case TRAITS ->
            ClipShapes.traits(
                song,
                Set.of(clip.id()),
                t -> t.withTranspose(random.nextInt(25) - 12).withLouder(random.nextInt(20)));
        case UNLINK -> ClipShapes.unlink(song, Set.of(clip.id()));
        case SETTLE -> ClipShapes.settle(song, Set.of(clip.id()));
        case DIAL ->
            StartValues.set(song, TRACK, Dial.values()[random.nextInt(7)], random.nextInt(128));
        case TRANSPOSE_TRACK ->
            song.withTrack(
                TRACK, t -> t.withSound(t.sound().withTranspose(random.nextInt(97) - 48)));
      };
    }

    private static List<NewNote> played(Random random, long tick) {
      List<NewNote> added = new ArrayList<>();
      for (int i = random.nextInt(4); i >= 0; i--) {
        long onset = tick + random.nextInt(2000);
        Played played = new Played(onset - 30, onset + 1 + random.nextInt(3000));
        added.add(new NewNote(60 + random.nextInt(5), 90, played, onset));
      }
      return added;
    }
  }

  @Provide
  Arbitrary<List<Edit>> edits() {
    Arbitrary<Edit> edit =
        Combinators.combine(
                Arbitraries.of(Kind.values()),
                Arbitraries.integers().between(0, BARS),
                Arbitraries.longs())
            .as(Edit::new);
    return edit.list().ofMaxSize(30);
  }

  private static List<Note> notes(Song song) {
    return song.tracks().get(0).notes();
  }

  private static Song after(List<Edit> edits) {
    Song song = Song.empty();
    for (Edit edit : edits) {
      song = edit.on(song);
    }
    return song;
  }

  /** Every id in a song, once for each time that it is given out. */
  private static List<Long> ids(Song song) {
    List<Long> ids = new ArrayList<>();
    for (Track track : song.tracks()) {
      ids.add(track.id().value());
      for (Clip clip : track.clips()) {
        ids.add(clip.id().value());
      }
      for (Clip clip : track.leaders()) {
        addIds(clip.content(), ids);
        clip.takes().others().stream().map(Take::content).forEach(c -> addIds(c, ids));
      }
    }
    return ids;
  }

  private static void addIds(Content content, List<Long> ids) {
    content.notes().forEach(n -> ids.add(n.idNumber()));
    content.controls().forEach(c -> ids.add(c.idNumber()));
  }

  private static Set<Long> noteIds(Song song) {
    Set<Long> clips = new HashSet<>();
    song.tracks().get(0).clips().forEach(c -> clips.add(c.id().value()));
    Set<Long> result = new HashSet<>(ids(song));
    result.removeAll(clips);
    return result;
  }

  @Property
  void ids_are_unique_clips_apart_all_in_order_and_nothing_is_lost_that_was_not_taken_away(
      @ForAll("edits") List<Edit> edits) {
    Song song = Song.empty();
    for (Edit edit : edits) {
      Song before = song;
      song = edit.on(before);
      assertThat(ids(song)).doesNotHaveDuplicates();
      assertThat(ids(song)).allMatch(id -> id < edit.on(before).nextId());
      assertThat(song.nextId()).isGreaterThanOrEqualTo(before.nextId());
      assertInOrder(song.tracks().get(0));
      if (!edit.kind().takesAway) {
        assertThat(noteIds(song)).as("%s", edit).containsAll(noteIds(before));
      }
    }
  }

  private static void assertInOrder(Track track) {
    long end = 0;
    for (Clip clip : track.clips()) {
      assertThat(clip.start()).isGreaterThanOrEqualTo(end);
      end = clip.end();
      assertThat(clip.content().notes()).isSortedAccordingTo(Note.ORDER);
      assertThat(clip.content().controls()).isSortedAccordingTo(ControlPoint.ORDER);
    }
  }

  @Property
  void undo_gives_back_the_very_song_and_redo_too(@ForAll("edits") List<Edit> edits) {
    History<Song> history = new History<>(Song.empty());
    List<Song> seen = new ArrayList<>(List.of(history.current()));
    for (Edit edit : edits) {
      history.push(edit.kind().name(), edit.on(history.current()));
      if (history.current() != seen.getLast()) {
        seen.add(history.current());
      }
    }
    for (Song song : seen.reversed()) {
      assertThat(history.current()).isSameAs(song);
      history.undo();
    }
    for (Song song : seen) {
      assertThat(history.current()).isSameAs(song);
      history.redo();
    }
  }

  @Property
  void laying_out_stretches_and_joining_them_is_laying_out_the_whole(
      @ForAll("edits") List<Edit> edits,
      @ForAll @Size(min = 1, max = 6) List<@IntRange(max = 40 * 3840) Integer> cuts) {
    Track track = after(edits).tracks().get(0);
    Placed whole = track.placed();
    List<Integer> inOrder = cuts.stream().sorted().toList();
    List<Note> notes = new ArrayList<>();
    List<Note> repeats = new ArrayList<>();
    List<ControlPoint> controls = new ArrayList<>();
    List<ControlPoint> sounding = new ArrayList<>();
    long from = 0;
    for (int i = 0; i <= inOrder.size(); i++) {
      TickRange range = new TickRange(from, i < inOrder.size() ? inOrder.get(i) : 1L << 31);
      Placed part = track.placed(range);
      assertThat(part.sounding())
          .isEqualTo(
              whole.sounding().stream()
                  .filter(n -> n.end() > range.start() && n.onset() < range.end())
                  .toList());
      part.notes().stream().filter(n -> range.contains(n.onset())).forEach(notes::add);
      part.repeats().stream().filter(n -> range.contains(n.onset())).forEach(repeats::add);
      controls.addAll(part.controls());
      sounding.addAll(part.soundingControls());
      from = range.end();
    }
    assertThat(notes).isEqualTo(whole.notes());
    assertThat(repeats).isEqualTo(whole.repeats());
    assertThat(controls).isEqualTo(whole.controls());
    assertThat(sounding).isEqualTo(whole.soundingControls());
  }

  @Property
  void a_song_comes_back_from_its_file_as_it_was(@ForAll("edits") List<Edit> edits)
      throws IOException {
    Song song = after(edits);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ProjectFile.write(song, out);
    assertThat(ProjectFile.read(new ByteArrayInputStream(out.toByteArray()))).isEqualTo(song);
  }

  @Property
  void writing_a_loop_out_changes_nothing_that_is_heard(@ForAll("edits") List<Edit> edits) {
    Song song = after(edits);
    Track track = song.tracks().get(0);
    Track out = ClipEdits.writtenOut(track, new TickRange(0, 1L << 31), new Ids(song.nextId()));
    assertThat(out.clips()).noneMatch(Clip::loops);
    assertThat(heard(out)).isEqualTo(heard(track));
  }

  private static List<String> heard(Track track) {
    List<String> result = new ArrayList<>();
    track.placed().sounding().forEach(n -> result.add(n.onset() + " " + n.pitch() + " " + n.end()));
    track.placed().soundingControls().forEach(c -> result.add(c.tick() + " " + c.control()));
    return result.stream().sorted().toList();
  }
}
