package flailbeat.core.quantize;

import flailbeat.core.quantize.fit.Slots;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * The lines of a grid round some notes, as slots: whole bars, each kind worked out once. Bars far
 * from any note are left out, so that what it costs goes with the notes and not with the time
 * between them.
 */
final class GridSlots {
  private static final double WHOLE_BEAT = 1;
  private static final double HALF_OR_THIRD = 0.6;
  private static final double QUARTER = 0.25;
  private static final double FINER = 0.1;
  private static final int BEATS_AROUND = 2;

  /** Farther from any note than this nothing is laid out. */
  private static final int FAR_BARS = 2;

  private final QuantizeSettings settings;
  private final GridLines lines;
  private final Numbers places = new Numbers();
  private final Numbers barPlaces = new Numbers();
  private final List<Double> weights = new ArrayList<>();
  private final long[] ticks;
  private final Slots slots;

  /** A bar of a length, at a place in the groove. */
  private record BarKind(Meter meter, long length, int number) {}

  /** The lines of a kind of bar, side by side; ticks and beats count from the bar's start. */
  private record BarLines(
      long[] tick, int[] place, int[] barPlace, int[] beat, byte[] family, int beats) {}

  GridSlots(
      QuantizeSettings settings, TempoMap tempos, MeterMap meters, Drafts drafts, long[] beside) {
    this.settings = settings;
    this.lines = new GridLines(settings.grid(), meters, settings.swing(), settings.groove());
    int[] numbers = barsNear(drafts, meters);
    int bars = numbers.length;
    List<BarLines> all = lines(numbers, meters);
    int n = all.stream().mapToInt(b -> b.tick().length).sum();
    ticks = new long[n];
    double[] ms = new double[n];
    int[] place = new int[n];
    int[] barPlace = new int[n];
    int[] beat = new int[n];
    byte[] family = new byte[n];
    int at = 0;
    int beats = 0;
    for (int b = 0; b < bars; b++) {
      BarLines bar = all.get(b);
      int length = bar.tick().length;
      long start = meters.barStart(numbers[b]);
      for (int i = 0; i < length; i++) {
        long least = at + i == 0 ? 0 : ticks[at + i - 1] + 1;
        ticks[at + i] = Math.max(least, start + bar.tick()[i]);
        ms[at + i] = tempos.nanosAt(ticks[at + i]) / 1e6;
        beat[at + i] = beats + bar.beat()[i];
      }
      System.arraycopy(bar.place(), 0, place, at, length);
      System.arraycopy(bar.barPlace(), 0, barPlace, at, length);
      System.arraycopy(bar.family(), 0, family, at, length);
      at += length;
      beats += bar.beats();
    }
    double[] weight = weights.stream().mapToDouble(Double::doubleValue).toArray();
    slots = new Slots(ms, place, weight, barPlace, beat, family, anchored(drafts), where(beside));
  }

  /** Which slots a note was put on. */
  private boolean[] anchored(Drafts drafts) {
    return where(
        IntStream.range(0, drafts.size())
            .filter(drafts::isPut)
            .mapToLong(drafts::playedOnset)
            .toArray());
  }

  /** On which slots onsets are; a line may stand a tick beside where it is written. */
  private boolean[] where(long[] onsets) {
    boolean[] result = new boolean[ticks.length];
    int slot = 0;
    for (long onset : onsets) {
      while (slot < ticks.length && ticks[slot] < onset - 1) {
        slot++;
      }
      if (slot < ticks.length && ticks[slot] <= onset + 1) {
        result[slot] = true;
      }
    }
    return result;
  }

