package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.quantize.ends.EndFinder;
import flailbeat.core.quantize.ends.Releases;
import flailbeat.core.quantize.ends.Releases.Kind;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.LongStream;

/**
 * Where the notes of a part were meant to end, once the lines of their onsets are chosen; see
 * {@link EndFinder}. Notes that begin on one line and are let go together end together. An end may
 * lie where another note of the part begins, or on a line, and not beyond the next note of its
 * pitch. O(n log n).
 */
final class MeantEnds {
  /** Keys let go so soon after one another were let go together. */
  private static final double TOGETHER_MS = 45;

  private static final int MOST_ONSETS = 12;
  private static final int MOST_LINES = 24;

  /** No note is written to end earlier than this share of the time it was held. */
  private static final double EARLIEST = 0.8;

  /** Nor later than this many times as long: a long one is not let go half way. */
  private static final double LATEST = 2.7;

  private static final double LATEST_OF_LONG = 1.5;
  private static final double LONG_MS = 1500;
  private static final double AROUND_MS = 80;

  /** How likely the next onset but one is, against the next, and so on. */
  private static final double LATER = 0.6;

  private static final double SIMPLE = 1;
  private static final double DOTTED = 0.4;
  private static final double ODD = 0.1;

  private final Drafts drafts;
  private final TempoMap tempos;
  private final MeterMap meters;
  private final GridLines.Walker lines;
  private final long[] onsets;
  private final int[] order;
  private final int[] groupOf;
  private final long[] ends;
  private final EndFinder.Found found;

  MeantEnds(Drafts drafts, List<Note> others, GridLines lines, TempoMap tempos, MeterMap meters) {
    this.drafts = drafts;
    this.tempos = tempos;
    this.meters = meters;
    this.lines = lines.walker();
    onsets =
        LongStream.concat(
                IntStream.range(0, drafts.size()).mapToLong(this::begin),
                others.stream().mapToLong(Note::onset))
            .sorted()
            .distinct()
            .toArray();
    order =
        IntStream.range(0, drafts.size())
            .filter(i -> !drafts.isPut(i))
            .boxed()
            .sorted(
                (a, b) ->
                    begin(a) != begin(b)
                        ? Long.compare(begin(a), begin(b))
                        : Long.compare(release(a), release(b)))
            .mapToInt(i -> i)
            .toArray();
    groupOf = new int[drafts.size()];
    Arrays.fill(groupOf, -1);
    Gathered gathered = gather(places(others));
    ends = gathered.ends;
    found = new EndFinder(gathered.releases()).find();
  }

  /** The end of a note as it was meant, a tick; where nothing is known, as it was let go. */
  long end(int note) {
    int end = groupOf[note] < 0 ? -1 : found.end()[groupOf[note]];
    return end < 0 ? release(note) : ends[end];
  }

  /** The likeliest end beside it. */
  long otherEnd(int note) {
    int end = groupOf[note] < 0 ? -1 : found.other()[groupOf[note]];
    return end < 0 ? release(note) : ends[end];
  }

  /** How likely it is that another end was meant, 0 to 1. */
  double doubt(int note) {
    return groupOf[note] < 0 ? 0 : found.doubt()[groupOf[note]];
  }

  /** Where a note is meant to begin. */
  private long begin(int note) {
    return drafts.goesToLine(note) ? drafts.line(note) : Math.max(0, drafts.onset(note));
  }

  /** When its key came up, less the lag. */
  private long release(int note) {
    return drafts.freed(note) + drafts.playedLength(note);
  }

  /** Where notes begin, by pitch. */
  private long[] places(List<Note> others) {
    return LongStream.concat(
            IntStream.range(0, drafts.size())
                .mapToLong(i -> Settling.place(drafts.pitch(i), begin(i))),
            others.stream().mapToLong(n -> Settling.place(n.pitch(), n.onset())))
        .sorted()
        .toArray();
  }

  /** The first place that is later than a tick. */
  private static int after(long[] sorted, long tick) {
    int at = Arrays.binarySearch(sorted, tick + 1);
    return at < 0 ? -at - 1 : at;
  }

