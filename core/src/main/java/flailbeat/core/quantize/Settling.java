package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.quantize.NotePlan.Outcome;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntToLongFunction;
import java.util.stream.IntStream;
import java.util.stream.LongStream;

/**
 * What follows once lines are chosen: which notes are meant, that no two notes of one pitch come to
 * stand on one place, where each note ends, and that none is still held when the next of its pitch
 * begins. O(n log n) at most; O(n) for notes in order with nothing else on their track.
 */
final class Settling {
  private static final int ABSENT = -1;
  private static final int PITCH_SHIFT = 48;

  private final Drafts drafts;
  private final QuantizeSettings settings;
  private final TempoMap tempos;
  private final MeterMap meters;
  private final GridLines lines;
  private final long step;
  private int trimmed;

  Settling(Drafts drafts, QuantizeSettings settings, TempoMap tempos, MeterMap meters) {
    this.drafts = drafts;
    this.settings = settings;
    this.tempos = tempos;
    this.meters = meters;
    this.lines = new GridLines(settings.grid(), meters, settings.swing(), settings.groove());
    this.step = settings.grid().finestTicks();
  }

  /**
   * Settles the drafts.
   *
   * @param others notes of the same track that keep their places
   * @return how many notes were trimmed where the next of their pitch begins
   */
  int settle(List<Note> others) {
    long[] fixed = others.stream().mapToLong(n -> place(n.pitch(), n.onset())).sorted().toArray();
    boolean endsOnly = settings.ends() == QuantizeSettings.Ends.ONLY;
    for (int i = 0; i < drafts.size(); i++) {
      if (endsOnly) {
        drafts.moveTo(i, drafts.note(i).onset());
      } else {
        move(i);
      }
    }
    if (!endsOnly) {
      giveOnce(drafts::line);
      closeChordsOrNot();
      giveOnce(drafts::onset);
      keepClearOfThoseThatStay(fixed);
    }
    end(others);
    trimOverlaps(fixed);
    weigh();
    return trimmed;
  }

  private void move(int i) {
    long freed = drafts.freed(i);
    long line = drafts.line(i);
    if (!isCaught(i, freed, line)) {
      drafts.leaveAt(i, drafts.playedOnset(i), Outcome.OUT_OF_CATCH);
    } else if (isTight(i, freed, line)) {
      drafts.leaveAt(i, freed, Outcome.TIGHT);
    } else {
      drafts.moveTo(i, Math.round(freed + (line - freed) * settings.strength() / 100));
    }
  }

  private boolean isCaught(int i, long freed, long line) {
    QuantizeSettings.NoteFilter filter = settings.filter();
    if (filter.isAll() || drafts.isDecided(i)) {
      return true;
    }
    double within = Math.abs(line - drafts.otherLine(i)) * filter.catchRange() / 200;
    return Math.abs(freed - line) <= within != filter.outside();
  }

  private boolean isTight(int i, long freed, long line) {
    double tight = settings.filter().tightMs();
    return tight > 0 && !drafts.isDecided(i) && Math.abs(tempos.millisBetween(freed, line)) < tight;
  }

  /** The notes of a chord that go to one line may keep their distances. */
  private void closeChordsOrNot() {
    if (settings.chords() == QuantizeSettings.Chords.CLOSE) {
      return;
    }
    Events events = new Events(drafts, tempos);
    int from = 0;
    for (int i = 1; i <= drafts.size(); i++) {
      boolean ends = i == drafts.size() || events.of(i) != events.of(from);
      if (ends && i - from > 1) {
        keepTogether(from, i);
      }
      from = ends ? i : from;
    }
  }

  private void keepTogether(int from, int end) {
    double mean = 0;
    for (int i = from; i < end; i++) {
      mean += (double) drafts.freed(i) / (end - from);
    }
    double move = (drafts.line(from) - mean) * settings.strength() / 100;
    for (int i = from; i < end; i++) {
      if (drafts.goesToLine(i) && drafts.line(i) == drafts.line(from)) {
        drafts.moveTo(i, Math.round(drafts.freed(i) + move));
      }
    }
  }

  /**
   * No two go to one line, or come to stand on one place: the first in order of the times as played
   * has it, unless a later one was played just on its line.
   */
  private void giveOnce(IntToLongFunction tickOf) {
    IntToLongFunction placeOf = i -> place(drafts.pitch(i), tickOf.applyAsLong(i));
    Holders holders = isInOrder(tickOf) ? new Latest() : new Places(drafts.size());
    for (int i = 0; i < drafts.size(); i++) {
      if (!drafts.goesToLine(i)) {
        continue;
      }
      int holder = holders.putIfAbsent(placeOf.applyAsLong(i), i);
      if (holder == ABSENT) {
        continue;
      }
      if (isPlayedOnLine(i) && !isPlayedOnLine(holder)) {
        stay(holder);
        holders.replace(placeOf.applyAsLong(i), i);
      } else {
        stay(i);
      }
    }
  }

