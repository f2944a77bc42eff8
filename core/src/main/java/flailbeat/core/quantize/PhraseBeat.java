package flailbeat.core.quantize;

import flailbeat.core.edit.ClipEdits;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.FileTraits;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.quantize.beat.BeatFinder;
import flailbeat.core.quantize.beat.BeatGuess;
import flailbeat.core.quantize.beat.SongBeat;
import flailbeat.core.quantize.beat.Stroke;
import flailbeat.core.quantize.beat.Voice;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.Ticks;
import flailbeat.core.work.Progress;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.function.LongPredicate;
import java.util.stream.Collectors;

/**
 * A phrase that was played with no click: finds its beat, and brings song and phrase together.
 * Times are the times as played, at the song's tempo when it was played.
 */
public final class PhraseBeat {
  /** Who gives way to whom. */
  public enum Taking {
    /** The phrase keeps its beats and takes the song's tempo. */
    PHRASE_FITS("Fit the phrase to the song"),
    /** The song takes the phrase's tempo in the mean; the phrase sounds as it was played. */
    AVERAGE_TEMPO("The song takes its tempo"),
    /** The song's tempo follows the phrase beat by beat; the phrase sounds as it was played. */
    TEMPO_MAP("The song follows every beat");

    private final String title;

    Taking(String title) {
      this.title = title;
    }

    public String title() {
      return title;
    }
  }

  private static final int MOST_HEARD = 6_000;
  private static final double MILLION = 1e6;
  private static final long AROUND = 120;

  private final Song song;
  private final List<Note> notes;

  /** Of some notes of a song, in any order. */
  public PhraseBeat(Song song, List<Note> notes) {
    this.song = song;
    this.notes = List.copyOf(notes);
  }

  /**
   * Finds the beat of a whole song from all its tracks together: tempo, meter and bars. Loops are
   * heard round by round, and what is muted is heard as well; of each track, its first {@value
   * #MOST_HEARD} notes.
   */
  public static SongBeat.Found ofSong(Song song) {
    return ofSong(song, Progress.NONE);
  }

  /** As {@link #ofSong(Song)}, telling how far it is. */
  public static SongBeat.Found ofSong(Song song, Progress progress) {
    return new SongBeat(song.tracks().stream().map(t -> voice(song, t)).toList()).find(progress);
  }

  private static Voice voice(Song song, Track track) {
    Drafts drafts = Drafts.inOrder(track.placed().sounding());
    int n = Math.min(MOST_HEARD, drafts.size());
    Voice voice =
        new Voice(new double[n], new double[n], new int[n], new int[n], track.instrument().kit());
    for (int i = 0; i < n; i++) {
      Note note = drafts.note(i);
      long onset = note.played().onset();
      voice.ms()[i] = song.tempos().nanosAt(onset) / MILLION;
      voice.lengthMs()[i] = song.tempos().millisBetween(onset, note.played().release());
      voice.velocity()[i] = note.velocity();
      voice.pitch()[i] = note.pitch();
    }
    return voice;
  }

  /** The best few ways to hear the beat, the likeliest first; none for fewer than four strokes. */
  public List<BeatGuess> guesses() {
    return guesses(Progress.NONE);
  }

  /** As {@link #guesses()}, telling how far it is. */
  public List<BeatGuess> guesses(Progress progress) {
    if (notes.isEmpty()) {
      return List.of();
    }
    List<Stroke> strokes = strokes();
    long first = song.tempos().tickAt(Math.round(strokes.get(0).ms() * MILLION));
    int beats = song.meters().meterAt(Math.max(0, first)).beats();
    return new BeatFinder(strokes, beats).guesses(progress);
  }

