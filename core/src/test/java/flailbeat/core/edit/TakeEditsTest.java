package flailbeat.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.format.project.ProjectFile;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.TickRange;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Bars of 3840 ticks. */
class TakeEditsTest {
  private static final TrackId TRACK = new TrackId(1);
  private static final TickRange BARS_1_2 = new TickRange(0, 7680);
  private static final NewControl PEDAL = new NewControl(960, Control.controller(64, 127));

  private static NewNote note(int pitch, long onset) {
    return new NewNote(pitch, 90, new Played(onset, onset + 480));
  }

  private static Song take(Song song, TickRange range, int... pitches) {
    List<NewNote> notes =
        java.util.Arrays.stream(pitches).mapToObj(p -> note(p, range.start() + p)).toList();
    return TakeEdits.record(song, TRACK, notes, List.of(), range);
  }

  private static List<Clip> clips(Song song) {
    return song.tracks().get(0).clips();
  }

  private static ClipId clip(Song song, TickRange range) {
    return clips(song).stream().filter(c -> c.range().equals(range)).findFirst().orElseThrow().id();
  }

  private static List<Integer> heard(Song song) {
    return song.tracks().get(0).notes().stream().map(Note::pitch).toList();
  }

  private static long allNotes(Song song) {
    return clips(song).stream()
        .mapToLong(
            c ->
                c.content().notes().size()
                    + c.takes().others().stream().mapToLong(t -> t.content().notes().size()).sum())
        .sum();
  }

  @Test
  void each_take_is_kept_and_one_is_heard_at_a_time() {
    Song song = take(take(take(Song.empty(), BARS_1_2, 60), BARS_1_2, 62, 64), BARS_1_2, 65);
    assertThat(clips(song)).hasSize(1);
    assertThat(clips(song).get(0).takes().numbers()).containsExactly(1, 2, 3);
    assertThat(heard(song)).containsExactly(65);
    Song second = TakeEdits.choose(song, TRACK, clip(song, BARS_1_2), 2);
    assertThat(heard(second)).containsExactly(62, 64);
    assertThat(heard(TakeEdits.choose(second, TRACK, clip(second, BARS_1_2), 1)))
        .containsExactly(60);
    assertThat(allNotes(second)).isEqualTo(4);
  }

  @Test
  void what_a_take_is_recorded_over_becomes_a_take_and_the_rest_of_the_clip_stays() {
    Song before =
        NoteEdits.add(
            Song.empty(),
            TRACK,
            List.of(note(50, 0), note(51, 4000), note(52, 8000)),
            new TickRange(0, 11520));
    Song song = take(before, new TickRange(3840, 7680), 60);
    assertThat(clips(song))
        .extracting(Clip::range)
        .containsExactly(
            new TickRange(0, 3840), new TickRange(3840, 7680), new TickRange(7680, 11520));
    assertThat(heard(song)).containsExactly(50, 60, 52);
    Song first = TakeEdits.choose(song, TRACK, clip(song, new TickRange(3840, 7680)), 1);
    assertThat(heard(first)).containsExactly(50, 51, 52);
  }

  @Test
  void controllers_belong_to_the_take_they_were_played_in() {
    Song one =
        TakeEdits.record(Song.empty(), TRACK, List.of(note(60, 0)), List.of(PEDAL), BARS_1_2);
    Song two = take(one, BARS_1_2, 62);
    assertThat(two.tracks().get(0).controls()).isEmpty();
    Song back = TakeEdits.choose(two, TRACK, clip(two, BARS_1_2), 1);
    assertThat(back.tracks().get(0).controls())
        .extracting(c -> new NewControl(c.tick(), c.control()))
        .as("what was left down does not stay down beyond it")
        .containsExactly(PEDAL, new NewControl(7679, Control.controller(64, 0)));
  }

