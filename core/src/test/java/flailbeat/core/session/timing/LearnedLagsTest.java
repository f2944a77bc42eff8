package flailbeat.core.session.timing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.playback.SoundSettings;
import flailbeat.core.quantize.lag.KnownLag;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.session.SessionRig;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Parts played 35 ms late; a millisecond is 1.92 ticks at 120 bpm. */
class LearnedLagsTest extends SessionRig {
  private static final int[] STRAIGHT = {0, 2, 4, 6, 7, 8, 10, 12, 14, 15};
  private final LearnedLags desk = session.lags();

  /** Four bars of a rhythm, so many sixteenths later than it is written. */
  private void part(double lateMs, int sixteenths, long seed) {
    Random random = new Random(seed);
    TrackId track = session.document().track().id();
    List<NewNote> notes = new ArrayList<>();
    for (int bar = 0; bar < 4; bar++) {
      for (int step : STRAIGHT) {
        double late = 1.92 * (lateMs + 10 * random.nextGaussian());
        long onset = bar * 3840L + (step + sixteenths) * 240L + Math.round(late);
        notes.add(new NewNote(60, 80, new Played(onset, onset + 200)));
      }
    }
    session.editing().edit("Part", s -> NoteEdits.add(s, track, notes, new TickRange(0, 19_200)));
  }

  private List<Long> lines() {
    return notes().stream().map(Note::onset).toList();
  }

  @Test
  void what_was_quantized_and_kept_is_learned_and_what_was_undone_is_not() {
    part(35, 0, 1);
    session.quantizing().quantize();
    assertThat(desk.inWords()).as("it may yet be undone").isEmpty();
    session.editing().undo();
    session.tracks().add(session.document().track().instrument());
    assertThat(desk.inWords()).isEmpty();
    session.document().chooseTrack(session.song().tracks().getFirst().id());
    session.quantizing().quantize();
    session.tracks().add(session.document().track().instrument());
    assertThat(desk.now().partsMs())
        .hasSize(1)
        .first()
        .satisfies(ms -> assertThat(ms).isCloseTo(35, within(6.0)));
    assertThat(desk.inWords().orElseThrow()).endsWith("from 1 part").contains("ms late");
    desk.forget();
    assertThat(desk.all()).isEmpty();
  }

  @Test
  void a_part_that_answers_and_could_be_early_is_read_rightly_once_the_person_is_known() {
    desk.setAll(Map.of(Performer.KEYS, new KnownLag(List.of(33.0, 36.0, 30.0, 38.0, 35.0))));
    part(35, 1, 7);
    session.quantizing().quantize();
    List<Long> meant = new ArrayList<>();
    for (int bar = 0; bar < 4; bar++) {
      Arrays.stream(STRAIGHT).forEach(step -> meant.add((step + 1) * 240L));
      for (int i = meant.size() - STRAIGHT.length; i < meant.size(); i++) {
        meant.set(i, meant.get(i) + bar * 3840L);
      }
    }
    assertThat(lines()).isEqualTo(meant);
  }

  @Test
  void each_input_is_known_by_itself_and_other_devices_and_offsets_make_a_stranger_of_everybody() {
    desk.setAll(Map.of("keys", new KnownLag(List.of(30.0)), "Pads", new KnownLag(List.of(-5.0))));
    assertThat(desk.now().partsMs()).containsExactly(30.0);
    session.performer().setDevice("Pads");
    session.performer().pressOnDevice(60, 90, 0);
    session.performer().releaseOnDevice(60, 1);
    assertThat(desk.now().partsMs()).containsExactly(-5.0);
    session.sound().set(SoundSettings.standard().withDevice("Another"));
    assertThat(desk.all()).isEmpty();
    desk.setAll(Map.of("keys", new KnownLag(List.of(30.0))));
    runControl.setRecordSettings(runControl.recordSettings().withOffsetMs(25));
    assertThat(desk.all()).isEmpty();
  }

  @Test
  void a_reading_chosen_by_hand_is_learned_and_absurd_numbers_are_left_out() {
    part(35, 0, 3);
    session.timing().setSettings(session.timing().settings().withLag(new Lag.Millis(35)));
    session.quantizing().quantize();
    session.tracks().add(session.document().track().instrument());
    assertThat(desk.now().partsMs()).hasSize(1);
    KnownLag absurd = new KnownLag(Arrays.asList(1e9, null, Double.NaN, 20.0));
    assertThat(absurd.partsMs()).containsExactly(20.0);
    assertThat(new KnownLag(null).prior().learned()).isFalse();
    assertThat(absurd.prior().spreadMs()).isBetween(12.0, 36.0);
    session.open(flailbeat.core.model.Song.empty(), Optional.empty());
    assertThat(desk.now().partsMs()).as("another song, the same person").hasSize(1);
  }

  @Test
  void a_person_who_has_changed_is_found_again_within_five_parts() {
    KnownLag known = KnownLag.NONE;
    for (int i = 0; i < 20; i++) {
      known = known.with(60);
    }
    for (int i = 0; i < 5; i++) {
      known = known.with(20);
    }
    assertThat(known.meanMs()).isCloseTo(20, within(12.0));
    assertThat(known.spreadMs()).isGreaterThan(12);
  }
}