  private List<Stroke> strokes() {
    Drafts drafts = Drafts.inOrder(notes);
    Events events = new Events(drafts, song.tempos());
    List<Stroke> strokes = new ArrayList<>();
    for (int i = 0; i < drafts.size(); i++) {
      Note note = drafts.note(i);
      double held = song.tempos().millisBetween(note.played().onset(), note.played().release());
      int event = events.of(i);
      if (event == strokes.size()) {
        strokes.add(new Stroke(events.ms()[event], held, note.velocity(), 1, note.pitch()));
      } else {
        strokes.set(event, strokes.get(event).with(held, note.velocity(), note.pitch()));
      }
    }
    return strokes;
  }

  /** Where the first bar line of a guess comes to lie: the song's bar line that is nearest. */
  public long anchor(BeatGuess guess) {
    MeterMap meters = song.meters();
    long tick = song.tempos().tickAt(Math.round(guess.beatMs()[0] * MILLION));
    long before = meters.barRangeAt(Math.max(0, tick)).start();
    long after = meters.barRangeAt(Math.max(0, tick)).end();
    return tick - before < after - tick ? before : after;
  }

  /** The beats of a guess, as ticks at the song's tempo. */
  public long[] beatTicks(BeatGuess guess) {
    return Arrays.stream(guess.beatMs())
        .mapToLong(ms -> song.tempos().tickAt(Math.round(ms * MILLION)))
        .toArray();
  }

  /** The song with the phrase on its bar lines, the one or the other having given way. */
  public Song take(TrackId track, BeatGuess guess, Taking taking) {
    long anchor = anchor(guess);
    long beat = song.meters().meterAt(anchor).ticksPerBeat();
    OnBeats onBeats = new OnBeats(anchor, beat, guess, taking);
    Set<NoteId> ids = notes.stream().map(Note::id).collect(Collectors.toSet());
    LongPredicate isAround = around();
    Song moved = NoteEdits.change(song, ids, n -> placed(n, onBeats));
    return moved(moved, track, isAround, onBeats).withTempos(onBeats.tempos());
  }

  /**
   * The song with all of its tracks on the beats of the phrase, and its tempo following: notes,
   * controllers, lyrics and markers keep their times from one another. A meter that was heard
   * becomes the song's.
   */
  public Song takeWhole(BeatGuess guess) {
    if (guess.meter().filter(m -> !MeterMap.of(m).equals(song.meters())).isPresent()) {
      Song counted = song.withMeters(MeterMap.of(guess.meter().orElseThrow()));
      return new PhraseBeat(counted, notes).takeWhole(guess);
    }
    long anchor = anchor(guess);
    long beat = song.meters().meterAt(anchor).ticksPerBeat();
    OnBeats onBeats = new OnBeats(anchor, beat, guess, Taking.TEMPO_MAP);
    Song result = NoteEdits.mapAll(song, n -> placed(n, onBeats));
    for (Track track : song.tracks()) {
      result = moved(result, track.id(), tick -> true, onBeats);
    }
    return result
        .mapTracks(
            t ->
                t.withTraits(
                    new FileTraits(t.traits().statesProgram(), end(t.traits().endTick(), onBeats))))
        .withCarried(song.carried().stream().map(e -> placed(e, onBeats)).toList())
        .withOrigin(song.origin().mapEnds(end -> end(end, onBeats)))
        .withTempos(onBeats.tempos());
  }

  /** 0 is where the last event stands, and stays so. */
  private static long end(long tick, OnBeats onBeats) {
    return tick == 0 ? 0 : onBeats.inSong(tick);
  }

  /** What controllers do and what is carried on a track, where it belongs to what has moved. */
  private Song moved(Song from, TrackId track, LongPredicate moves, OnBeats onBeats) {
    Track was = from.track(track).orElseThrow();
    List<ControlPoint> points =
        was.controls().stream()
            .filter(c -> moves.test(c.tick()))
            .map(c -> c.at(onBeats.inSong(c.tick())))
            .toList();
    return ClipEdits.put(from, List.of(), points)
        .withTrack(
            track,
            t ->
                t.withCarried(
                    t.carried().stream()
                        .map(e -> moves.test(e.tick()) ? placed(e, onBeats) : e)
                        .sorted(Comparator.comparingLong(CarriedEvent::tick))
                        .toList()));
  }

