package flailbeat.core.quantize;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.quantize.SongPlans.Asked;
import flailbeat.core.quantize.lag.LagPrior;
import flailbeat.core.time.Grid;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.work.Progress;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** A part is understood within its song; at 160 bpm a sixteenth lasts 94 ms. */
class SongPlansTest {
  private static final TempoMap TEMPO = TempoMap.of(Tempo.ofBpm(160));
  private static final QuantizeSettings FIT = QuantizeSettings.recommended();
  private static final double LAG_MS = 60;
  private static final TrackId BASS = new TrackId(1);
  private static final TrackId ANSWER = new TrackId(2);

  private final Random random = new Random(2);
  private long next = 100;

  /** Some steps of each bar, played late. */
  private List<Note> play(int... steps) {
    List<Note> notes = new ArrayList<>();
    for (int bar = 0; bar < 8; bar++) {
      for (int step : steps) {
        long meant = bar * 3840L + step * 240L;
        double late = (LAG_MS + 10 * random.nextGaussian()) * 160 * 960 / 60_000;
        long onset = meant + Math.round(late);
        notes.add(
            Note.asPlayed(new NoteId(next++), 40 + step % 5, 90, new Played(onset, onset + 100)));
      }
    }
    return notes;
  }

  @SafeVarargs
  private static Song song(List<Note>... parts) {
    Song song = Song.empty().withTempos(TEMPO).withNextId(10_000);
    List<Track> tracks = new ArrayList<>();
    for (List<Note> part : parts) {
      TrackId id = new TrackId(tracks.size() + 1);
      tracks.add(track(id, song, 9000 + tracks.size(), part));
    }
    return song.withTracks(tracks);
  }

  private static Track track(TrackId id, Song song, long clip, List<Note> notes) {
    return Track.empty(id, "Part", Instrument.melodic(0), 0)
        .withClips(List.of(Clip.around(new ClipId(clip), notes, List.of(), song.meters())));
  }

  private static long wrong(QuantizePlan plan, int... steps) {
    List<Integer> wanted = Arrays.stream(steps).boxed().toList();
    return plan.notes().stream()
        .filter(p -> !wanted.contains((int) (p.line() % 3840 / 240)))
        .count();
  }

  /** It lies wholly between the beats: alone, it is taken for one on them, 34 ms early. */
  @Test
  void a_part_that_answers_is_not_moved_onto_the_beat_beside_some_that_say_how_late_all_is() {
    int[] straight = {0, 2, 4, 6, 8, 10, 11, 12, 14};
    int[] between = {3, 7, 11, 15};
    Song song = song(play(straight), play(between), play(0, 3, 4, 6, 8, 12));
    QuantizePlan alone =
        Quantizer.of(FIT, TEMPO, song.meters()).plan(song.tracks().get(1).notes(), List.of());
    assertThat(wrong(alone, between)).as("alone").isPositive();
    List<QuantizePlan> plans =
        new SongPlans(song, Decisions.NONE)
            .of(
                List.of(
                    new Asked(song.tracks().get(0), FIT),
                    new Asked(song.tracks().get(1), FIT.withStrength(50)),
                    new Asked(song.tracks().get(2), FIT)));
    assertThat(wrong(plans.get(0), straight)).isZero();
    assertThat(wrong(plans.get(1), between)).isZero();
    assertThat(wrong(plans.get(2), 0, 3, 4, 6, 8, 12)).isZero();
    assertThat(plans.get(1).removedLagMs()).isCloseTo(LAG_MS, within(8.0));
    assertThat(plans.get(1).expectedLag().source()).isEqualTo(LagPrior.Source.PARTS);
  }

  @Test
  void what_was_quantized_before_says_how_late_somebody_is_and_what_was_only_played_does_not() {
    Song played = song(play(0, 4, 8, 12, 14), play(3, 7));
    Track answer = played.tracks().get(1);
    InPlace nothing = InPlace.beside(played, ANSWER, answer.notes(), List.of(), FIT);
    assertThat(nothing).isEqualTo(InPlace.NOTHING);
    Song quantized =
        Quantizer.of(FIT, TEMPO, played.meters())
            .plan(played.tracks().get(0).notes(), List.of())
            .applyTo(played);
    InPlace bass = InPlace.beside(quantized, ANSWER, answer.notes(), List.of(), FIT);
    assertThat(bass.onsets()).hasSize(40);
    LagPrior expected = bass.expected(LagPrior.UNKNOWN);
    assertThat(expected.meanMs()).isCloseTo(LAG_MS, within(6.0));
    LagPrior learned = LagPrior.known(20, 12);
    assertThat(bass.expected(learned)).as("what was learned of the person").isSameAs(learned);
    assertThat(InPlace.beside(quantized, ANSWER, List.of(), List.of(), FIT))
        .isEqualTo(InPlace.NOTHING);
    QuantizeSettings triplets = FIT.withGrid(Grid.parse("1/8T"));
    assertThat(InPlace.beside(quantized, BASS, answer.notes(), List.of(), triplets).onsets())
        .as("the answer is on no line")
        .isEmpty();
    Song halfway =
        Quantizer.of(FIT.withStrength(50), TEMPO, played.meters())
            .plan(played.tracks().get(0).notes(), List.of())
            .applyTo(played);
    InPlace near = InPlace.beside(halfway, ANSWER, answer.notes(), List.of(), triplets);
    assertThat(near.onsets()).as("it is on no line either").isEmpty();
    assertThat(near.expected(LagPrior.UNKNOWN).meanMs())
        .as("though it says how late all is")
        .isCloseTo(LAG_MS, within(6.0));
  }

  /** Drawn notes that begin where most of a part does, and seldom elsewhere. */
  @Test
  void a_drawn_part_with_the_rhythm_of_another_says_where_that_is_meant() {
    int[] odd = {1, 5, 9, 13, 15};
    List<Note> drawn = new ArrayList<>();
    for (int bar = 0; bar < 8; bar++) {
      for (int step : odd) {
        if ((bar + step) % 4 != 0) {
          drawn.add(Note.placed(new NoteId(next++), 70, 90, bar * 3840L + step * 240L, 100));
        }
      }
    }
    List<Note> played = play(odd);
    Song song = song(drawn, played);
    InPlace inPlace = InPlace.beside(song, ANSWER, played, List.of(), FIT);
    double[] right = new double[2];
    for (int i = 0; i < 2; i++) {
      InPlace with = i == 0 ? InPlace.NOTHING : inPlace;
      QuantizePlan plan =
          Quantizer.of(FIT, TEMPO, song.meters(), with, new FitMemory(), Progress.NONE)
              .plan(played, List.of());
      right[i] =
          plan.readings().stream()
              .filter(r -> Math.abs(r.lagMs() - LAG_MS) < 25)
              .mapToDouble(QuantizePlan.WholeReading::weight)
              .sum();
    }
    assertThat(right[1]).isGreaterThan(right[0]);
  }
}
