package flailbeat.core.quantize;

import static flailbeat.core.TestSongs.BAR;
import static flailbeat.core.TestSongs.clip;
import static flailbeat.core.TestSongs.note;
import static flailbeat.core.TestSongs.reopened;
import static flailbeat.core.TestSongs.song;
import static flailbeat.core.TestSongs.track;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.notes.NoteCopies;
import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.edit.shapes.Louder;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.QuantizeSettings.Method;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.time.Grid;
import flailbeat.core.time.NoteValue;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What was stepped in or drawn stands where it was put: it is neither early nor late. */
class PutNotesTest {
  private static final Grid SIXTEENTHS = Grid.of(NoteValue.straight(16));

  private static Note put(long id, int pitch, long onset) {
    return Note.placed(new NoteId(id), pitch, 90, onset, 200);
  }

  private static QuantizePlan plan(Song song, QuantizeSettings settings) {
    return Quantizer.of(settings, song.tempos(), song.meters())
        .plan(track(song).notes(), List.of());
  }

  private static QuantizeSettings settings(Method method) {
    return QuantizeSettings.standard().withMethod(method).withGrid(Grid.of(NoteValue.straight(8)));
  }

  /** A melody stepped in: quarters, dotted quarters and eighths, exactly where they belong. */
  private static Song stepped() {
    long[] onsets = {0, 960, 2400, 2880, 3840, 5280, 5760, 6720, 7200};
    return song(
        clip(
            2,
            0,
            2 * BAR,
            Arrays.stream(onsets)
                .mapToObj(t -> put(10 + t, 60 + (int) (t / 960), t))
                .toArray(Note[]::new)));
  }

  @ParameterizedTest
  @EnumSource(Method.class)
  void a_melody_that_was_stepped_in_has_no_doubtful_note_no_spread_and_stays(Method method) {
    QuantizePlan plan = plan(stepped(), settings(method));
    assertThat(plan.doubtful()).isZero();
    assertThat(plan.moved()).isZero();
    assertThat(plan.timing().count()).as("nothing was played").isZero();
    assertThat(plan.readings()).isEmpty();
    assertThat(plan.deviating(-1000, 1000)).isEmpty();
  }

  @ParameterizedTest
  @EnumSource(Method.class)
  void what_was_put_does_not_count_towards_the_lag_of_what_was_played_and_is_not_moved_by_it(
      Method method) {
    List<Note> notes = new ArrayList<>();
    for (int i = 0; i < 16; i++) {
      notes.add(note(10 + i, 72, i * 480L + 60, 200));
      notes.add(put(100 + i, 48, i * 480L));
    }
    Song song = song(clip(2, 0, 2 * BAR, notes.toArray(Note[]::new)));
    QuantizePlan plan = plan(song, settings(method).withLag(new Lag.Auto()));
    assertThat(plan.timing().lagMs()).isCloseTo(31.25, within(0.01));
    Song after = plan.applyTo(song);
    assertThat(track(after).notes()).allMatch(n -> n.onset() % 480 == 0);
    assertThat(track(after).notes()).filteredOn(n -> n.pitch() == 48).hasSize(16);
  }

  @Test
  void what_was_put_off_the_lines_is_moved_by_nearest_alone() {
    Song song = song(clip(2, 0, BAR, put(10, 60, 100)));
    assertThat(track(plan(song, settings(Method.FIT)).applyTo(song)).notes().getFirst().onset())
        .isEqualTo(100);
    assertThat(track(plan(song, settings(Method.NEAREST)).applyTo(song)).notes().getFirst().onset())
        .isZero();
  }

  @Test
  void a_line_on_which_a_note_was_put_is_taken() {
    Song song = song(clip(2, 0, BAR, put(10, 60, 480), note(11, 60, 530, 100)));
    Song after = plan(song, settings(Method.NEAREST)).applyTo(song);
    assertThat(track(after).notes()).extracting(Note::onset).containsExactly(480L, 530L);
  }

  /** At 120 bpm 120 ticks are 62.5 ms: half of the way from one sixteenth to the next. */
  @ParameterizedTest
  @ValueSource(longs = {0, 240})
  void what_could_be_early_or_late_is_understood_from_the_bars_that_were_put(long later) {
    List<Note> notes = new ArrayList<>();
    List<Long> meant = new ArrayList<>();
    for (int bar = 0; bar < 4; bar++) {
      for (int step : new int[] {0, 3, 4, 6, 8, 11, 12}) {
        long line = bar * BAR + step * 240L + later;
        if (bar < 2) {
          notes.add(put(10 + line, 60, line));
        } else {
          notes.add(note(10 + line, 60, line - later + 120 + step % 3, 200));
          meant.add(line);
        }
      }
    }
    Song song = song(clip(2, 0, 4 * BAR + 480, notes.toArray(Note[]::new)));
    Song after = plan(song, settings(Method.FIT).withGrid(SIXTEENTHS)).applyTo(song);
    assertThat(track(after).notes().stream().map(Note::onset).filter(t -> t >= 2 * BAR))
        .isEqualTo(meant);
  }

  @Test
  void whether_a_note_was_played_survives_what_is_done_to_it_and_saving() throws Exception {
    Song song = song(clip(2, 0, BAR, put(10, 60, 480), note(11, 62, 1000, 400)));
    Set<NoteId> all = Set.of(new NoteId(10), new NoteId(11));
    Song after = NoteEdits.move(song, all, 240, 1);
    after = NoteTools.setLength(after, all, 300);
    after = NoteTools.splitInto(after, all, 2);
    after = NoteCopies.behind(after, all, 1).apply(after);
    after = Louder.by(all, 5).apply(after);
    after = reopened(after);
    assertThat(track(after).notes())
        .hasSize(6)
        .allMatch(n -> n.played().isPerformed() == (n.pitch() == 63));
  }
}
