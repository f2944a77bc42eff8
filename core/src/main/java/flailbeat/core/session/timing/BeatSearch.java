package flailbeat.core.session.timing;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.Scope;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.quantize.PhraseBeat;
import flailbeat.core.quantize.PhraseBeat.Taking;
import flailbeat.core.quantize.beat.BeatGuess;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.document.WhileRecording;
import flailbeat.core.session.run.RunControl;
import flailbeat.core.work.Progress;
import flailbeat.core.work.Workshop;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;

/**
 * The beat of a phrase that was played with no click: the best few ways to hear it, shown as bar
 * lines over the notes, each to be heard with a click, until one is taken.
 */
public final class BeatSearch {
  private static final double ONE_TEMPO = 0.03;

  private final Document document;
  private final RunControl runControl;
  private final Changes changes;
  private final Notices notices;
  private final Workshop workshop;
  private final WhileRecording whileRecording;
  private Optional<Workshop.Job> search = Optional.empty();
  private Optional<PhraseBeat> phrase = Optional.empty();
  private List<BeatGuess> guesses = List.of();
  private int chosen;
  private boolean whole;

  public BeatSearch(
      Document document,
      RunControl runControl,
      Changes changes,
      Notices notices,
      Workshop workshop,
      WhileRecording whileRecording) {
    this.notices = notices;
    this.workshop = workshop;
    this.whileRecording = whileRecording;
    this.document = document;
    this.runControl = runControl;
    this.changes = changes;
    changes.listen(
        change -> {
          if (change.isOf(Aspect.SONG, Aspect.CHOICE)) {
            leave();
          }
        });
  }

  /** Whether guesses are there to be looked at. */
  public boolean isOn() {
    return !guesses.isEmpty();
  }

  /** The guesses, the likeliest first. */
  public List<BeatGuess> guesses() {
    return guesses;
  }

  public int chosen() {
    return chosen;
  }

  /** Whether it is that of the whole song, and not of the notes in scope. */
  public boolean isOfSong() {
    return whole;
  }

  /** Looks for the beat of the notes in scope. */
  public void find() {
    PhraseBeat asked = new PhraseBeat(document.song(), document.scope().notes());
    find(asked, asked::guesses, false);
  }

  /** Looks for the tempo, the meter and the bars of all tracks together. */
  public void findInSong() {
    Song song = document.song();
    find(new PhraseBeat(song, List.of()), p -> PhraseBeat.ofSong(song, p).guesses(), true);
  }

  private void find(PhraseBeat asked, Function<Progress, List<BeatGuess>> work, boolean ofSong) {
    if (whileRecording.refuses()) {
      return;
    }
    leave();
    whole = ofSong;
    Song song = document.song();
    Scope scope = document.scope();
    search.ifPresent(Workshop.Job::cancel);
    search =
        Optional.of(
            workshop.start(
                work,
                found -> {
                  if (song == document.song() && scope == document.scope()) {
                    show(asked, found);
                  }
                },
                notices::mishap,
                () -> notices.tell("Left off: the beat is not known")));
  }

  private void show(PhraseBeat asked, List<BeatGuess> found) {
    guesses = found;
    phrase = Optional.of(asked);
    chosen = 0;
    changes.fire(Aspect.TIMING);
    notices.tell(
        guesses.isEmpty()
            ? "To hear a beat it takes four strokes at least"
            : "Found: " + inWords(guesses.get(0)) + ". Hear it with a click");
  }

  /** A guess in words: its tempo, and how much that varies. */
  public static String inWords(BeatGuess guess) {
    return String.format(
            Locale.ROOT, "%.1f bpm, varying by %.0f %%", guess.bpm(), guess.variationPercent())
        + guess.meter().map(m -> ", " + m).orElse("");
  }

  /** A guess in words; of one that differs in its bar line alone, where that lies. */
  public String words(int index) {
    BeatGuess guess = guesses.get(index);
    for (BeatGuess earlier : guesses.subList(0, index)) {
      boolean oneMeter = earlier.meter().equals(guess.meter());
      if (oneMeter && Math.abs(earlier.bpm() / guess.bpm() - 1) < ONE_TEMPO) {
        double later = earlier.beatsAt(guess.beatMs()[0]) % guess.beatsPerBar();
        double beats = (later + guess.beatsPerBar()) % guess.beatsPerBar();
        return String.format(
            Locale.ROOT, "%.1f bpm, bar lines %.2g beats later", guess.bpm(), beats);
      }
    }
    return inWords(guess);
  }

  /** Shows another guess. */
  public void choose(int index) {
    chosen = index;
    changes.fire(Aspect.TIMING);
  }

  /** The beats of the guess that is shown, as ticks; every so many of them is a bar line. */
  public long[] beatTicks() {
    return isOn() ? phrase.orElseThrow().beatTicks(guesses.get(chosen)) : new long[0];
  }

  /** How many beats make a bar. */
  public int beatsPerBar() {
    return isOn() ? guesses.get(chosen).beatsPerBar() : 1;
  }

  /**
   * Lets the track be heard alone, or the song as it was played, with a click on the beats of the
   * guess that is shown.
   */
  public void hear() {
    if (isOn()) {
      BeatGuess guess = guesses.get(chosen);
      double[] ms = guess.beatMs();
      long[] nanos = new long[ms.length];
      boolean[] accents = new boolean[ms.length];
      for (int i = 0; i < ms.length; i++) {
        nanos[i] = Math.round(ms[i] * 1e6);
        accents[i] = i % guess.beatsPerBar() == 0;
      }
      runControl.phrases().hearGuess(asPlayed(), ClickTrack.of(nanos, accents));
    }
  }

  private Song asPlayed() {
    if (whole) {
      return NoteEdits.mapAll(document.song(), Note::standingAsPlayed);
    }
    Song alone = document.song().withTracks(List.of(document.track().withMuted(false)));
    return NoteEdits.restorePlayed(alone, document.scope().ids());
  }

  /** Lets the song take the beat that was found, or the phrase the song's. */
  public void take(Taking taking) {
    whileRecording.unless(() -> taken(taking));
  }

  private Notice taken(Taking taking) {
    if (!isOn()) {
      return new Notice("Find a beat first", false);
    }
    PhraseBeat asked = phrase.orElseThrow();
    BeatGuess guess = guesses.get(chosen);
    if (whole && taking == Taking.PHRASE_FITS) {
      return new Notice("All tracks are meant: the song takes their tempo, or follows it", false);
    }
    BeatGuess wanted = taking == Taking.AVERAGE_TEMPO ? guess.even() : guess;
    document.edit(
        taking.title(),
        s -> whole ? asked.takeWhole(wanted) : asked.take(document.track().id(), guess, taking));
    return new Notice(taking.title() + ": " + inWords(guess), false);
  }

  /** Forgets the guesses. */
  public void leave() {
    if (isOn()) {
      guesses = List.of();
      changes.fire(Aspect.TIMING);
    }
  }
}