  /** The bars with notes in them, two beats and more around, and those between that are not far. */
  private static int[] barsNear(Drafts drafts, MeterMap meters) {
    long around = BEATS_AROUND * meters.meterAt(played(drafts, 0)).ticksPerBeat();
    int[] result = new int[16];
    int size = 0;
    int next = Math.max(0, meters.barAt(Math.max(0, played(drafts, 0) - around)));
    int last = meters.barAt(played(drafts, drafts.size() - 1) + around);
    long bound = 0;
    for (int i = 0; i < drafts.size(); i++) {
      if (played(drafts, i) < bound) {
        continue;
      }
      int bar = meters.barAt(played(drafts, i));
      bound = meters.barStart(bar + 1);
      next = Math.max(next, bar - FAR_BARS);
      int upTo = Math.min(last, bar + FAR_BARS);
      if (size + upTo - next + 1 > result.length) {
        result = Arrays.copyOf(result, 2 * (size + upTo - next + 1));
      }
      while (next <= upTo) {
        result[size++] = next++;
      }
    }
    return Arrays.copyOf(result, size);
  }

  private static long played(Drafts drafts, int index) {
    return Math.max(0, drafts.playedOnset(index));
  }

  private List<BarLines> lines(int[] numbers, MeterMap meters) {
    Map<BarKind, BarLines> known = new HashMap<>();
    List<BarLines> all = new ArrayList<>(numbers.length);
    for (int bar : numbers) {
      TickRange range = meters.barRangeAt(meters.barStart(bar));
      int number = Math.floorMod(bar, settings.groove().bars());
      BarKind kind = new BarKind(meters.meterAt(range.start()), range.length(), number);
      all.add(known.computeIfAbsent(kind, this::linesOf));
    }
    return all;
  }

  private BarLines linesOf(BarKind kind) {
    long[] even = lines.evenLines(kind.length());
    long beatTicks = kind.meter().ticksPerBeat();
    int n = even.length;
    long[] tick = new long[n];
    int[] place = new int[n];
    int[] barPlace = new int[n];
    int[] beat = new int[n];
    byte[] family = new byte[n];
    for (int i = 0; i < n; i++) {
      long inBeat = even[i] % beatTicks;
      tick[i] = lines.standing(kind.number(), even[i]);
      place[i] = places.of(inBeat);
      if (place[i] == weights.size()) {
        weights.add(weight(inBeat, beatTicks));
      }
      barPlace[i] = barPlaces.of(even[i]);
      beat[i] = (int) (even[i] / beatTicks);
      family[i] = family(even[i]);
    }
    return new BarLines(
        tick, place, barPlace, beat, family, (int) Math.ceilDiv(kind.length(), beatTicks));
  }

  /** Gives each distance in ticks a number, in the order in which they are first met. */
  private static final class Numbers {
    private final Map<Long, Integer> known = new HashMap<>();

    int of(long ticks) {
      return known.computeIfAbsent(ticks, t -> known.size());
    }
  }

  /** How strong a place is. */
  private static double weight(long inBeat, long beatTicks) {
    if (inBeat == 0) {
      return WHOLE_BEAT;
    }
    if (inBeat * 2 % beatTicks == 0 || inBeat * 3 % beatTicks == 0) {
      return HALF_OR_THIRD;
    }
    return inBeat * 4 % beatTicks == 0 ? QUARTER : FINER;
  }

  /** Which division a line belongs to alone; {@link Slots#BOTH} where there are several. */
  private byte family(long inBar) {
    byte found = Slots.BOTH;
    for (NoteValue value : settings.grid().values()) {
      if (value.tickOf(Math.round((double) inBar / value.ticks())) == inBar) {
        byte family = familyOf(value.division());
        if (found != Slots.BOTH && found != family) {
          return Slots.BOTH;
        }
        found = family;
      }
    }
    return found;
  }

  private static byte familyOf(NoteValue.Division division) {
    return switch (division) {
      case STRAIGHT, DOTTED -> Slots.STRAIGHT;
      case TRIPLET -> Slots.TRIPLET;
      case FIFTH -> Slots.FIFTHS;
      case SEVENTH -> Slots.SEVENTHS;
    };
  }

  Slots slots() {
    return slots;
  }

  long tick(int slot) {
    return ticks[slot];
  }
}
