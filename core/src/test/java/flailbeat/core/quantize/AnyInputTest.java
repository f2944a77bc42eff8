package flailbeat.core.quantize;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.QuantizeSettings.Chords;
import flailbeat.core.quantize.QuantizeSettings.Ends;
import flailbeat.core.quantize.QuantizeSettings.Method;
import flailbeat.core.quantize.QuantizeSettings.NoteFilter;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.time.Grid;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.apache.commons.statistics.descriptive.Median;
import org.apache.commons.statistics.descriptive.StandardDeviation;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Whatever is put in and however it is set: no note is lost, none becomes one with another. */
class AnyInputTest {
  private static final String[] GRIDS = {
    "1/4", "1/8D", "1/16", "1/16+1/8T", "1/4:5", "1/8:7", "1/64", "1/16+1/8T+1/4:5"
  };

  private static <T> T any(Random random, T[] values) {
    return values[random.nextInt(values.length)];
  }

  private static QuantizeSettings settings(Random random) {
    Lag[] lags = {new Lag.Auto(), new Lag.Off(), new Lag.Millis(random.nextInt(200) - 100)};
    return QuantizeSettings.standard()
        .withMethod(any(random, Method.values()))
        .withGrid(Grid.parse(any(random, GRIDS)))
        .withStrength(random.nextInt(101))
        .withSwing(50 + random.nextInt(26))
        .withEnds(any(random, Ends.values()))
        .withChords(any(random, Chords.values()))
        .withLag(any(random, lags))
        .withFilter(
            new NoteFilter(
                random.nextInt(101),
                random.nextBoolean(),
                random.nextInt(20),
                1 + random.nextInt(240)));
  }

  /** From a few notes to many, some before bar 1, some together, some on the others' heels. */
  private static List<Note> notes(Random random) {
    List<Note> notes = new ArrayList<>();
    int n = random.nextInt(120);
    long at = -200 + random.nextInt(400);
    for (int i = 0; i < n; i++) {
      at += random.nextInt(4) == 0 ? 0 : random.nextInt(600);
      int pitch = 40 + random.nextInt(8);
      notes.add(
          Note.asPlayed(
              new NoteId(i + 1L),
              pitch,
              1 + random.nextInt(127),
              new Played(at, at + 1 + random.nextInt(900))));
    }
    return notes;
  }

  private static MeterMap meters(Random random) {
    Meter[] meters = {Meter.COMMON, Meter.parse("7/8"), Meter.parse("5/4"), Meter.parse("3/4")};
    return MeterMap.of(
        List.of(
            new MeterMap.Change(0, any(random, meters)),
            new MeterMap.Change(any(random, meters).ticksPerBar() * 840L, any(random, meters))));
  }

  private static TempoMap tempos(Random random) {
    double[] bpm = {20, 60, 120, 180, 400};
    return TempoMap.of(
        List.of(
            new TempoMap.Change(0, Tempo.ofBpm(bpm[random.nextInt(5)])),
            new TempoMap.Change(7000, Tempo.ofBpm(bpm[random.nextInt(5)]))));
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4})
  void no_note_is_ever_lost(long seed) {
    Random random = new Random(seed);
    for (int round = 0; round < 150; round++) {
      List<Note> notes = notes(random);
      QuantizeSettings settings = settings(random);
      MeterMap meters = meters(random);
      QuantizePlan plan = Quantizer.of(settings, tempos(random), meters).plan(notes, List.of());
      assertThat(plan.notes()).as("%s", settings).hasSameSizeAs(notes);
      Song song = songOf(notes, meters);
      Song quantized = plan.applyTo(song, song.tracks().get(0).id());
      List<Note> after = quantized.tracks().get(0).notes();
      Set<NoteId> ids = new HashSet<>();
      for (Note note : after) {
        ids.add(note.id());
        assertThat(note.length()).isPositive();
        assertThat(note.onset()).isNotNegative();
      }
      assertThat(ids).as("%s", settings).hasSameSizeAs(notes);
    }
  }

  private static Song songOf(List<Note> notes, MeterMap meters) {
    Song song = Song.empty().withMeters(meters).withNextId(10_000);
    return notes.isEmpty()
        ? song
        : song.mapTracks(
            t -> t.withClips(List.of(Clip.around(new ClipId(9_999), notes, List.of(), meters))));
  }

  @Test
  void ten_thousand_notes_in_a_bar_and_all_at_one_time_are_understood_as_far_as_they_can_be() {
    List<Note> notes = new ArrayList<>();
    for (int i = 0; i < 10_000; i++) {
      long at = i < 9_000 ? i * 3840L / 9_000 : 960;
      notes.add(Note.asPlayed(new NoteId(i + 1L), i % 128, 80, new Played(at, at + 30)));
    }
    QuantizePlan plan =
        Quantizer.of(
                QuantizeSettings.recommended(),
                TempoMap.of(TempoMap.DEFAULT),
                MeterMap.of(Meter.COMMON))
            .plan(notes, List.of());
    assertThat(plan.notes()).hasSize(10_000);
    Set<Long> places = new HashSet<>();
    plan.notes().stream()
        .filter(p -> p.outcome() == NotePlan.Outcome.TO_LINE)
        .forEach(p -> assertThat(places.add(p.onset() * 128 + p.note().pitch())).isTrue());
  }

  /** Against Apache Commons Statistics 1.1. */
  @Test
  void lag_and_spread_are_the_median_and_the_standard_deviation() {
    Random random = new Random(9);
    for (int n = 2; n < 60; n++) {
      double[] values = random.doubles(n, -80, 80).toArray();
      Timing timing = Timing.of(values);
      assertThat(timing.lagMs()).isCloseTo(Median.withDefaults().evaluate(values), within(1e-9));
      assertThat(timing.spreadMs())
          .isCloseTo(StandardDeviation.of(values).getAsDouble(), within(1e-9));
    }
  }
}
