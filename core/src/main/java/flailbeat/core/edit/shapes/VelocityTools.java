package flailbeat.core.edit.shapes;

import flailbeat.core.edit.Chords;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.MeterMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;

/**
 * What one command does to the velocities of some notes. Each method gives the song it was given
 * where nothing changes; every velocity stays within 1 to 127. O(k log n) for k notes among n.
 */
public final class VelocityTools {
  /** How many places of a beat are told apart. */
  private static final int PLACES = 4;

  private VelocityTools() {}

  /** All as loud as this. */
  public static Song set(Song song, Set<NoteId> ids, int velocity) {
    return to(song, ids, n -> velocity);
  }

  /**
   * Brings velocities nearer to a centre, or farther from it: the distance to it becomes so many
   * hundredths of what it is.
   */
  public static Song squeeze(Song song, Set<NoteId> ids, int centre, int percent) {
    return to(song, ids, squeezed(centre, percent));
  }

  /** How loud {@link #squeeze} makes each note, before it is held within 1 to 127. */
  public static ToDoubleFunction<Note> squeezed(int centre, int percent) {
    return n -> centre + (n.velocity() - centre) * percent / 100.0;
  }

  /** The mean velocity, rounded; 64 of no notes. */
  public static int centre(Song song, Set<NoteId> ids) {
    return centre(NoteEdits.find(song, ids).stream());
  }

  /** The mean velocity, rounded; 64 of no notes. */
  public static int centre(Stream<Note> notes) {
    return (int) Math.round(notes.mapToInt(Note::velocity).average().orElse(64));
  }

  /** From one velocity at the first onset to another at the last, evenly in time. */
  public static Song ramp(Song song, Set<NoteId> ids, int from, int to) {
    List<Note> notes = NoteEdits.find(song, ids);
    if (notes.isEmpty()) {
      return song;
    }
    return to(song, ids, ramped(notes, from, to));
  }

  /**
   * How loud {@link #ramp} makes each of some notes.
   *
   * @param notes in order of onset; one at least
   */
  public static ToDoubleFunction<Note> ramped(List<Note> notes, int from, int to) {
    long first = notes.getFirst().onset();
    long last = notes.getLast().onset();
    Curve curve = Curve.between(first, from, last, to, 0);
    return n -> first == last ? to : curve.valueAt(n.onset());
  }

  /**
   * Along a curve: the notes that begin within it become as loud as it is there, the others stay.
   */
  public static Song along(Song song, Set<NoteId> ids, Curve curve) {
    return to(song, ids, n -> curve.contains(n.onset()) ? curve.valueAt(n.onset()) : n.velocity());
  }

  /** Each as loud as it and its two neighbours in time are in the mean; chords count as one. */
  public static Song smooth(Song song, Set<NoteId> ids) {
    List<Note> notes = NoteEdits.find(song, ids);
    long[] starts = Chords.starts(notes, song.tempos());
    Map<Long, double[]> onsets = new TreeMap<>();
    Map<NoteId, Long> startOf = HashMap.newHashMap(starts.length);
    for (int i = 0; i < starts.length; i++) {
      double[] sum = onsets.computeIfAbsent(starts[i], t -> new double[2]);
      sum[0] += notes.get(i).velocity();
      sum[1]++;
      startOf.put(notes.get(i).id(), starts[i]);
    }
    List<Long> ticks = List.copyOf(onsets.keySet());
    Map<Long, Double> change = new HashMap<>();
    for (int i = 0; i < ticks.size(); i++) {
      double sum = 0;
      int count = 0;
      for (int j = Math.max(0, i - 1); j <= Math.min(ticks.size() - 1, i + 1); j++) {
        sum += mean(onsets.get(ticks.get(j)));
        count++;
      }
      change.put(ticks.get(i), sum / count - mean(onsets.get(ticks.get(i))));
    }
    return to(song, ids, n -> n.velocity() + change.get(startOf.get(n.id())));
  }

  private static double mean(double[] sum) {
    return sum[0] / sum[1];
  }

  /**
   * Louder or softer at random, by so much at the most: what was even becomes a little uneven.
   *
   * @param seed the same gives the same
   */
  public static Song sway(Song song, Set<NoteId> ids, int most, long seed) {
    Random random = new Random(seed);
    Map<NoteId, Integer> by = new HashMap<>();
    for (Note note : NoteEdits.find(song, ids)) {
      by.put(note.id(), random.nextInt(2 * most + 1) - most);
    }
    return to(song, ids, n -> n.velocity() + by.get(n.id()));
  }

  /**
   * Louder on the bar's first beat by so much, by two thirds of it on the beat in the middle of an
   * even bar, by a third on the other beats; softer by a third between the beats. What was played
   * loosely counts for the quarter of a beat that it is nearest to.
   */
  public static Song accents(Song song, Set<NoteId> ids, int by) {
    MeterMap meters = song.meters();
    return to(song, ids, n -> n.velocity() + accent(meters, n.onset()) * by);
  }

  private static double accent(MeterMap meters, long tick) {
    long bar = meters.barStart(meters.barAt(tick));
    long beat = meters.meterAt(tick).ticksPerBeat();
    long place = Math.round((double) (tick - bar) * PLACES / beat);
    if (place % PLACES != 0) {
      return -1 / 3.0;
    }
    int beats = meters.meterAt(tick).beats();
    long number = place / PLACES;
    return number == 0 || number == beats
        ? 1
        : beats % 2 == 0 && number == beats / 2 ? 2 / 3.0 : 1 / 3.0;
  }

  private static Song to(Song song, Set<NoteId> ids, ToDoubleFunction<Note> velocity) {
    return NoteEdits.change(song, ids, n -> n.asLoudAs(velocity.applyAsDouble(n)));
  }
}
