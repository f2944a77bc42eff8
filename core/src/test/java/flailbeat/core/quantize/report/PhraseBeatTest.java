package flailbeat.core.quantize.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.FileTraits;
import flailbeat.core.model.carried.Payload;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.quantize.PhraseBeat;
import flailbeat.core.quantize.PhraseBeat.Taking;
import flailbeat.core.quantize.beat.BeatFinder;
import flailbeat.core.quantize.beat.BeatGuess;
import flailbeat.core.quantize.beat.Stroke;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

/** An empty song is at 120 bpm: a beat is 500 ms there, and a millisecond 1.92 ticks. */
class PhraseBeatTest {
  private static final double TICKS_PER_MS = 1.92;
  private static final int CONTROLLER = 64;

  /** Quarters at 100 bpm, 600 ms apart from 1 s on, each first of four long and low. */
  private static Song phrase() {
    List<Note> notes = new ArrayList<>();
    for (int i = 0; i < 16; i++) {
      long onset = Math.round((1000 + 600 * i) * TICKS_PER_MS);
      boolean first = i % 4 == 0;
      long length = Math.round((first ? 560 : 280) * TICKS_PER_MS);
      Played played = new Played(onset, onset + length);
      notes.add(Note.asPlayed(new NoteId(i + 1L), first ? 48 : 64, 80, played));
    }
    Song empty = Song.empty();
    Track track = empty.tracks().get(0);
    long second = Math.round(1600 * TICKS_PER_MS);
    NewControl pedal = new NewControl(second, Control.controller(CONTROLLER, 127));
    Clip clip = Clip.around(new ClipId(99), notes, List.of(), empty.meters());
    Song song = empty.withNextId(100).withTrack(track.id(), t -> t.withClips(List.of(clip)));
    return SongEdits.addControls(song, track.id(), List.of(pedal));
  }

  private static BeatGuess likeliest(Song song) {
    return new PhraseBeat(song, song.tracks().get(0).notes()).guesses().get(0);
  }

  private static Song taken(Song song, Taking taking) {
    Track track = song.tracks().get(0);
    return new PhraseBeat(song, track.notes()).take(track.id(), likeliest(song), taking);
  }

  @Test
  void tempo_and_bar_line_of_plain_quarters_are_found() {
    BeatGuess guess = likeliest(phrase());
    assertThat(guess.bpm()).isCloseTo(100, within(0.5));
    assertThat(guess.beatMs()[0]).isCloseTo(1000, within(5.0));
    assertThat(guess.beatsPerBar()).isEqualTo(4);
    assertThat(guess.variationPercent()).isLessThan(1);
  }

  @Test
  void a_phrase_that_is_fitted_stands_on_the_songs_beats_pedal_and_all() {
    Song fitted = taken(phrase(), Taking.PHRASE_FITS);
    Track track = fitted.tracks().get(0);
    long first = track.notes().get(0).onset();
    assertThat(first % 3840).isLessThan(6);
    for (int i = 0; i < 16; i++) {
      assertThat(track.notes().get(i).onset()).isCloseTo(first + 960L * i, within(4L));
    }
    assertThat(fitted.tempos()).isEqualTo(phrase().tempos());
    assertThat(track.controls().get(0).tick()).isCloseTo(first + 960, within(4L));
    assertThat(track.notes().get(0).length()).isCloseTo(896, within(4L));
  }

  @Test
  void a_song_that_takes_the_tempo_lets_the_phrase_sound_as_it_was_played() {
    for (Taking taking : List.of(Taking.AVERAGE_TEMPO, Taking.TEMPO_MAP)) {
      Song song = taken(phrase(), taking);
      List<Note> notes = song.tracks().get(0).notes();
      assertThat(song.tempos().tempoAt(notes.get(3).onset()).bpm()).isCloseTo(100, within(1.5));
      for (int i = 1; i < 16; i++) {
        double apart = song.tempos().millisBetween(notes.get(0).onset(), notes.get(i).onset());
        assertThat(apart).as("%s, note %d", taking, i).isCloseTo(600.0 * i, within(4.0));
      }
    }
  }

  /** In full in docs/quantizing.md. */
  @Test
  void phrases_with_no_click_whose_tempo_drifts_are_mostly_understood() {
    int tempo = 0;
    int bar = 0;
    for (int kind = 0; kind < 4; kind++) {
      for (int seed = 0; seed < 10; seed++) {
        BeatReport.Phrase phrase = BeatReport.phrase(kind, seed);
        BeatGuess guess = new BeatFinder(phrase.strokes(), 4).guesses().get(0);
        tempo += BeatReport.tempoIsRight(phrase, guess) ? 1 : 0;
        bar += BeatReport.barIsRight(phrase, guess) ? 1 : 0;
      }
    }
    assertThat(tempo).isGreaterThanOrEqualTo(34);
    assertThat(bar).isGreaterThanOrEqualTo(26);
  }

