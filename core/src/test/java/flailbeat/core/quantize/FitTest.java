package flailbeat.core.quantize;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.time.Grid;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.work.Progress;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** At 120 bpm a sixteenth of 240 ticks lasts 125 ms; a tick 0.52 ms. */
class FitTest {
  private static final TempoMap TEMPO = TempoMap.of(TempoMap.DEFAULT);
  private static final MeterMap METER = MeterMap.of(Meter.COMMON);
  private static final QuantizeSettings FIT = QuantizeSettings.recommended();

  private final List<Note> notes = new ArrayList<>();

  private void play(int pitch, long meant, double lateMs) {
    long onset = meant + Math.round(lateMs / 0.520833);
    Played played = new Played(onset, onset + 200);
    notes.add(Note.asPlayed(new NoteId(notes.size() + 1), pitch, 90, played));
  }

  private QuantizePlan plan(QuantizeSettings settings) {
    return new Fit(settings, TEMPO, METER).plan(notes, List.of());
  }

  private List<Long> lines(QuantizePlan plan) {
    return plan.notes().stream().map(NotePlan::line).toList();
  }

  /** The beginner of the issue: every note some 70 ms late, a rhythm of eighths and sixteenths. */
  private List<Long> playLate() {
    Random random = new Random(11);
    List<Long> meant = new ArrayList<>();
    for (int bar = 0; bar < 4; bar++) {
      for (int step : new int[] {0, 2, 3, 4, 6, 8, 10, 11, 12, 14}) {
        meant.add(bar * 3840L + step * 240L);
      }
    }
    meant.forEach(t -> play(60 + (int) (t / 480 % 7), t, 70 + 12 * random.nextGaussian()));
    return meant;
  }

  @Test
  void a_phrase_that_is_late_throughout_goes_to_the_lines_that_were_meant() {
    List<Long> meant = playLate();
    QuantizePlan plan = plan(FIT);
    assertThat(lines(plan)).isEqualTo(meant);
    assertThat(plan.removedLagMs()).isCloseTo(70, within(6.0));
    List<Long> rounded =
        lines(new Nearest(QuantizeSettings.standard(), TEMPO, METER).plan(notes, List.of()));
    assertThat(rounded).as("rounding has most of them on the next line").isNotEqualTo(meant);
  }

  /** Strings laid twice over one another, as a key that bounces: no hand repeats a key so fast. */
  @Test
  void of_a_part_with_every_note_twice_none_goes_to_the_next_line() {
    Random random = new Random(4);
    List<Long> meant = new ArrayList<>();
    for (int step = 0; step < 64; step++) {
      if (step % 7 != 3) {
        double late = 15 + 8 * random.nextGaussian();
        play(60 + step % 5, step * 240L, late);
        play(60 + step % 5, step * 240L, late + 10 + random.nextInt(19));
        meant.add(step * 240L);
        meant.add(step * 240L);
      }
    }
    assertThat(lines(plan(FIT))).isEqualTo(meant);
  }

  @Test
  void what_is_known_of_the_person_settles_an_ambiguous_reading() {
    for (int i = 0; i < 16; i++) {
      play(60, i * 240L, 84);
    }
    QuantizePlan unknown = plan(FIT);
    assertThat(unknown.otherReadings()).as("as well early as late").isNotEmpty();
    QuantizePlan late = plan(FIT.withLag(new Lag.Millis(80)));
    assertThat(lines(late).get(0)).isZero();
    assertThat(late.otherReadings()).isEmpty();
    QuantizePlan early = plan(FIT.withLag(new Lag.Millis(-45)));
    assertThat(lines(early).get(0)).isEqualTo(240L);
  }

  @Test
  void the_notes_of_a_chord_go_to_one_line_though_one_is_nearer_to_the_next() {
    for (int bar = 0; bar < 4; bar++) {
      play(48, bar * 3840L, 2);
      play(52, bar * 3840L + 1920, -3);
      play(60, bar * 3840L + 2880, 54);
      play(64, bar * 3840L + 2880, 60);
      play(67, bar * 3840L + 2880, 66);
    }
    List<Long> lines = lines(plan(FIT));
    for (int i = 2; i < lines.size(); i += 5) {
      assertThat(lines.get(i)).isEqualTo(lines.get(i + 1)).isEqualTo(lines.get(i + 2));
    }
  }

  @Test
  void odd_input_loses_no_note() {
    assertThat(plan(FIT).notes()).isEmpty();
    play(60, 950, 0);
    assertThat(lines(plan(FIT))).containsExactly(960L);
    notes.clear();
    for (int i = 0; i < 40; i++) {
      play(40 + i, 100, 0);
    }
    assertThat(plan(FIT).notes()).hasSize(40);
    notes.clear();
    play(60, -300, 0);
    play(62, -100, 0);
    play(64, 10, 0);
    assertThat(plan(FIT).notes()).hasSize(3).allMatch(p -> p.onset() >= 0);
    notes.clear();
    Random random = new Random(5);
    for (int i = 0; i < 10_000; i++) {
      play(random.nextInt(128), random.nextInt(3840), 0);
    }
    QuantizePlan crowd = plan(FIT);
    assertThat(crowd.notes()).hasSize(10_000);
    assertThat(crowd.notes().stream().map(p -> p.note().pitch() + " " + p.onset()).distinct())
        .as("no two of one pitch are made one that were not")
        .hasSizeGreaterThanOrEqualTo(
            (int) notes.stream().map(n -> n.pitch() + " " + n.onset()).distinct().count());
  }

