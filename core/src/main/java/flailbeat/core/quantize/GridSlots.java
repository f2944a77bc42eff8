package flailbeat.core.quantize;

import flailbeat.core.quantize.fit.Slots;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Notes as events, and the lines of a grid round them as slots. */
final class GridSlots {
  /** How far the notes of a chord may be apart. */
  static final double CHORD_MS = 25;

  private static final double WHOLE_BEAT = 1;
  private static final double HALF_OR_THIRD = 0.6;
  private static final double QUARTER = 0.25;
  private static final double FINER = 0.1;
  private static final int BEATS_AROUND = 2;

  private final QuantizeSettings settings;
  private final TempoMap tempos;
  private final MeterMap meters;
  private final int[] eventOf;
  private final double[] eventsMs;
  private final boolean[] sharesPitch;
  private final long[] ticks;
  private final Slots slots;

  GridSlots(QuantizeSettings settings, TempoMap tempos, MeterMap meters, Drafts drafts) {
    this.settings = settings;
    this.tempos = tempos;
    this.meters = meters;
    this.eventOf = new int[drafts.size()];
    int[] notesIn = new int[drafts.size()];
    double[] sums = new double[drafts.size()];
    boolean[] shared = new boolean[drafts.size()];
    int events = gather(drafts, sums, notesIn, shared);
    this.eventsMs = new double[events];
    this.sharesPitch = Arrays.copyOf(shared, events);
    for (int e = 0; e < events; e++) {
      eventsMs[e] = sums[e] / notesIn[e];
    }
    long first = drafts.played(0).onset();
    long last = drafts.played(drafts.size() - 1).onset();
    this.ticks = lines(first, last);
    this.slots = describe();
  }

  /** Sums up each event's times, counts its notes; gives the number of events. */
  private int gather(Drafts drafts, double[] sums, int[] notesIn, boolean[] shared) {
    long[] here = new long[2];
    long[] before = new long[2];
    int last = -1;
    double began = 0;
    for (int i = 0; i < drafts.size(); i++) {
      double ms = tempos.nanosAt(drafts.played(i).onset()) / 1e6;
      int pitch = drafts.note(i).pitch();
      if (last < 0 || ms - began > CHORD_MS || has(here, pitch)) {
        last++;
        began = ms;
        before[0] = here[0];
        before[1] = here[1];
        Arrays.fill(here, 0);
      }
      sums[last] += ms;
      notesIn[last]++;
      here[pitch >> 6] |= 1L << (pitch & 63);
      shared[last] |= has(before, pitch);
      eventOf[i] = last;
    }
    return last + 1;
  }

  private static boolean has(long[] pitches, int pitch) {
    return (pitches[pitch >> 6] & 1L << (pitch & 63)) != 0;
  }

  private long[] lines(long first, long last) {
    GridLines grid = new GridLines(settings.grid(), meters, settings.swing());
    long around = BEATS_AROUND * meters.meterAt(Math.max(0, first)).ticksPerBeat();
    long end = last + around;
    long[] found = new long[256];
    int size = 0;
    long line = grid.atOrBefore(Math.max(0, first - around));
    while (line <= end || size < 2) {
      if (size == found.length) {
        found = Arrays.copyOf(found, 2 * size);
      }
      found[size++] = line;
      line = grid.after(line);
    }
    return Arrays.copyOf(found, size);
  }

  private Slots describe() {
    int n = ticks.length;
    double[] ms = new double[n];
    int[] place = new int[n];
    int[] barPlace = new int[n];
    int[] beat = new int[n];
    byte[] family = new byte[n];
    Places places = new Places();
    Places barPlaces = new Places();
    List<Double> weights = new ArrayList<>();
    TickRange bar = meters.barRangeAt(ticks[0]);
    long beatTicks = meters.meterAt(ticks[0]).ticksPerBeat();
    long lastBeat = Long.MIN_VALUE;
    int beats = -1;
    for (int i = 0; i < n; i++) {
      if (!bar.contains(ticks[i])) {
        bar = meters.barRangeAt(ticks[i]);
        beatTicks = meters.meterAt(ticks[i]).ticksPerBeat();
      }
      long inBar = ticks[i] - bar.start();
      long inBeat = inBar % beatTicks;
      long beatStart = ticks[i] - inBeat;
      beats += beatStart == lastBeat ? 0 : 1;
      lastBeat = beatStart;
      ms[i] = tempos.nanosAt(ticks[i]) / 1e6;
      barPlace[i] = barPlaces.of(inBar);
      place[i] = places.of(inBeat);
      if (place[i] == weights.size()) {
        weights.add(weight(inBeat, beatTicks));
      }
      beat[i] = beats;
      family[i] = family(inBar);
    }
    double[] weight = weights.stream().mapToDouble(Double::doubleValue).toArray();
    return new Slots(ms, place, weight, barPlace, beat, family);
  }

  /** Gives each distance in ticks a number, in the order in which they are first met. */
  private static final class Places {
    private int[] numbers = new int[0];
    private int count;

    int of(long ticks) {
      int at = (int) ticks;
      if (at >= numbers.length) {
        numbers = Arrays.copyOf(numbers, Math.max(at + 1, 2 * numbers.length));
      }
      if (numbers[at] == 0) {
        numbers[at] = ++count;
      }
      return numbers[at] - 1;
    }
  }

  /** How strong a place is: where it would be without swing, on a straight or a triplet line. */
  private double weight(long inBeat, long beatTicks) {
    long even = unswung(inBeat);
    if (even == 0) {
      return WHOLE_BEAT;
    }
    if (even * 2 % beatTicks == 0 || even * 3 % beatTicks == 0) {
      return HALF_OR_THIRD;
    }
    return even * 4 % beatTicks == 0 ? QUARTER : FINER;
  }

  private long unswung(long inBeat) {
    NoteValue value = settings.grid().values().get(0);
    boolean swings =
        settings.grid().values().size() == 1
            && settings.swing() != GridLines.EVEN
            && value.division() == NoteValue.Division.STRAIGHT;
    if (!swings) {
      return inBeat;
    }
    return Math.round((double) inBeat / value.ticks() - 0.25) * value.ticks();
  }

  private byte family(long inBar) {
    boolean straight = false;
    boolean triplet = false;
    for (NoteValue value : settings.grid().values()) {
      boolean on = inBar % value.ticks() == 0;
      triplet |= on && value.division() == NoteValue.Division.TRIPLET;
      straight |= on && value.division() != NoteValue.Division.TRIPLET;
    }
    return straight == triplet ? Slots.BOTH : straight ? Slots.STRAIGHT : Slots.TRIPLET;
  }

  double[] eventsMs() {
    return eventsMs;
  }

  boolean[] sharesPitch() {
    return sharesPitch;
  }

  Slots slots() {
    return slots;
  }

  int eventOf(int note) {
    return eventOf[note];
  }

  long tick(int slot) {
    return ticks[slot];
  }
}
