package flailbeat.core.quantize;

import flailbeat.core.edit.ClipEdits;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.model.Note;
import flailbeat.core.model.Placed;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.quantize.lag.FoundLag;
import flailbeat.core.quantize.lag.LagPrior;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.TickRange;
import flailbeat.core.work.InOrder;
import java.util.AbstractList;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongToIntFunction;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/**
 * What quantizing would do, before it is done. Immutable. Its numbers lie in arrays side by side,
 * since there may be a million notes; {@link #notes()} shows them note by note.
 */
public final class QuantizePlan {
  /** A plan for no notes. */
  public static final QuantizePlan NONE =
      new QuantizePlan(
          new Drafts(List.of()), Timing.of(new double[0]), FoundLag.NONE, List.of(), 0);

  /** Up to so many names for each note, an array is used to find them. */
  private static final int DENSE = 8;

  private static final int ABSENT = -1;

  private final Drafts drafts;
  private final Timing timing;
  private final FoundLag lag;
  private final List<WholeReading> readings;
  private final int trimmed;

  QuantizePlan(
      Drafts drafts, Timing timing, FoundLag lag, List<WholeReading> readings, int trimmed) {
    this.trimmed = trimmed;
    this.readings = List.copyOf(readings);
    this.drafts = drafts;
    this.timing = timing;
    this.lag = lag;
  }

  /** One plan for each note, in order of the times as played: a view, made anew at each look. */
  public List<NotePlan> notes() {
    return new AbstractList<>() {
      @Override
      public NotePlan get(int i) {
        return drafts.plan(i, timing);
      }

      @Override
      public int size() {
        return drafts.size();
      }
    };
  }

  /** Of those, the ones that were played in a stretch. O(log n) to find them. */
  public List<NotePlan> notesIn(TickRange range) {
    return notes().subList(firstPlayedFrom(range.start()), firstPlayedFrom(range.end()));
  }

  private int firstPlayedFrom(long tick) {
    return InOrder.countPassing(drafts.size(), i -> drafts.playedOnset(i) < tick);
  }

  /** How they were played, against the lines chosen. */
  public Timing timing() {
    return timing;
  }

  /** How far a note was played from its line; negative is early. Of those that were put 0. */
  double deviationMs(int i) {
    return drafts.isPut(i) ? 0 : drafts.fromLineMs(i);
  }

  /** The notes that were played between so many ms off their lines. */
  public List<Note> deviating(double fromMs, double toMs) {
    return IntStream.range(0, drafts.size())
        .filter(i -> !drafts.isPut(i))
        .filter(i -> drafts.fromLineMs(i) >= fromMs && drafts.fromLineMs(i) <= toMs)
        .mapToObj(drafts::note)
        .toList();
  }

  /** The lag that was taken out before lines were chosen. */
  public double removedLagMs() {
    return lag.removedMs();
  }

  /** What was expected of the lag; that of anybody where lines are chosen note by note. */
  public LagPrior expectedLag() {
    return lag.expected();
  }

  /**
   * The ways to understand the whole that were weighed, the one taken first; none where lines are
   * chosen note by note.
   */
  public List<WholeReading> readings() {
    return readings;
  }

  /** Other ways to understand the whole that are to be told, the likeliest first. */
  public List<WholeReading> otherReadings() {
    return readings.stream().skip(1).filter(r -> r.weight() >= PLAUSIBLE).toList();
  }

  /** A reading of the whole that is at least so likely is told. */
  public static final double PLAUSIBLE = 0.05;

  /**
   * A grid with its swing, of which a way to understand the whole may have its own.
   *
   * @param swing 50 (even) to 75 per cent
   */
  public record Lines(Grid grid, double swing) {
    /** Such as {@code 1/8, 62 % swing} and {@code 1/8, no swing}. */
    @Override
    public String toString() {
      return grid
          + (swing == GridLines.EVEN ? ", no swing" : ", " + Math.round(swing) + " % swing");
    }
  }

  /**
   * A way to understand the whole.
   *
   * @param lagMs how late everything would then have been; negative is early
   * @param weight how probable it is, 0 to 1
   * @param slots how many lines later it puts the whole than the one that was taken
   * @param lines the lines that it is meant for, where these are others than were asked for
   */
  public record WholeReading(double lagMs, double weight, int slots, Optional<Lines> lines) {
    private static final double SURE = 0.95;

