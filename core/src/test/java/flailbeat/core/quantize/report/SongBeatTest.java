package flailbeat.core.quantize.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.edit.clips.ClipShapes;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Takes;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.PhraseBeat;
import flailbeat.core.quantize.beat.BeatGuess;
import flailbeat.core.quantize.beat.SongBeat;
import flailbeat.core.time.Meter;
import flailbeat.core.time.TickRange;
import flailbeat.core.work.Progress;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Tempo, meter and bars of songs of several parts that were played together with no click. */
class SongBeatTest {
  /** In full in docs/quantizing.md. */
  @Test
  void with_drums_and_bass_tempo_meter_and_bar_line_of_most_songs_are_found() {
    int all = 0;
    int tempo = 0;
    int meter = 0;
    int bar = 0;
    for (Meter each : BandReport.METERS) {
      for (int seed = 50; seed < 53; seed++) {
        Bands.Band band = BandReport.band(each, 4 + seed % 2 * 2, true, 0.03, seed);
        BeatGuess guess = PhraseBeat.ofSong(band.song(), Progress.NONE).guesses().getFirst();
        all++;
        tempo += BandReport.tempoIsRight(band, guess) ? 1 : 0;
        meter += BandReport.meterIsRight(band, guess) ? 1 : 0;
        bar += BandReport.barIsRight(band, guess) ? 1 : 0;
      }
    }
    assertThat(tempo).isGreaterThanOrEqualTo(all - 2);
    assertThat(meter).isGreaterThanOrEqualTo(all - 2);
    assertThat(bar).isGreaterThanOrEqualTo(all - 3);
  }

  @Test
  void a_waltz_under_a_header_of_four_becomes_three_beats_to_a_bar_and_sounds_as_it_was_played() {
    Bands.Band band = BandReport.band(new Meter(3, 4), 4, true, 0.04, 60);
    SongBeat.Found found = PhraseBeat.ofSong(band.song(), Progress.NONE);
    BeatGuess first = found.guesses().getFirst();
    assertThat(first.meter()).contains(new Meter(3, 4));
    assertThat(found.meter()).isBetween(0.5, 1.0);
    Song taken = new PhraseBeat(band.song(), List.of()).takeWhole(first);
    assertThat(taken.meters().meterAt(0)).isEqualTo(new Meter(3, 4));
    List<Note> before = band.song().tracks().get(1).notes();
    List<Note> after = taken.tracks().get(1).notes();
    assertThat(after).hasSameSizeAs(before);
    for (int i = 1; i < before.size(); i += 17) {
      double was = band.song().tempos().millisBetween(before.get(0).onset(), before.get(i).onset());
      double is = taken.tempos().millisBetween(after.get(0).onset(), after.get(i).onset());
      assertThat(is).isBetween(was - 6, was + 6);
    }
    assertThat(first.even().variationPercent()).isLessThan(0.001);
  }

  @Test
  void a_minute_of_silence_in_the_middle_is_counted_through() {
    Bands.Band band = BandReport.band(new Meter(4, 4), 4, true, 0, 61);
    long minute = Math.round(60_000 * 1.92);
    long middle = Math.round(band.barMs()[8] * 1.92) - 100;
    Song apart =
        band.song()
            .mapTracks(
                t ->
                    t.withClips(
                        List.of(
                            Clip.around(
                                t.clips().getFirst().id(),
                                t.notes().stream()
                                    .map(n -> n.onset() < middle ? n : n.moved(minute, 0))
                                    .toList(),
                                List.of(),
                                band.song().meters()))));
    BeatGuess guess = PhraseBeat.ofSong(apart, Progress.NONE).guesses().getFirst();
    assertThat(guess.beatMs()).doesNotContain(Double.NaN).isSorted();
    assertThat(guess.bpm()).isBetween(band.bpm() * 0.95, band.bpm() * 1.05);
    for (double bar : new double[] {band.barMs()[4], band.barMs()[12] + 60_000}) {
      double at = guess.beatsAt(bar) / guess.beatsPerBar();
      assertThat(Math.abs(at - Math.rint(at))).as("a bar at %s ms", bar).isLessThan(0.08);
    }
  }