  @Test
  void tempo_and_meter_changes_and_swing_are_followed() {
    TempoMap tempos =
        TempoMap.of(
            List.of(
                new TempoMap.Change(0, Tempo.ofBpm(100)),
                new TempoMap.Change(3840, Tempo.ofBpm(150))));
    MeterMap meters =
        MeterMap.of(
            List.of(
                new MeterMap.Change(0, Meter.COMMON), new MeterMap.Change(7680, new Meter(7, 8))));
    Random random = new Random(9);
    List<Long> meant = new ArrayList<>();
    for (long bar : new long[] {0, 3840, 7680, 7680 + 3360}) {
      for (int eighth = 0; eighth < 6; eighth++) {
        meant.add(bar + eighth * 480L + (eighth % 2 == 1 ? 154 : 0));
      }
    }
    for (long t : meant) {
      long at =
          tempos.tickAt(tempos.nanosAt(t) + Math.round((30 + 10 * random.nextGaussian()) * 1e6));
      notes.add(
          Note.asPlayed(
              new NoteId(notes.size() + 1), 60 + notes.size() % 5, 90, new Played(at, at + 200)));
    }
    QuantizeSettings swung = FIT.withGrid(Grid.parse("1/8")).withSwing(66);
    assertThat(lines(new Fit(swung, tempos, meters).plan(notes, List.of()))).isEqualTo(meant);
  }

  /** Each finger by itself, give or take 22 ms: the notes of a chord are up to 80 ms apart. */
  @Test
  void of_chords_that_are_struck_loosely_no_note_goes_to_the_next_line() {
    Random random = new Random(3);
    QuantizeSettings eighths = FIT.withGrid(Grid.parse("1/8"));
    for (int beat = 0; beat < 64; beat++) {
      for (int pitch : new int[] {57, 61, 64}) {
        play(pitch + beat % 3, beat * 960L, 20 + 22 * random.nextGaussian());
      }
    }
    QuantizePlan plan = plan(eighths);
    for (NotePlan note : plan.notes()) {
      assertThat(note.line()).isEqualTo((note.note().id().value() - 1) / 3 * 960);
    }
    assertThat(plan.otherReadings()).isEmpty();
  }

  @Test
  void readings_that_put_the_whole_in_one_place_are_one_and_their_weights_are_all_there() {
    for (int i = 0; i < 16; i++) {
      play(60, i * 240L, 84);
    }
    QuantizePlan plan = plan(FIT);
    assertThat(plan.readings().stream().map(QuantizePlan.WholeReading::slots))
        .doesNotHaveDuplicates()
        .contains(0);
    assertThat(plan.readings().stream().mapToDouble(QuantizePlan.WholeReading::weight).sum())
        .isCloseTo(1, within(0.01));
  }

  /** Eighths over bars, so much late and about 10 ms off, that swing in some of the bars. */
  private void playEighths(int bars, double swing, int swungFromBar) {
    Random random = new Random(6);
    for (int eighth = 0; eighth < 8 * bars; eighth++) {
      if (random.nextInt(5) > 0) {
        boolean swung = eighth % 2 == 1 && eighth >= 8 * swungFromBar;
        long late = swung ? Math.round(960 * (swing - 50) / 100) : 0;
        play(60 + eighth % 7, eighth * 480L + late, 25 + 10 * random.nextGaussian());
      }
    }
  }

  @Test
  void eighths_that_swing_are_offered_as_such_where_even_sixteenths_were_asked_for() {
    playEighths(8, 62, 0);
    QuantizePlan.WholeReading other = plan(FIT).otherReadings().getFirst();
    QuantizePlan.Lines lines = other.lines().orElseThrow();
    assertThat(lines.grid()).isEqualTo(Grid.parse("1/8"));
    assertThat(lines.swing()).isBetween(60.0, 64.0);
    assertThat(other.weight()).isGreaterThan(0.95);
    assertThat(plan(FIT).readings().getFirst().isSure()).isFalse();
    QuantizeSettings taken = FIT.withGrid(lines.grid()).withSwing(lines.swing());
    assertThat(plan(taken).otherReadings()).isEmpty();
  }

  @Test
  void even_eighths_are_offered_as_such_where_swing_was_asked_for() {
    playEighths(8, 50, 0);
    assertThat(plan(FIT).otherReadings()).isEmpty();
    QuantizeSettings swung = FIT.withGrid(Grid.parse("1/8")).withSwing(62);
    assertThat(plan(swung).otherReadings().getFirst().lines())
        .contains(new QuantizePlan.Lines(Grid.parse("1/8"), 50));
  }

  @Test
  void what_swings_in_its_second_half_alone_is_not_said_to_swing() {
    playEighths(64, 64, 32);
    assertThat(plan(FIT.withGrid(Grid.parse("1/8"))).readings()).allMatch(r -> r.lines().isEmpty());
  }

  @Test
  void what_was_understood_is_remembered_until_the_question_is_another() {
    playLate();
    FitMemory memory = new FitMemory();
    FitMemory.Solution first =
        memory.solve(FIT, TEMPO, METER, InPlace.NOTHING, new Drafts(notes), Progress.NONE);
    assertThat(
            memory.solve(
                FIT.withStrength(50),
                TEMPO,
                METER,
                InPlace.NOTHING,
                new Drafts(notes),
                Progress.NONE))
        .isSameAs(first);
    List<Note> put = new ArrayList<>(notes);
    Note last = put.removeLast();
    put.add(Note.placed(last.id(), last.pitch(), 90, last.played().onset(), 200));
    assertThat(memory.solve(FIT, TEMPO, METER, InPlace.NOTHING, new Drafts(put), Progress.NONE))
        .as("the last is put now, and not played")
        .isNotSameAs(first);
    FitMemory.Solution swung =
        memory.solve(
            FIT.withSwing(60), TEMPO, METER, InPlace.NOTHING, new Drafts(notes), Progress.NONE);
    assertThat(swung).isNotSameAs(first);
  }
}