  /** Whether the notes of each pitch keep their order: then only the one before can be met. */
  private boolean isInOrder(IntToLongFunction tickOf) {
    long[] latest = new long[Pitch.HIGHEST + 1];
    for (int i = 0; i < drafts.size(); i++) {
      long tick = tickOf.applyAsLong(i);
      if (drafts.goesToLine(i)) {
        if (tick < latest[drafts.pitch(i)]) {
          return false;
        }
        latest[drafts.pitch(i)] = tick;
      }
    }
    return true;
  }

  private boolean isPlayedOnLine(int i) {
    return drafts.playedOnset(i) == drafts.line(i);
  }

  private void stay(int i) {
    drafts.leaveAt(i, drafts.playedOnset(i), Outcome.LINE_TAKEN);
  }

  /**
   * A note that moves must not land on one of its pitch that does not; then it stays as well, and
   * whoever wanted its place does. O(n).
   */
  private void keepClearOfThoseThatStay(long[] fixed) {
    if (nobodyLandsOn(fixed)) {
      return;
    }
    Places movers = new Places(drafts.size());
    for (int i = 0; i < drafts.size(); i++) {
      if (drafts.goesToLine(i)) {
        movers.putIfAbsent(place(i), i);
      }
    }
    for (long place : fixed) {
      stayAway(place, movers);
    }
    for (int i = 0; i < drafts.size(); i++) {
      if (!drafts.goesToLine(i)) {
        stayAway(place(i), movers);
      }
    }
  }

  /** As it nearly always is: those that stay are few, and quicker to look among than all. */
  private boolean nobodyLandsOn(long[] fixed) {
    LongStream stay =
        IntStream.range(0, drafts.size()).filter(i -> !drafts.goesToLine(i)).mapToLong(this::place);
    long[] taken = LongStream.concat(LongStream.of(fixed), stay).toArray();
    Places held = new Places(taken.length);
    for (int i = 0; i < taken.length; i++) {
      held.putIfAbsent(taken[i], i);
    }
    for (int i = 0; i < drafts.size() && taken.length > 0; i++) {
      if (drafts.goesToLine(i) && held.holder(place(i)) != ABSENT) {
        return false;
      }
    }
    return true;
  }

  private void stayAway(long taken, Places movers) {
    int next = movers.holder(taken);
    while (next != ABSENT && drafts.goesToLine(next)) {
      stay(next);
      next = movers.holder(place(next));
    }
  }

  private long place(int i) {
    return place(drafts.pitch(i), drafts.onset(i));
  }

  /** A pitch with a tick from 0 on, in one number: in order of pitch, then of time. */
  static long place(int pitch, long onset) {
    return (long) pitch << PITCH_SHIFT | onset;
  }

  /**
   * The first tick after one at which a pitch has a place; {@link Long#MAX_VALUE} where it has
   * none. O(log n).
   *
   * @param places in order
   */
  static long nextOfPitch(long[] places, int pitch, long tick) {
    int at = Arrays.binarySearch(places, place(pitch, tick) + 1);
    int next = at < 0 ? -at - 1 : at;
    return next < places.length && places[next] >> PITCH_SHIFT == pitch
        ? places[next] & (1L << PITCH_SHIFT) - 1
        : Long.MAX_VALUE;
  }

  private void end(List<Note> others) {
    if (settings.ends() == QuantizeSettings.Ends.MEANT) {
      drafts.setEnds(new MeantEnds(drafts, others, lines, tempos, meters));
    }
    GridLines.Walker walker = lines.walker();
    for (int i = 0; i < drafts.size(); i++) {
      long asPlayed = drafts.lengthAsPlayed(i);
      drafts.setLength(i, drafts.goesToLine(i) ? lengthOf(i, asPlayed, walker) : asPlayed);
    }
  }

