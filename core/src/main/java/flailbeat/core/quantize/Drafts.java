package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.quantize.NotePlan.Outcome;
import flailbeat.core.time.TempoMap;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/** Notes on their way to a plan, in order of the times as played: arrays side by side. */
final class Drafts {
  private static final double LEAST_SPREAD_MS = 5;

  private final List<Note> notes;
  private final byte[] pitch;
  private final long[] playedOnset;
  private final long[] playedLength;
  private final boolean[] put;
  private final long[] freed;
  private final long[] line;
  private final long[] otherLine;
  private final long[] onset;
  private final long[] length;
  private final double[] fromLineMs;
  private final double[] fromOtherMs;
  private final Outcome[] outcome;
  private final boolean anyPut;
  private ProgramBounds bounds = ProgramBounds.NONE;
  private int[] velocity = {};
  private double[] doubts = {};
  private boolean[] decided = {};
  private Map<NoteId, Long> decidedEnds = Map.of();
  private Optional<MeantEnds> ends = Optional.empty();

  /** Of notes in any order. */
  static Drafts inOrder(List<Note> notes) {
    for (int i = 1; i < notes.size(); i++) {
      if (Note.BY_PLAYING.compare(notes.get(i - 1), notes.get(i)) > 0) {
        Note[] sorted = notes.toArray(Note[]::new);
        Arrays.sort(sorted, Note.BY_PLAYING);
        return new Drafts(Arrays.asList(sorted));
      }
    }
    return new Drafts(notes);
  }

  Drafts(List<Note> notes) {
    int n = notes.size();
    this.notes = notes;
    pitch = new byte[n];
    playedOnset = new long[n];
    playedLength = new long[n];
    put = new boolean[n];
    boolean any = false;
    int next = 0;
    for (Note note : notes) {
      pitch[next] = (byte) note.pitch();
      Played played = note.played();
      playedOnset[next] = played.onset();
      playedLength[next] = played.length();
      put[next++] = !played.isPerformed();
      any |= !played.isPerformed();
    }
    anyPut = any;
    freed = new long[n];
    line = new long[n];
    otherLine = new long[n];
    onset = new long[n];
    length = new long[n];
    fromLineMs = new double[n];
    fromOtherMs = new double[n];
    outcome = new Outcome[n];
  }

  int size() {
    return onset.length;
  }

  Note note(int i) {
    return notes.get(i);
  }

  int pitch(int i) {
    return pitch[i];
  }

  /** Whether it was put rather than played: it is neither early nor late. */
  boolean isPut(int i) {
    return put[i];
  }

  /** Those that were played, in the same order; these very drafts where all were. */
  Drafts performed() {
    return anyPut
        ? new Drafts(notes.stream().filter(n -> n.played().isPerformed()).toList())
        : this;
  }

  /** When it was struck. */
  long playedOnset(int i) {
    return playedOnset[i];
  }

  long playedLength(int i) {
    return playedLength[i];
  }

  /**
   * Chooses a note's line.
   *
   * @param freedOnset its onset as played, less the lag
   */
  void choose(int i, long freedOnset, long nearest, long next) {
    freed[i] = freedOnset;
    line[i] = Math.max(0, nearest);
    otherLine[i] = next;
    outcome[i] = Outcome.TO_LINE;
  }

  /**
   * When each was struck, with its pitch and whether it was put: notes that are the same in these
   * are understood alike.
   */
  long[] strokes() {
    long[] strokes = new long[size()];
    for (int i = 0; i < strokes.length; i++) {
      long stroke = playedOnset[i] * (Pitch.HIGHEST + 1) + pitch[i];
      strokes[i] = 2 * stroke + (isPut(i) ? 1 : 0);
    }
    return strokes;
  }

  /** Takes the lines and ends that a person has decided on, whatever else seemed likely. */
  void decide(Decisions decisions) {
    decidedEnds = decisions.ends();
    if (decisions.lines().isEmpty()) {
      return;
    }
    decided = new boolean[size()];
    for (int i = 0; i < size(); i++) {
      Long wanted = decisions.lines().get(note(i).id());
      if (wanted != null) {
        decided[i] = true;
        otherLine[i] = wanted == line[i] ? otherLine[i] : line[i];
        line[i] = wanted;
      }
    }
  }

  boolean isDecided(int i) {
    return decided.length > 0 && decided[i];
  }

  long freed(int i) {
    return freed[i];
  }

  long line(int i) {
    return line[i];
  }

  long otherLine(int i) {
    return otherLine[i];
  }

  boolean goesToLine(int i) {
    return outcome[i] == Outcome.TO_LINE;
  }