  @Test
  void three_strokes_have_no_beat() {
    List<Stroke> three = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      three.add(new Stroke(500 * i, 300, 80, 1, 60));
    }
    assertThat(new BeatFinder(three, 4).guesses()).isEmpty();
    assertThat(new PhraseBeat(Song.empty(), List.of()).guesses()).isEmpty();
  }

  /**
   * Four beats of 480 and then 600 ms from 2.1 s on; the song changes its tempo before and after.
   */
  private static final BeatGuess HEARD =
      new BeatGuess(new double[] {2100, 2580, 3180, 3780, 4380}, 4, 1);

  private static final TempoMap CHANGING =
      TempoMap.of(
          List.of(
              new TempoMap.Change(0, Tempo.ofBpm(120)),
              new TempoMap.Change(1920, Tempo.ofBpm(121)),
              new TempoMap.Change(3840, Tempo.ofBpm(122)),
              new TempoMap.Change(7680, Tempo.ofBpm(123)),
              new TempoMap.Change(11520, Tempo.ofBpm(124))));

  private static String tempos(Song song) {
    return song.tempos().changes().stream()
        .map(c -> c.tick() + "=" + Math.round(c.tempo().bpm() * 10) / 10.0)
        .collect(Collectors.joining(" "));
  }

  /** 2.1 s is nearer to the second bar line, at 1.99 s, than to the third. */
  @Test
  void the_song_keeps_its_tempos_before_and_after_the_phrase() {
    Song song = phrase().withTempos(CHANGING);
    TrackId track = song.tracks().get(0).id();
    PhraseBeat phrase = new PhraseBeat(song, song.tracks().get(0).notes());
    assertThat(phrase.anchor(HEARD)).isEqualTo(3840);
    assertThat(tempos(phrase.take(track, HEARD, Taking.TEMPO_MAP)))
        .isEqualTo(
            "0=120.0 1920=121.0 3840=125.0 4800=100.0 5760=100.0 6720=100.0 7680=105.3"
                + " 11520=124.0");
    assertThat(tempos(phrase.take(track, HEARD, Taking.AVERAGE_TEMPO)))
        .isEqualTo("0=120.0 1920=121.0 3840=105.3 7680=123.0 11520=124.0");
    assertThat(tempos(phrase.take(track, HEARD, Taking.PHRASE_FITS))).isEqualTo(tempos(song));
    assertThat(
            tempos(
                new PhraseBeat(phrase(), phrase().tracks().get(0).notes())
                    .take(track, HEARD, Taking.AVERAGE_TEMPO)))
        .as("a song of one tempo takes it as its one")
        .isEqualTo("0=105.3");
  }

  /** At 120 bpm a bar lasts 2000 ms; 3000 lies half way, and goes on. */
  @Test
  void the_first_bar_line_goes_to_the_songs_that_is_nearest() {
    PhraseBeat phrase = new PhraseBeat(Song.empty(), List.of());
    for (double[] atAndBar :
        new double[][] {{900, 0}, {1100, 1}, {2990, 1}, {3000, 2}, {-300, 0}}) {
      BeatGuess guess = new BeatGuess(new double[] {atAndBar[0], atAndBar[0] + 500}, 4, 1);
      assertThat(phrase.anchor(guess)).as("%s", atAndBar[0]).isEqualTo((long) atAndBar[1] * 3840);
    }
    assertThat(phrase.beatTicks(HEARD)).containsExactly(4032, 4954, 6106, 7258, 8410);
  }

  /** The phrase begins at 1920 and its last note ends at 1920 + 15 * 1152 + 538 = 19738. */
  @Test
  void controllers_far_from_the_phrase_stay_where_they_are() {
    Song song = phrase();
    TrackId track = song.tracks().get(0).id();
    List<NewControl> around =
        LongStream.of(1799, 1800, 19858, 19859)
            .mapToObj(tick -> new NewControl(tick, Control.controller(1, (int) (tick % 127))))
            .toList();
    Song with = SongEdits.addControls(song, track, around);
    BeatGuess later = new BeatGuess(new double[] {1000, 1600, 2200}, 4, 1);
    Song taken =
        new PhraseBeat(with, song.tracks().get(0).notes()).take(track, later, Taking.PHRASE_FITS);
    assertThat(
            taken.track(track).orElseThrow().controls().stream()
                .filter(c -> c.control().number() == 1)
                .map(ControlPoint::tick))
        .containsExactly(1799L, 3740L, 18788L, 19859L);
  }

  /** At the song's tempo before and at the phrase's after, all comes at the same times. */
  @Test
  void lyrics_markers_and_controllers_keep_their_times_from_the_notes_of_the_whole_song() {
    Song song = phrase();
    TrackId track = song.tracks().get(0).id();
    Payload text = Payload.ofHex("6C61");
    CarriedEvent lyric = new CarriedEvent(Math.round(6016 * TICKS_PER_MS), 0xFF, 5, text);
    CarriedEvent marker = new CarriedEvent(Math.round(4000 * TICKS_PER_MS), 0xFF, 6, text);
    Song with =
        song.withCarried(List.of(marker))
            .withTrack(
                track,
                t ->
                    t.withCarried(List.of(lyric))
                        .withTraits(new FileTraits(true, Math.round(15_000 * TICKS_PER_MS))));
    Song taken = new PhraseBeat(with, song.tracks().get(0).notes()).takeWhole(likeliest(song));
    long first = taken.tracks().get(0).notes().get(0).onset();
    assertThat(taken.tempos().millisBetween(first, taken.tracks().get(0).carried().get(0).tick()))
        .isCloseTo(5016, within(4.0));
    assertThat(taken.tempos().millisBetween(first, taken.carried().get(0).tick()))
        .isCloseTo(3000, within(4.0));
    assertThat(taken.tempos().millisBetween(first, taken.tracks().get(0).controls().get(0).tick()))
        .isCloseTo(600, within(4.0));
    assertThat(taken.tempos().millisBetween(first, taken.tracks().get(0).traits().endTick()))
        .isCloseTo(14_000, within(20.0));
  }

  @Test
  void each_way_to_take_it_has_a_name() {
    assertThat(Arrays.stream(Taking.values()).map(Taking::title))
        .doesNotHaveDuplicates()
        .allMatch(title -> title.contains("song"));
  }
}