  private Gathered gather(long[] places) {
    Gathered result = new Gathered(order.length);
    int from = 0;
    while (from < order.length) {
      int to = from + 1;
      while (to < order.length && isTogether(order[to - 1], order[to])) {
        to++;
      }
      double release = 0;
      long bound = Long.MAX_VALUE;
      for (int k = from; k < to; k++) {
        release += millis(release(order[k])) / (to - from);
        int note = order[k];
        long next = Settling.nextOfPitch(places, drafts.pitch(note), begin(note));
        bound = Math.min(bound, next);
        groupOf[order[k]] = result.size;
      }
      addPossible(result, begin(order[from]), release, bound);
      from = to;
    }
    return result;
  }

  private boolean isTogether(int a, int b) {
    return begin(a) == begin(b) && millis(release(b)) - millis(release(a)) < TOGETHER_MS;
  }

  private double millis(long tick) {
    return tempos.nanosAt(tick) / 1e6;
  }

  private void addPossible(Gathered into, long begin, double releaseMs, long bound) {
    double beginMs = millis(begin);
    double held = Math.max(1, releaseMs - beginMs);
    double latest = held < LONG_MS ? LATEST : LATEST_OF_LONG;
    double until = beginMs + latest * held + AROUND_MS;
    double earliest = beginMs + EARLIEST * held - AROUND_MS;
    into.begin(beginMs, releaseMs);
    int next = after(onsets, begin);
    long nextOnset = next < onsets.length ? onsets[next] : Long.MAX_VALUE;
    long beat = meters.meterAt(begin).ticksPerBeat();
    int count = 0;
    for (long line = lines.after(Math.max(begin, tempos.tickAt(Math.round(earliest * 1e6)) - 1));
        line <= bound && count < MOST_LINES && millis(line) <= until;
        line = lines.after(line)) {
      if (!isOnset(line)) {
        Kind kind = line < nextOnset ? Kind.RESTS : Kind.BEYOND;
        into.add(line, millis(line), kind, simplicity(line - begin, beat));
        count++;
      }
    }
    double weight = 1;
    for (int k = next; k < Math.min(onsets.length, next + MOST_ONSETS); k++) {
      if (onsets[k] > bound || millis(onsets[k]) > until) {
        break;
      }
      if (k == next || millis(onsets[k]) >= earliest) {
        into.add(onsets[k], millis(onsets[k]), k == next ? Kind.FILLS : Kind.HELD, weight);
        weight *= LATER;
      }
    }
  }

  private boolean isOnset(long tick) {
    return Arrays.binarySearch(onsets, tick) >= 0;
  }

  /** How simple a note value is: likely ones are a beat halved or doubled, or dotted. */
  private static double simplicity(long ticks, long beat) {
    if (isPower(ticks, beat)) {
      return SIMPLE;
    }
    return ticks % 3 == 0 && isPower(ticks / 3, beat) ? DOTTED : ODD;
  }

  private static boolean isPower(long ticks, long beat) {
    long larger = Math.max(ticks, beat);
    long smaller = Math.min(ticks, beat);
    return larger % smaller == 0 && Long.bitCount(larger / smaller) == 1;
  }

  /** The problem, as it grows. */
  private static final class Gathered {
    private final double[] onsetMs;
    private final double[] releaseMs;
    private final int[] first;
    private int size;
    private long[] ends = new long[64];
    private double[] endMs = new double[64];
    private Kind[] kind = new Kind[64];
    private double[] weight = new double[64];
    private int count;

    Gathered(int most) {
      onsetMs = new double[most];
      releaseMs = new double[most];
      first = new int[most + 1];
    }

    void begin(double onset, double release) {
      onsetMs[size] = onset;
      releaseMs[size] = release;
      first[++size] = count;
    }

    void add(long end, double ms, Kind what, double likely) {
      if (count == ends.length) {
        ends = Arrays.copyOf(ends, 2 * count);
        endMs = Arrays.copyOf(endMs, 2 * count);
        kind = Arrays.copyOf(kind, 2 * count);
        weight = Arrays.copyOf(weight, 2 * count);
      }
      ends[count] = end;
      endMs[count] = ms;
      kind[count] = what;
      weight[count] = likely;
      first[size] = ++count;
    }

    Releases releases() {
      return new Releases(
          Arrays.copyOf(onsetMs, size),
          Arrays.copyOf(releaseMs, size),
          Arrays.copyOf(first, size + 1),
          Arrays.copyOf(endMs, count),
          Arrays.copyOf(kind, count),
          Arrays.copyOf(weight, count));
    }
  }
}
