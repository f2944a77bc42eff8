package flailbeat.core.quantize.beat;

import flailbeat.core.edit.Chords;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;

/**
 * Strokes of one kind: a part's own, or those of one drum, or where its harmony changes. Rhythms
 * are told apart by such rows, since each repeats in its own way.
 *
 * @param ms when each comes, in order
 * @param kind what they are
 * @param loud how much louder each is than is usual there, in velocities
 * @param lengthMs how long each is held
 * @param lowest the lowest pitch of each
 * @param classes the pitch classes of each, as bits
 */
record Row(double[] ms, Kind kind, double[] loud, double[] lengthMs, int[] lowest, int[] classes) {
  /** What strokes are of, and where they are usual (common practice). */
  enum Kind {
    NOTES(0.85, 0.68, 0.48, 0.2, 0.4),
    KICK(0.92, 0.35, 0.15, 0.06, 0.1),
    SNARE(0.06, 0.5, 0.1, 0.06, 0.06),
    DRUM(0.85, 0.85, 0.7, 0.3, 0.7),
    /** Those that are louder than others of the part. */
    ACCENT(0.6, 0.35, 0.12, 0.06, 0.08),
    /** Those that are held longer than others of the part. */
    LONG(0.55, 0.25, 0.1, 0.06, 0.08),
    /** Where a part strikes another chord, or a bass another note. */
    CHANGE(0.6, 0.1, 0.03, 0.02, 0.02);

    private final double[] chances;

    Kind(double... chances) {
      this.chances = chances;
    }

    /**
     * How likely one is on the bar line, on another beat, half way between beats, elsewhere, on a
     * third of a beat.
     */
    double[] chances() {
      return chances;
    }
  }

  private static final int BASS = 52;

  /** Velocities that differ by less say nothing. */
  private static final double LEAST_ACCENT = 3;

  private static final double LONG = 1.5;

  private static final int CLASSES = 12;

  int size() {
    return ms.length;
  }

  /** Whether its strokes are those of another row over again. */
  boolean isDerived() {
    return kind == Kind.CHANGE || isAside();
  }

  /** Whether it holds those of a part's strokes that stand out. */
  boolean isAside() {
    return kind == Kind.ACCENT || kind == Kind.LONG;
  }

  /** The rows of a part; those with fewer than two strokes are none. */
  static List<Row> of(Voice voice) {
    List<int[]> strokes = strokes(voice);
    List<Row> result = new ArrayList<>();
    if (voice.drums()) {
      for (Kind kind : new Kind[] {Kind.KICK, Kind.SNARE, Kind.DRUM}) {
        List<int[]> own = new ArrayList<>();
        for (int i = 0; i < voice.size(); i++) {
          if (kindOf(voice.pitch()[i]) == kind) {
            own.add(new int[] {i, i + 1});
          }
        }
        result.add(row(voice, kind, apart(voice, own)));
      }
    } else {
      result.add(row(voice, Kind.NOTES, strokes));
      result.add(row(voice, Kind.CHANGE, changes(voice, strokes)));
    }
    List<Row> loud = result.stream().filter(r -> r.kind() != Kind.CHANGE).toList();
    loud.forEach(r -> result.add(r.accents()));
    if (!voice.drums()) {
      loud.forEach(r -> result.add(r.longOnes()));
    }
    result.removeIf(r -> r.size() < 2);
    return result;
  }

  /** Its strokes that are clearly louder than most; none where all are about as loud. */
  private Row accents() {
    double sum = Arrays.stream(loud).map(l -> l * l).sum();
    double spread = Math.sqrt(sum / Math.max(1, size()));
    return some(Kind.ACCENT, i -> spread >= LEAST_ACCENT && loud[i] > spread / 2);
  }

  /** Its strokes that are clearly longer than most. */
  private Row longOnes() {
    double[] sorted = Arrays.stream(lengthMs).sorted().toArray();
    double middle = sorted.length == 0 ? 0 : sorted[sorted.length / 2];
    return some(Kind.LONG, i -> lengthMs[i] > LONG * middle);
  }

