package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.quantize.NotePlan.Outcome;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.TempoMap;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.LongStream;

/** Notes on their way to a plan, in order of the times as played: arrays side by side. */
final class Drafts {
  private static final double LEAST_SPREAD_MS = 5;

  private final List<Note> notes;
  private final long[] freed;
  private final long[] line;
  private final long[] otherLine;
  private final long[] onset;
  private final long[] length;
  private final double[] fromLineMs;
  private final double[] fromOtherMs;
  private final Outcome[] outcome;
  private double[] doubts = {};

  private static final Comparator<Note> AS_PLAYED =
      (a, b) -> {
        int order = Long.compare(a.played().onset(), b.played().onset());
        return order != 0 ? order : Note.ORDER.compare(a, b);
      };

  /** Of notes in any order. */
  static Drafts inOrder(List<Note> notes) {
    for (int i = 1; i < notes.size(); i++) {
      if (AS_PLAYED.compare(notes.get(i - 1), notes.get(i)) > 0) {
        return new Drafts(notes.stream().sorted(AS_PLAYED).toList());
      }
    }
    return new Drafts(notes);
  }

  Drafts(List<Note> notes) {
    int n = notes.size();
    this.notes = notes;
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

  Played played(int i) {
    return notes.get(i).played();
  }

  /**
   * Chooses a note's line.
   *
   * @param freedOnset its onset as played, less the lag
   * @param strength 0 to 1
   * @param reach how far from its line it may be, as a part of the gap to the other
   */
  void choose(int i, long freedOnset, long nearest, long next, double strength, double reach) {
    freed[i] = freedOnset;
    line[i] = Math.max(0, nearest);
    otherLine[i] = next;
    outcome[i] = Outcome.TO_LINE;
    onset[i] = Math.round(freedOnset + (line[i] - freedOnset) * strength);
    if (Math.abs(freedOnset - line[i]) > Math.abs(line[i] - next) * reach) {
      stay(i, Outcome.OUT_OF_CATCH);
    }
  }

  private void stay(int i, Outcome why) {
    outcome[i] = why;
    onset[i] = played(i).onset();
  }

  /** Once lines are chosen: no two of one pitch on one line, and where each note ends. */
  void settle(List<Note> others, QuantizeSettings settings, GridLines lines) {
    giveEachLineOnce();
    if (settings.method() == QuantizeSettings.Method.FIT) {
      giveEachPlaceOnce();
    }
    keepClearOfThoseThatStay(others);
    keepLengths();
    if (settings.ends() == QuantizeSettings.Ends.SNAP) {
      snapEnds(settings, lines.walker());
    }
  }

  private void snapEnds(QuantizeSettings settings, GridLines.Walker walker) {
    double strength = settings.strength() / 100;
    long least = Math.round(settings.grid().finestTicks() * strength);
    for (int i = 0; i < size(); i++) {
      long release = freedRelease(i);
      walker.find(release);
      endAt(i, Math.round(release + (walker.line() - release) * strength), least);
    }
  }

  private void giveEachLineOnce() {
    int[] holders = new int[Pitch.HIGHEST + 1];
    Arrays.fill(holders, -1);
    for (int i = 0; i < line.length; i++) {
      if (outcome[i] != Outcome.TO_LINE) {
        continue;
      }
      int pitch = note(i).pitch();
      int holder = holders[pitch];
      if (holder < 0 || line[holder] != line[i]) {
        holders[pitch] = i;
      } else if (isPlayedOnLine(i) && !isPlayedOnLine(holder)) {
        stay(holder, Outcome.LINE_TAKEN);
        holders[pitch] = i;
      } else {
        stay(i, Outcome.LINE_TAKEN);
      }
    }
  }

  /**
   * Where the lag differs from note to note, two may meet between lines, or on one out of order.
   */
  private void giveEachPlaceOnce() {
    Set<Long> places = HashSet.newHashSet(onset.length);
    for (int i = 0; i < onset.length; i++) {
      if (outcome[i] == Outcome.TO_LINE && !places.add(place(i))) {
        stay(i, Outcome.LINE_TAKEN);
      }
    }
  }

  private boolean isPlayedOnLine(int i) {
    return played(i).onset() == line[i];
  }

  /** A note that moves must not land on one of its pitch that does not; then it stays as well. */
  private void keepClearOfThoseThatStay(List<Note> others) {
    long[] fixed = others.stream().mapToLong(n -> place(n.pitch(), n.onset())).toArray();
    boolean again = true;
    while (again) {
      long[] places = LongStream.concat(LongStream.of(fixed), stayers()).sorted().toArray();
      again = false;
      for (int i = 0; i < onset.length && places.length > 0; i++) {
        if (outcome[i] == Outcome.TO_LINE && Arrays.binarySearch(places, place(i)) >= 0) {
          stay(i, Outcome.LINE_TAKEN);
          again = true;
        }
      }
    }
  }

  private LongStream stayers() {
    return IntStream.range(0, onset.length)
        .filter(i -> outcome[i] != Outcome.TO_LINE)
        .mapToLong(this::place);
  }

  private long place(int i) {
    return place(note(i).pitch(), Math.max(0, onset[i]));
  }

  private static long place(int pitch, long onset) {
    return onset << 7 | pitch;
  }

  /** Gives each note the length it was played with; one cut off by the song's start is shorter. */
  private void keepLengths() {
    for (int i = 0; i < length.length; i++) {
      length[i] = Math.max(1, played(i).length() + Math.min(0, onset[i]));
    }
  }

  /** The release as played, less the lag. */
  private long freedRelease(int i) {
    return freed[i] + played(i).length();
  }

  /** Ends a note that went to its line at a tick, or so many ticks after its onset at least. */
  private void endAt(int i, long end, long least) {
    if (outcome[i] == Outcome.TO_LINE) {
      length[i] = Math.max(1, Math.max(end - Math.max(0, onset[i]), least));
    }
  }

  /** Measures how far each was played from its two lines. */
  Timing measure(TempoMap tempos) {
    for (int i = 0; i < line.length; i++) {
      long played = tempos.nanosAt(played(i).onset());
      fromLineMs[i] = (played - tempos.nanosAt(line[i])) / 1e6;
      fromOtherMs[i] = (played - tempos.nanosAt(otherLine[i])) / 1e6;
    }
    return Timing.of(fromLineMs);
  }

  boolean changes(int i) {
    Note note = note(i);
    return Math.max(0, onset[i]) != note.onset() || length[i] != note.length();
  }

  Note result(int i) {
    return changes(i) ? note(i).standingAt(Math.max(0, onset[i]), length[i]) : note(i);
  }

  NotePlan plan(int i, Timing timing) {
    return new NotePlan(
        note(i),
        line[i],
        otherLine[i],
        Math.max(0, onset[i]),
        length[i],
        outcome[i],
        doubt(i, timing));
  }

  /** Takes over what a method says of its own doubts, one for each note. */
  void setDoubts(double[] values) {
    doubts = values;
  }

  private double doubt(int i, Timing timing) {
    if (doubts.length > 0) {
      return doubts[i];
    }
    double spread = Math.max(LEAST_SPREAD_MS, timing.spreadMs());
    double first = (fromLineMs[i] - timing.lagMs()) / spread;
    double second = (fromOtherMs[i] - timing.lagMs()) / spread;
    return 1 / (1 + Math.exp((second * second - first * first) / 2));
  }
}