  private static CarriedEvent placed(CarriedEvent event, OnBeats onBeats) {
    return event.at(onBeats.inSong(event.tick()));
  }

  /** What lies in the phrase, or nearly. */
  private LongPredicate around() {
    long first = notes.stream().mapToLong(Note::onset).min().orElse(0) - AROUND;
    long last = notes.stream().mapToLong(Note::end).max().orElse(0) + AROUND;
    return tick -> tick >= first && tick <= last;
  }

  /** Where what was played comes to stand, and the tempos by which it does. */
  private final class OnBeats {
    private final long anchor;
    private final long beat;
    private final BeatGuess guess;
    private final Taking taking;

    OnBeats(long anchor, long beat, BeatGuess guess, Taking taking) {
      this.anchor = anchor;
      this.beat = beat;
      this.guess = guess;
      this.taking = taking;
    }

    long at(long tick) {
      return anchor + Math.round(beatsAt(tick, guess, taking) * beat);
    }

    long inSong(long tick) {
      return Math.clamp(at(tick), 0, Ticks.LAST);
    }

    TempoMap tempos() {
      return switch (taking) {
        case PHRASE_FITS -> song.tempos();
        case AVERAGE_TEMPO -> average(anchor, beat, guess);
        case TEMPO_MAP -> following(anchor, beat, guess);
      };
    }
  }

  private double beatsAt(long tick, BeatGuess guess, Taking taking) {
    double ms = song.tempos().nanosAt(tick) / MILLION;
    return taking == Taking.AVERAGE_TEMPO
        ? (ms - guess.beatMs()[0]) / guess.meanBeatMs()
        : guess.beatsAt(ms);
  }

  private static Note placed(Note note, OnBeats onBeats) {
    long onset = onBeats.at(note.played().onset());
    long release = onBeats.at(note.played().release());
    return Note.asPlayed(note.id(), note.pitch(), note.velocity(), Played.within(onset, release))
        .withReleaseVelocity(note.releaseVelocity());
  }

  private TempoMap average(long anchor, long beat, BeatGuess guess) {
    Tempo tempo = tempoOf(guess.meanBeatMs(), beat);
    return song.tempos().changes().size() == 1
        ? TempoMap.of(tempo)
        : around(anchor, anchor, List.of(new TempoMap.Change(anchor, tempo)));
  }

  private TempoMap following(long anchor, long beat, BeatGuess guess) {
    List<TempoMap.Change> changes = new ArrayList<>();
    double[] ms = guess.beatMs();
    for (int i = 0; i + 1 < ms.length; i++) {
      changes.add(new TempoMap.Change(anchor + i * beat, tempoOf(ms[i + 1] - ms[i], beat)));
    }
    long end = anchor + (ms.length - 1) * beat;
    changes.add(new TempoMap.Change(end, tempoOf(guess.meanBeatMs(), beat)));
    return around(anchor, end, changes);
  }

  /** New changes in a stretch, the song's own before and after it. */
  private TempoMap around(long from, long to, List<TempoMap.Change> changes) {
    List<TempoMap.Change> all = new ArrayList<>();
    song.tempos().changes().stream().filter(c -> c.tick() < from).forEach(all::add);
    all.addAll(changes);
    song.tempos().changes().stream().filter(c -> c.tick() > to).forEach(all::add);
    return TempoMap.of(all);
  }

  private static Tempo tempoOf(double beatMs, long beatTicks) {
    return Tempo.ofBpm(
        Math.clamp(
            60_000.0 * beatTicks / Ticks.PPQ / beatMs, Tempo.SLOWEST_BPM, Tempo.FASTEST_BPM));
  }
}