  /** Its strokes from a moment on. */
  Row from(double moment) {
    return some(kind, i -> ms[i] >= moment);
  }

  private Row some(Kind as, IntPredicate which) {
    int[] chosen = IntStream.range(0, size()).filter(which).toArray();
    return new Row(
        Arrays.stream(chosen).mapToDouble(i -> ms[i]).toArray(),
        as,
        Arrays.stream(chosen).mapToDouble(i -> loud[i]).toArray(),
        Arrays.stream(chosen).mapToDouble(i -> lengthMs[i]).toArray(),
        Arrays.stream(chosen).map(i -> lowest[i]).toArray(),
        Arrays.stream(chosen).map(i -> classes[i]).toArray());
  }

  private static Kind kindOf(int pitch) {
    return switch (pitch) {
      case 35, 36 -> Kind.KICK;
      case 37, 38, 39, 40 -> Kind.SNARE;
      default -> Kind.DRUM;
    };
  }

  /** Notes that are struck together, as ranges of numbers. */
  private static List<int[]> strokes(Voice voice) {
    List<int[]> result = new ArrayList<>();
    int from = 0;
    for (int i = 1; i <= voice.size(); i++) {
      if (i == voice.size() || voice.ms()[i] - voice.ms()[from] > Chords.TOGETHER_MS) {
        result.add(new int[] {from, i});
        from = i;
      }
    }
    return result;
  }

  /** Those that do not follow another at once: two drums of a kind are one stroke. */
  private static List<int[]> apart(Voice voice, List<int[]> strokes) {
    List<int[]> result = new ArrayList<>();
    double last = Double.NEGATIVE_INFINITY;
    for (int[] stroke : strokes) {
      double at = voice.ms()[stroke[0]];
      if (at - last > Chords.TOGETHER_MS) {
        result.add(stroke);
        last = at;
      }
    }
    return result;
  }

  /** Where chords, or the notes of a bass, are others than before. */
  private static List<int[]> changes(Voice voice, List<int[]> strokes) {
    List<int[]> result = new ArrayList<>();
    int before = 0;
    for (int[] stroke : strokes) {
      int bits = 0;
      int lowest = 127;
      for (int i = stroke[0]; i < stroke[1]; i++) {
        bits |= 1 << voice.pitch()[i] % CLASSES;
        lowest = Math.min(lowest, voice.pitch()[i]);
      }
      if (isHarmony(bits, lowest) && bits != before) {
        result.add(stroke);
        before = bits;
      }
    }
    return result;
  }

  /** Whether a stroke is one of several pitch classes, or of a bass. */
  private static boolean isHarmony(int classes, int lowest) {
    return Integer.bitCount(classes) > 1 || lowest < BASS;
  }

  /** Whether a stroke of a part says what its harmony is. */
  boolean isHarmony(int stroke) {
    return kind == Kind.NOTES && isHarmony(classes[stroke], lowest[stroke]);
  }

  private static Row row(Voice voice, Kind kind, List<int[]> strokes) {
    int n = strokes.size();
    double[] ms = new double[n];
    double[] loud = new double[n];
    double[] length = new double[n];
    int[] lowest = new int[n];
    int[] classes = new int[n];
    for (int s = 0; s < n; s++) {
      lowest[s] = 127;
      for (int i = strokes.get(s)[0]; i < strokes.get(s)[1]; i++) {
        ms[s] += voice.ms()[i] / (strokes.get(s)[1] - strokes.get(s)[0]);
        loud[s] = Math.max(loud[s], voice.velocity()[i]);
        length[s] = Math.max(length[s], voice.lengthMs()[i]);
        lowest[s] = Math.min(lowest[s], voice.pitch()[i]);
        classes[s] |= 1 << voice.pitch()[i] % CLASSES;
      }
    }
    double mean = Arrays.stream(loud).average().orElse(0);
    for (int s = 0; s < n; s++) {
      loud[s] -= mean;
    }
    return new Row(ms, kind, loud, length, lowest, classes);
  }
}