  /** In full in docs/quantizing.md; of four songs, one may be heard otherwise. */
  @ParameterizedTest
  @EnumSource(Bands.Happening.class)
  void whatever_becomes_of_the_tempo_bars_begin_on_beats_and_all_sounds_as_it_was_played(
      Bands.Happening happening) {
    int followed = 0;
    for (int seed = 70; seed < 72; seed++) {
      for (Meter meter : new Meter[] {new Meter(4, 4), new Meter(3, 4)}) {
        Bands.Band band = Bands.of(new Bands.Manner(meter, 4, true, 10, 0.08, happening), 16, seed);
        BeatGuess guess = PhraseBeat.ofSong(band.song(), Progress.NONE).guesses().getFirst();
        followed += FollowReport.followed(band, guess) > 0.9 ? 1 : 0;
        Song taken = new PhraseBeat(band.song(), List.of()).takeWhole(guess);
        assertSoundsAlike(band.song(), taken);
      }
    }
    assertThat(followed).isGreaterThanOrEqualTo(3);
  }

  private static void assertSoundsAlike(Song before, Song after) {
    // What was struck just ahead of the first bar stands at the song's start.
    List<Note> all = before.tracks().getFirst().notes();
    List<Note> notes = all.subList(8, all.size());
    NoteId first = notes.getFirst().id();
    for (Note note : notes) {
      double was = struckMs(before, note.id()) - struckMs(before, first);
      double is = struckMs(after, note.id()) - struckMs(after, first);
      assertThat(is).isCloseTo(was, within(2.0));
    }
  }

  private static double struckMs(Song song, NoteId id) {
    return song.tempos().nanosAt(song.tracks().getFirst().note(id).orElseThrow().onset()) / 1e6;
  }

  /**
   * Its chords come again after four bars: it was heard at half its tempo, in bars twice as long.
   */
  @Test
  void a_long_song_is_heard_at_its_own_tempo_and_not_at_half_of_it() {
    Bands.Band band = Bands.of(new Bands.Manner(new Meter(4, 4), 8, true, 12, 0.03), 320, 7);
    BeatGuess guess = PhraseBeat.ofSong(band.song(), Progress.NONE).guesses().getFirst();
    assertThat(guess.bpm()).isBetween(band.bpm() * 0.98, band.bpm() * 1.02);
    assertThat(guess.meter()).contains(new Meter(4, 4));
  }

  /** Four bars in a loop: of their notes, each stands there once. */
  @Test
  void a_loop_is_heard_round_by_round() {
    Bands.Band band = BandReport.band(new Meter(4, 4), 4, true, 0, 65);
    long from = Math.round(band.barMs()[0] * 1.92) - 100;
    long period = Math.round((band.barMs()[4] - band.barMs()[0]) * 1.92);
    Song looped = band.song().mapTracks(t -> t.withClips(List.of(stretch(t, from, period))));
    for (Track track : looped.tracks()) {
      looped = ClipShapes.loop(looped, track.clips().getFirst().id(), period, 4 * period);
    }
    BeatGuess guess = PhraseBeat.ofSong(looped, Progress.NONE).guesses().getFirst();
    assertThat(guess.bpm()).isBetween(band.bpm() * 0.98, band.bpm() * 1.02);
    assertThat(guess.meter()).contains(new Meter(4, 4));
    assertThat(guess.beatMs()).hasSizeGreaterThan(60);
  }

  private static Clip stretch(Track track, long from, long length) {
    List<Note> notes =
        track.notes().stream().filter(n -> n.onset() >= from && n.end() < from + length).toList();
    TickRange range = new TickRange(from, from + length);
    return Clip.of(track.clips().getFirst().id(), range, notes, List.of(), Takes.NONE);
  }

  @Test
  void songs_that_say_nothing_are_told_as_that_and_a_search_can_be_left() {
    assertThat(PhraseBeat.ofSong(Song.empty(), Progress.NONE).guesses()).isEmpty();
    Bands.Band band = BandReport.band(new Meter(4, 4), 2, false, 0.03, 62);
    Song many = band.song();
    List<Track> tracks = new ArrayList<>(many.tracks());
    tracks.replaceAll(t -> t.withClips(List.of()));
    assertThat(PhraseBeat.ofSong(many.withTracks(tracks), Progress.NONE).guesses()).isEmpty();
    int[] asked = new int[1];
    Progress leaving =
        done -> {
          if (asked[0]++ > 5) {
            throw new CancellationException();
          }
        };
    assertThatThrownBy(() -> PhraseBeat.ofSong(many, leaving))
        .isInstanceOf(CancellationException.class);
  }
}