  @Test
  void a_take_can_be_removed_but_not_the_last() {
    Song song = take(take(Song.empty(), BARS_1_2, 60), BARS_1_2, 62);
    Song one = TakeEdits.remove(song, TRACK, clip(song, BARS_1_2));
    assertThat(heard(one)).containsExactly(60);
    assertThat(clips(one).get(0).takes().isChoice()).isFalse();
    assertThat(TakeEdits.remove(one, TRACK, clip(one, BARS_1_2))).isEqualTo(one);
  }

  @Test
  void overdubbing_into_a_take_adds_to_that_take_alone() {
    Song song = take(take(Song.empty(), BARS_1_2, 60), BARS_1_2, 62);
    Song more =
        NoteEdits.add(song, TRACK, List.of(note(70, 100), note(71, 9000)), new TickRange(0, 11520));
    assertThat(heard(more)).containsExactly(62, 70, 71);
    assertThat(clips(more)).hasSize(2);
    assertThat(clips(more).get(0).takes().others()).extracting(Take::number).containsExactly(1);
    assertThat(allNotes(more)).isEqualTo(4);
  }

  @Test
  void takes_survive_saving_and_reopening() throws IOException {
    Song song =
        take(
            TakeEdits.record(Song.empty(), TRACK, List.of(note(60, 0)), List.of(PEDAL), BARS_1_2),
            BARS_1_2,
            62);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ProjectFile.write(song, out);
    assertThat(ProjectFile.read(new ByteArrayInputStream(out.toByteArray()))).isEqualTo(song);
  }

  @Test
  void a_clip_that_is_recorded_over_whole_stays_that_clip_and_of_one_that_is_cut_the_front_does() {
    Song song = NoteEdits.add(Song.empty(), TRACK, List.of(note(50, 0)), BARS_1_2);
    ClipId id = clips(song).get(0).id();
    assertThat(clips(take(song, BARS_1_2, 60))).extracting(Clip::id).containsExactly(id);
    List<Clip> cut = clips(take(song, new TickRange(3840, 7680), 60));
    assertThat(cut.get(0).id()).isEqualTo(id);
    assertThat(cut.get(1).id()).isNotEqualTo(id);
    List<Clip> front = clips(take(song, new TickRange(0, 3840), 60));
    assertThat(front).extracting(Clip::id).doesNotContain(id).doesNotHaveDuplicates();
    assertThat(allNotes(take(song, new TickRange(0, 3840), 60))).isEqualTo(2);
  }

  @Test
  void the_take_before_the_one_that_is_removed_is_heard_then_and_before_the_first_the_next() {
    Song three = take(take(take(Song.empty(), BARS_1_2, 60), BARS_1_2, 62), BARS_1_2, 64);
    ClipId id = clips(three).get(0).id();
    Song second = TakeEdits.choose(three, TRACK, id, 2);
    assertThat(heard(TakeEdits.remove(second, TRACK, id))).containsExactly(60);
    Song first = TakeEdits.choose(three, TRACK, id, 1);
    assertThat(heard(TakeEdits.remove(first, TRACK, id))).containsExactly(62);
    assertThat(heard(TakeEdits.remove(three, TRACK, id))).containsExactly(62);
  }

  /** Two clips of two takes each, recorded over at once: four versions, and the new one. */
  @Test
  void takes_of_several_clips_that_are_recorded_over_get_numbers_of_their_own() {
    TickRange bar1 = new TickRange(0, 3840);
    TickRange bar2 = new TickRange(3840, 7680);
    Song song = take(take(Song.empty(), bar1, 60), bar1, 62);
    song = take(take(song, bar2, 64), bar2, 65);
    Song over = take(song, BARS_1_2, 70);
    assertThat(clips(over)).hasSize(1);
    assertThat(clips(over).get(0).takes().numbers()).containsExactly(1, 2, 3, 4, 5);
    assertThat(allNotes(over)).isEqualTo(5);
    assertThat(heard(over)).containsExactly(70);
  }
}
