package flailbeat.core.session.harmony;

import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.harmony.BrokenChords;
import flailbeat.core.harmony.ChordFault;
import flailbeat.core.harmony.Led;
import flailbeat.core.harmony.Progression;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.session.bench.EditActions;
import flailbeat.core.session.bench.MouseDrawing;
import flailbeat.core.session.bench.StepEntry;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.hands.Audition;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.run.RunControl;
import flailbeat.core.step.Struck;
import flailbeat.core.text.Counted;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.List;

/** Chords that are typed by name, put onto the chosen track as one undo step. */
public final class TypedChords {
  private static final int LONGEST_LABEL = 40;
  private static final int LOWEST_CENTER = 43;
  private static final int HIGHEST_CENTER = 84;

  /** Notes get ids of their own as they are placed. */
  private static final NoteId NEW = new NoteId(1);

  private final Document document;
  private final EditActions editing;
  private final RunControl runControl;
  private final StepEntry steps;
  private final MouseDrawing drawing;
  private final Performer performer;
  private final Audition audition;
  private final Notices notices;

  /** Nothing was typed yet. */
  public TypedChords(
      Document document,
      EditActions editing,
      RunControl runControl,
      StepEntry steps,
      MouseDrawing drawing,
      Performer performer,
      Audition audition,
      Notices notices) {
    this.document = document;
    this.editing = editing;
    this.runControl = runControl;
    this.steps = steps;
    this.drawing = drawing;
    this.performer = performer;
    this.audition = audition;
    this.notices = notices;
  }

  /** In which order the chords of a typed line are struck. */
  public enum Rhythm {
    HELD("Held", "Each once, for as long as it holds"),
    BEATS("Beats", "Each on every beat"),
    STEPS("Steps", "Each again and again, as long as a step is"),
    STENCIL("Stencil", "Each in the rhythm of the notes that were taken ({stencil})");

    private final String title;
    private final String hint;

    Rhythm(String title, String hint) {
      this.title = title;
      this.hint = hint;
    }

    /** What people see. */
    public String title() {
      return title;
    }

    /** What it does; a command in braces stands for its key. */
    public String hint() {
      return hint;
    }
  }

  /** Where typed chords go: at Steps the cursor, else where playing starts. */
  private long place() {
    return performer.keysMode() == KeysMode.STEPS
        ? steps.place().cursorTick()
        : runControl.playStartTicks();
  }

  /**
   * Puts typed chords on the chosen track: voiced about the reach of the hands, smoothly led, from
   * the bar of the place on.
   *
   * @throws IllegalArgumentException where the chosen track is a kit, or there is no stencil and
   *     its rhythm is wanted, in words for the person
   */
  public void type(String line, Rhythm rhythm, boolean bass) throws ChordFault {
    Progression typed = Progression.parse(line);
    if (document.track().instrument().kit()) {
      throw new IllegalArgumentException(
          document.track().name() + " is a kit: choose a track with pitches");
    }
    if (rhythm == Rhythm.STENCIL && drawing.stencil().isEmpty()) {
      throw new IllegalArgumentException(MouseDrawing.NO_STENCIL);
    }
    Song before = document.song();
    long start = before.meters().barRangeAt(place()).start();
    int center = (performer.hands().lowest() + performer.hands().highest()) / 2;
    List<List<Integer>> voicings =
        Led.voicings(typed.chords(), Math.clamp(center, LOWEST_CENTER, HIGHEST_CENTER), bass);
    List<Struck> first =
        voicings.isEmpty()
            ? List.of()
            : voicings.getFirst().stream().map(p -> new Struck(p, velocity())).toList();
    editing.attempt(label(line.strip()), s -> entered(s, typed, voicings, start, rhythm));
    if (document.song() != before) {
      document.selectAdded(before);
      audition.soundPitches(first);
      notices.tell(
          Counted.of(typed.chords().size(), "chord")
              + " from bar "
              + (before.meters().barAt(start) + 1));
    }
  }

  private static String label(String line) {
    return "Chords "
        + (line.length() <= LONGEST_LABEL ? line : line.substring(0, LONGEST_LABEL) + "\u2026");
  }

  private int velocity() {
    return performer.hands().velocity();
  }

  private Song entered(
      Song song, Progression typed, List<List<Integer>> voicings, long start, Rhythm rhythm) {
    List<Note> notes = new ArrayList<>();
    long bar = start;
    int next = 0;
    for (List<Progression.Step> steps : typed.bars()) {
      TickRange range = song.meters().barRangeAt(bar);
      int shares = steps.stream().mapToInt(Progression.Step::shares).sum();
      int done = 0;
      for (Progression.Step step : steps) {
        long from = range.start() + range.length() * done / shares;
        done += step.shares();
        long to = range.start() + range.length() * done / shares;
        if (step.chord().isPresent()) {
          List<Note> chord = chord(voicings.get(next++), new TickRange(from, to));
          notes.addAll(struck(song, chord, rhythm));
        }
      }
      bar = range.end();
    }
    if (bar > Ticks.LAST) {
      throw new IllegalArgumentException("There is no room for them before the end of the song");
    }
    notes.sort(Note.ORDER);
    return EnteredNotes.place(song, document.track().id(), notes);
  }

  private List<Note> chord(List<Integer> pitches, TickRange range) {
    return pitches.stream()
        .map(p -> Note.placed(NEW, p, velocity(), range.start(), range.length()))
        .toList();
  }

  private List<Note> struck(Song song, List<Note> chord, Rhythm rhythm) {
    return switch (rhythm) {
      case HELD -> chord;
      case BEATS -> BrokenChords.repeated(chord, t -> t + song.meters().meterAt(t).ticksPerBeat());
      case STEPS -> {
        long length = Math.round(steps.settings().length().ticks().doubleValue());
        yield BrokenChords.repeated(chord, t -> t + length);
      }
      case STENCIL -> BrokenChords.of(chord, drawing.stencil().orElseThrow());
    };
  }
}