    /** On the lines that were asked for. */
    public WholeReading(double lagMs, double weight, int slots) {
      this(lagMs, weight, slots, Optional.empty());
    }

    /** Its share in whole per cents, of which none is certain and none impossible: 1 to 99. */
    public int percent() {
      return Math.clamp(Math.round(100 * weight), 1, 99);
    }

    WholeReading scaledBy(double share) {
      return new WholeReading(lagMs, share * weight, slots, lines);
    }

    /** Whether it is next to sure, so that other things may be built on it. */
    public boolean isSure() {
      return weight > SURE;
    }
  }

  /** How many notes would stand elsewhere or last otherwise. */
  public int moved() {
    int moved = 0;
    for (int i = 0; i < drafts.size(); i++) {
      moved += drafts.changes(i) ? 1 : 0;
    }
    return moved;
  }

  /** How many notes are shortened, since the next of their pitch begins. */
  public int trimmed() {
    return trimmed;
  }

  /** How many notes stop short of where they would go, so as to keep their program. */
  public int held() {
    int held = 0;
    for (int i = 0; i < drafts.size(); i++) {
      held += drafts.isHeld(i) ? 1 : 0;
    }
    return held;
  }

  public int doubtful() {
    return (int) notes().stream().filter(NotePlan::isDoubtful).count();
  }

  /** How many notes may be meant to end elsewhere. */
  public int doubtfulEnds() {
    return drafts.hasEnds()
        ? (int) notes().stream().filter(n -> n.meant().isDoubtful()).count()
        : 0;
  }

  public int count(NotePlan.Outcome outcome) {
    return (int) notes().stream().filter(n -> n.outcome() == outcome).count();
  }

  /** The song with the plan carried out: the same song when nothing changes. O(n). */
  public Song applyTo(Song song) {
    return NoteEdits.put(song, changed());
  }

  /** As {@link #applyTo(Song)}, with the sustain pedal of their track moved along. */
  public Song applyTo(Song song, TrackId track) {
    Placed placed = song.track(track).map(Track::placed).orElseThrow();
    return ClipEdits.put(
        song,
        changed(),
        new PedalsAlong(drafts, placed.notes()).move(placed.controls(), song.tempos()));
  }

  /** The notes that would stand elsewhere, last otherwise or sound otherwise, as they would be. */
  private List<Note> changed() {
    List<Note> result = new ArrayList<>();
    for (int i = 0; i < drafts.size(); i++) {
      if (drafts.changes(i)) {
        result.add(drafts.result(i));
      }
    }
    return result;
  }

  /** Gives each note as it would stand; a note that is not in the plan, or stays, as it is. */
  public UnaryOperator<Note> mover() {
    LongToIntFunction indexOf = index();
    return note -> {
      int i = indexOf.applyAsInt(note.id().value());
      return i == ABSENT ? note : drafts.result(i);
    };
  }

  /** Notes that were made together have names in a row: an array finds them quickest. */
  private LongToIntFunction index() {
    long first = Long.MAX_VALUE;
    long last = Long.MIN_VALUE;
    for (int i = 0; i < drafts.size(); i++) {
      first = Math.min(first, drafts.note(i).id().value());
      last = Math.max(last, drafts.note(i).id().value());
    }
    return last - first < (long) DENSE * drafts.size() ? byPlace(first, last) : byName();
  }

  private LongToIntFunction byPlace(long first, long last) {
    int[] places = new int[(int) Math.max(0, last - first + 1)];
    for (int i = 0; i < drafts.size(); i++) {
      places[(int) (drafts.note(i).id().value() - first)] = i + 1;
    }
    return id -> id < first || id > last ? ABSENT : places[(int) (id - first)] - 1;
  }

  private LongToIntFunction byName() {
    Map<Long, Integer> places = HashMap.newHashMap(drafts.size());
    for (int i = 0; i < drafts.size(); i++) {
      places.put(drafts.note(i).id().value(), i);
    }
    return id -> places.getOrDefault(id, ABSENT);
  }
}