  /** Each note is to keep the program that it sounds with. */
  void keepWithin(ProgramBounds value) {
    bounds = value;
  }

  /** Where it would stand, not before the song's start. */
  long onset(int i) {
    long wanted = Math.max(0, onset[i]);
    return bounds == ProgramBounds.NONE ? wanted : bounds.within(notes.get(i).onset(), wanted);
  }

  /** Whether it would go elsewhere, and sound with another program there. */
  boolean isHeld(int i) {
    return onset(i) != Math.max(0, onset[i]);
  }

  long length(int i) {
    return length[i];
  }

  void moveTo(int i, long tick) {
    onset[i] = tick;
  }

  /** It keeps a place of its own, for a reason. */
  void leaveAt(int i, long tick, Outcome why) {
    outcome[i] = why;
    onset[i] = tick;
  }

  void setLength(int i, long ticks) {
    length[i] = Math.max(1, ticks);
  }

  /** The length as played; one that is cut off by the song's start is shorter. */
  long lengthAsPlayed(int i) {
    return Math.max(1, playedLength[i] + Math.min(0, onset[i]));
  }

  /** Takes over what was found of the ends. */
  void setEnds(MeantEnds value) {
    ends = Optional.of(value);
  }

  /** Whether it was looked for where notes were meant to end. */
  boolean hasEnds() {
    return ends.isPresent();
  }

  /** Where a note was meant to end, where that was looked for. */
  long meantEnd(int i) {
    return isEndDecided(i) ? decidedEnds.get(note(i).id()) : ends.orElseThrow().end(i);
  }

  /** Whether a person has decided on the end of a note that begins before it. */
  private boolean isEndDecided(int i) {
    Long wanted = decidedEnds.isEmpty() ? null : decidedEnds.get(note(i).id());
    return wanted != null && wanted > line[i];
  }

  private NotePlan.End meant(int i) {
    if (ends.isEmpty() || !goesToLine(i)) {
      return NotePlan.End.given(onset(i) + length[i]);
    }
    MeantEnds found = ends.get();
    long end = meantEnd(i);
    long other = end == found.end(i) ? found.otherEnd(i) : found.end(i);
    boolean decides = isEndDecided(i);
    return new NotePlan.End(end, other, decides ? 0 : found.doubt(i), decides);
  }

  void setVelocity(int i, int value) {
    if (velocity.length == 0) {
      velocity = notes.stream().mapToInt(Note::velocity).toArray();
    }
    velocity[i] = value;
  }

  /** Measures how far each was from its two lines; those that were put are not counted. */
  Timing measure(TempoMap tempos) {
    for (int i = 0; i < line.length; i++) {
      long played = tempos.nanosAt(playedOnset[i]);
      fromLineMs[i] = (played - tempos.nanosAt(line[i])) / 1e6;
      fromOtherMs[i] = (played - tempos.nanosAt(otherLine[i])) / 1e6;
    }
    return Timing.of(
        anyPut
            ? IntStream.range(0, size())
                .filter(i -> !isPut(i))
                .mapToDouble(i -> fromLineMs[i])
                .toArray()
            : fromLineMs.clone());
  }

  /** How far a note was from its line, once that was measured. */
  double fromLineMs(int i) {
    return fromLineMs[i];
  }

  boolean changes(int i) {
    Note note = note(i);
    return onset(i) != note.onset() || length[i] != note.length() || velocity(i) != note.velocity();
  }

  private int velocity(int i) {
    return velocity.length == 0 ? note(i).velocity() : velocity[i];
  }

  Note result(int i) {
    if (!changes(i)) {
      return note(i);
    }
    return note(i).standingAt(onset(i), length[i]).withVelocity(velocity(i));
  }

  NotePlan plan(int i, Timing timing) {
    return new NotePlan(
        note(i),
        line[i],
        otherLine[i],
        onset(i),
        length[i],
        outcome[i],
        isDecided(i) ? 0 : doubt(i, timing),
        isDecided(i),
        meant(i));
  }

  /** Takes over what a method says of its own doubts, one for each note. */
  void setDoubts(double[] values) {
    doubts = values;
  }

  private double doubt(int i, Timing timing) {
    if (isPut(i)) {
      return 0;
    }
    if (doubts.length > 0) {
      return doubts[i];
    }
    double spread = Math.max(LEAST_SPREAD_MS, timing.spreadMs());
    double first = (fromLineMs[i] - timing.lagMs()) / spread;
    double second = (fromOtherMs[i] - timing.lagMs()) / spread;
    return 1 / (1 + Math.exp((second * second - first * first) / 2));
  }
}
