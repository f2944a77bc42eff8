package flailbeat.core.quantize.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ClipId;
import flailbeat.core.model.Control;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.quantize.PhraseBeat;
import flailbeat.core.quantize.PhraseBeat.Taking;
import flailbeat.core.quantize.beat.BeatFinder;
import flailbeat.core.quantize.beat.BeatGuess;
import flailbeat.core.quantize.beat.Stroke;
import java.util.ArrayList;
import java.util.List;
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
}