  private long lengthOf(int i, long asPlayed, GridLines.Walker walker) {
    double strength = settings.strength() / 100;
    long release = drafts.freed(i) + drafts.playedLength(i);
    long least = Math.min(asPlayed, settings.filter().leastLength());
    return switch (settings.ends()) {
      case KEEP -> asPlayed;
      case STAY ->
          Math.max(least, drafts.playedOnset(i) + drafts.playedLength(i) - drafts.onset(i));
      case LENGTHS -> {
        long whole = Math.max(1, Math.round((double) asPlayed / step)) * step;
        yield Math.max(least, Math.round(asPlayed + (whole - asPlayed) * strength));
      }
      case MEANT -> {
        long end = Math.round(release + (drafts.meantEnd(i) - release) * strength);
        yield drafts.isPut(i) ? asPlayed : Math.max(least, end - drafts.onset(i));
      }
      case SNAP, ONLY -> {
        walker.find(release);
        long end = Math.round(release + (walker.line() - release) * strength);
        yield Math.max(Math.max(least, Math.round(step * strength)), end - drafts.onset(i));
      }
    };
  }

  /**
   * A key can be pressed again only once it is up: a note ends where the next of its pitch begins.
   */
  private void trimOverlaps(long[] fixed) {
    int[] last = new int[Pitch.HIGHEST + 1];
    Arrays.fill(last, ABSENT);
    for (int i = 0; i < drafts.size(); i++) {
      int pitch = drafts.pitch(i);
      int before = last[pitch];
      if (before != ABSENT) {
        boolean inOrder = drafts.onset(before) <= drafts.onset(i);
        trim(inOrder ? before : i, drafts.onset(inOrder ? i : before));
        last[pitch] = inOrder ? i : before;
      } else {
        last[pitch] = i;
      }
      trimAtOthers(i, pitch, fixed);
    }
  }

  private void trimAtOthers(int i, int pitch, long[] fixed) {
    if (fixed.length > 0) {
      // Where there is none, nothing reaches so far.
      trim(i, nextOfPitch(fixed, pitch, drafts.onset(i)));
    }
  }

  /** Notes that overlapped where they stood, and are not changed, are left alone. */
  private void trim(int i, long next) {
    boolean overlaps = drafts.onset(i) < next && drafts.onset(i) + drafts.length(i) > next;
    if (overlaps && drafts.changes(i)) {
      drafts.setLength(i, next - drafts.onset(i));
      trimmed++;
    }
  }

  private void weigh() {
    if (settings.groove().velocityShare() == 0) {
      return;
    }
    for (int i = 0; i < drafts.size(); i++) {
      if (drafts.goesToLine(i)) {
        drafts.setVelocity(
            i, settings.groove().velocity(drafts.note(i).velocity(), drafts.line(i), meters));
      }
    }
  }

  /** Which draft has a place. */
  private interface Holders {
    /** The one who has it already; {@link #ABSENT} when it was free. */
    int putIfAbsent(long place, int holder);

    void replace(long place, int holder);
  }

  /** Where the notes of each pitch come in order, the latest of each is enough. */
  private static final class Latest implements Holders {
    private final long[] places = new long[Pitch.HIGHEST + 1];
    private final int[] holders = new int[Pitch.HIGHEST + 1];

    Latest() {
      Arrays.fill(places, ABSENT);
    }

    @Override
    public int putIfAbsent(long place, int holder) {
      int pitch = (int) (place >> PITCH_SHIFT);
      if (places[pitch] == place) {
        return holders[pitch];
      }
      places[pitch] = place;
      holders[pitch] = holder;
      return ABSENT;
    }

    @Override
    public void replace(long place, int holder) {
      holders[(int) (place >> PITCH_SHIFT)] = holder;
    }
  }

  /** A table with open addressing, since there may be a million. */
  private static final class Places implements Holders {
    private final long[] keys;
    private final int[] holders;
    private final int mask;

    Places(int count) {
      int size = Integer.highestOneBit(Math.max(4, count)) * 4;
      keys = new long[size];
      holders = new int[size];
      mask = size - 1;
      Arrays.fill(holders, ABSENT);
    }

    @Override
    public int putIfAbsent(long key, int holder) {
      int at = slot(key);
      if (holders[at] == ABSENT) {
        keys[at] = key;
        holders[at] = holder;
        return ABSENT;
      }
      return holders[at];
    }

    @Override
    public void replace(long key, int holder) {
      holders[slot(key)] = holder;
    }

    /** Who has a place; {@link #ABSENT} for none. */
    int holder(long key) {
      return holders[slot(key)];
    }

    private int slot(long key) {
      long mixed = key * 0x9E3779B97F4A7C15L;
      int at = (int) (mixed >>> 32) & mask;
      while (holders[at] != ABSENT && keys[at] != key) {
        at = at + 1 & mask;
      }
      return at;
    }
  }
}
