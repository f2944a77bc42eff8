package flailbeat.core.edit;

import flailbeat.core.model.Note;
import flailbeat.core.time.TempoMap;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/**
 * What sounds together: notes that begin within {@value #TOGETHER_MS} ms of the first of them are
 * one chord, or one onset. Whoever asks for onsets, for chords or for "the next" asks here, and
 * quantizing goes by the same measures, since chords are never struck at one instant.
 *
 * <p>A pitch that is struck again begins another onset, unless that is a double ({@link Doubles}).
 */
public final class Chords {
  /** How far the notes of a chord may begin apart. */
  public static final double TOGETHER_MS = 25;

  /** Strummed longer, a chord falls apart. */
  public static final int LONGEST_STRUM_MS = 400;

  /** So far apart two notes of a strum may begin. */
  public static final double STRUM_STEP_MS = 220;

  private static final double NANOS_PER_MS = 1e6;

  private Chords() {}

  /**
   * For each note the tick at which the first of its chord begins. O(n).
   *
   * @param notes in order of onset
   */
  public static long[] starts(List<Note> notes, TempoMap tempos) {
    long[] result = new long[notes.size()];
    double began = 0;
    long start = -1;
    double[] ms =
        notes.stream().mapToDouble(n -> tempos.nanosAt(n.onset()) / NANOS_PER_MS).toArray();
    Doubles doubles = new Doubles(ms, i -> notes.get(i).pitch());
    for (int i = 0; i < result.length; i++) {
      int pitch = notes.get(i).pitch();
      boolean struckHere = doubles.wasStruck(pitch);
      boolean apart =
          !doubles.isDouble(pitch, ms[i]) && (struckHere || ms[i] - began > TOGETHER_MS);
      if (start < 0 || apart) {
        start = notes.get(i).onset();
        began = ms[i];
        doubles.beginWith(pitch, ms[i]);
      }
      result[i] = start;
    }
    return result;
  }

  /**
   * For each note the tick at which the chord after its own begins; {@link Long#MAX_VALUE} for
   * those of the last. O(n).
   *
   * @param notes in order of onset
   */
  public static long[] nextStarts(List<Note> notes, TempoMap tempos) {
    long[] starts = starts(notes, tempos);
    long[] result = new long[starts.length];
    long next = Long.MAX_VALUE;
    for (int i = starts.length - 1; i >= 0; i--) {
      boolean last = i + 1 == starts.length || starts[i + 1] == starts[i];
      next = last ? next : starts[i + 1];
      result[i] = next;
    }
    return result;
  }

  /** The chords that some notes make, in order, each from its lowest note to its highest. */
  public static List<List<Note>> of(List<Note> notes, TempoMap tempos) {
    List<Note> inOrder = notes.stream().sorted(Note.ORDER).toList();
    long[] starts = starts(inOrder, tempos);
    List<List<Note>> chords = new ArrayList<>();
    for (int i = 0; i < starts.length; i++) {
      if (i == 0 || starts[i] != starts[i - 1]) {
        chords.add(new ArrayList<>());
      }
      chords.getLast().add(inOrder.get(i));
    }
    chords.forEach(c -> c.sort(Comparator.comparingInt(Note::pitch)));
    return chords;
  }

  /**
   * The same with chords that are strummed: other pitches one after another, no slower than {@value
   * #STRUM_STEP_MS} ms from one to the next and about {@value #LONGEST_STRUM_MS} ms in all, that
   * then sound together for twice as long at least. O(n log n).
   */
  public static List<List<Note>> ofStrummed(List<Note> notes, TempoMap tempos) {
    List<List<Note>> result = new ArrayList<>();
    for (List<Note> chord : of(notes, tempos)) {
      if (!result.isEmpty() && isStrum(result.getLast(), chord, tempos)) {
        List<Note> whole = new ArrayList<>(result.removeLast());
        whole.addAll(chord);
        whole.sort(Comparator.comparingInt(Note::pitch));
        result.add(whole);
      } else {
        result.add(chord);
      }
    }
    return result;
  }

  private static boolean isStrum(List<Note> strummed, List<Note> next, TempoMap tempos) {
    long first = strummed.stream().mapToLong(Note::onset).min().orElseThrow();
    long last = strummed.stream().mapToLong(Note::onset).max().orElseThrow();
    long now = next.stream().mapToLong(Note::onset).min().orElseThrow();
    long end =
        Stream.concat(strummed.stream(), next.stream()).mapToLong(Note::end).min().orElseThrow();
    double took = tempos.millisBetween(first, now);
    return tempos.millisBetween(last, now) <= STRUM_STEP_MS
        && took <= LONGEST_STRUM_MS + STRUM_STEP_MS / 2
        && tempos.millisBetween(now, end) >= 2 * took
        && next.stream().noneMatch(n -> strummed.stream().anyMatch(s -> s.pitch() == n.pitch()));
  }

  /**
   * How many notes each note's chord has, without gathering the chords.
   *
   * @param notes in order of onset
   */
  public static int[] sizes(List<Note> notes, TempoMap tempos) {
    long[] starts = starts(notes, tempos);
    int[] result = new int[starts.length];
    int from = 0;
    for (int to = 1; to <= result.length; to++) {
      if (to == result.length || starts[to] != starts[from]) {
        Arrays.fill(result, from, to, to - from);
        from = to;
      }
    }
    return result;
  }
}
