package flailbeat.core.harmony;

import flailbeat.core.model.Note;
import flailbeat.core.pitch.KeyMap;
import flailbeat.core.pitch.KeySignature;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Finds the chords of music over time: one for each change. The music is cut at its beats. In each
 * slice every chord says how well it explains what sounds there; to change costs something, least
 * at a bar line; the likeliest way through all slices is found by dynamic programming (A. Viterbi,
 * IEEE Transactions on Information Theory 13, 1967), as in A. Sheh and D. Ellis, Chord segmentation
 * and recognition using EM-trained hidden Markov models, ISMIR 2003. What holds from change to
 * change is then named by all that sounds in it ({@link ChordNamer}).
 *
 * <p>O(beats x chords + notes). It keeps what it found: where a song was changed a little, only the
 * slices that are other are weighed anew.
 */
public final class ChordFinder {
  /** Kinds that are told apart over time; the others are found as what they are richer than. */
  private static final ChordKind[] KINDS = {
    ChordKind.MAJOR,
    ChordKind.MINOR,
    ChordKind.DIMINISHED,
    ChordKind.AUGMENTED,
    ChordKind.SUSPENDED_FOURTH,
    ChordKind.SUSPENDED_SECOND,
    ChordKind.SIXTH,
    ChordKind.MINOR_SIXTH,
    ChordKind.SEVENTH,
    ChordKind.MAJOR_SEVENTH,
    ChordKind.MINOR_SEVENTH,
    ChordKind.HALF_DIMINISHED,
    ChordKind.DIMINISHED_SEVENTH,
    ChordKind.NINTH,
    ChordKind.MAJOR_NINTH,
    ChordKind.MINOR_NINTH,
    ChordKind.THIRTEENTH
  };

  private static final int CHORDS = KINDS.length * Pitch.OCTAVE;
  private static final int SILENCE = CHORDS;
  private static final int STATES = CHORDS + 1;

  /** How much of what sounds belongs to the chord, and how much more the root than another. */
  private static final double INSIDE = 0.9;

  private static final double ROOT = 1.25;

  /** What a slice that is full of sound weighs. */
  private static final float EVIDENCE = 6;

  private static final float BASS_IS_ROOT = 1.8f;
  private static final float BASS_IS_TONE = 0.2f;
  private static final float BASS_IS_FOREIGN = -0.6f;
  private static final float SILENT = 1;
  private static final float SOUNDING = -3;
  private static final float CHANGE_AT_BAR = 3;
  private static final float CHANGE_AT_BEAT = 5.5f;

  /** Where all that sounds is new, a change costs so much less. */
  private static final float NEW = 2.5f;

  /** What sounds for less of the time is passing. */
  private static final double PASSING = 0.08;

  /** The bass is told where it holds so much of the time. */
  private static final double BASS_HOLDS = 0.6;

  private static final double LEAST_SHARE = 0.04;
  private static final int MOST_TOLD = 4;

  /** For each pitch class how well it fits each chord. */
  private static final float[][] LOGS = logs();

  private static final float[][] BASS_FITS = bassFits();
  private static final float[] RARITY = rarities();

  /** What was named before: a song has few chords, and each of them often. */
  private record Asked(int bits, int bass, Optional<KeySignature> key) {}

  private final Map<Asked, List<ChordReading>> named = new HashMap<>();
  private Optional<Slices> slices = Optional.empty();
  private float[][] weighed = new float[0][];

  private static float[][] logs() {
    float[][] result = new float[Pitch.OCTAVE][CHORDS];
    for (int chord = 0; chord < CHORDS; chord++) {
      ChordKind kind = KINDS[chord / Pitch.OCTAVE];
      int root = chord % Pitch.OCTAVE;
      int tones = kind.degrees().size();
      double each = INSIDE / (tones - 1 + ROOT);
      double outside = (1 - INSIDE) / (Pitch.OCTAVE - tones);
      for (int pitch = 0; pitch < Pitch.OCTAVE; pitch++) {
        int above = Math.floorMod(pitch - root, Pitch.OCTAVE);
        boolean inside = (kind.bits() >> above & 1) == 1;
        double share = above == 0 ? each * ROOT : inside ? each : outside;
        result[pitch][chord] = (float) Math.log(share * Pitch.OCTAVE);
      }
    }
    return result;
  }

  /**
   * The chords of a stretch, without gaps, in order; those that are none are told as such.
   *
   * @param sounding what sounds, in order of onset; no drums
   * @param range whole beats
   * @param keys spell what is found
   */
  public List<ChordSpan> find(List<Note> sounding, MeterMap meters, KeyMap keys, TickRange range) {
    return find(Slices.of(sounding, meters, range), keys);
  }

  /** The same of music that was cut at its beats. */
  List<ChordSpan> find(Slices now, KeyMap keys) {
    if (now.size() == 0) {
      return List.of();
    }
    weigh(now);
    int[] path = likeliest(now);
    List<ChordSpan> result = new ArrayList<>();
    int from = 0;
    for (int to = 1; to <= path.length; to++) {
      if (to == path.length || path[to] != path[from]) {
        TickRange span = new TickRange(now.start(from), now.end(to - 1));
        List<ChordReading> readings =
            path[from] == SILENCE
                ? List.of()
                : readings(now, from, to, path[from], keys.at(span.start()));
        result.add(new ChordSpan(span, readings, false));
        from = to;
      }
    }
    return result;
  }

  /** Weighs the slices; those that were the same at the same place before are not weighed again. */
  private void weigh(Slices now) {
    float[][] result = new float[now.size()][];
    int same = 0;
    int least = Math.min(now.size(), weighed.length);
    while (same < least && Slices.isSame(now, same, slices.orElseThrow(), same)) {
      result[same] = weighed[same];
      same++;
    }
    int shift = weighed.length - now.size();
    int last = now.size() - 1;
    while (last >= same
        && last + shift >= 0
        && Slices.isSame(now, last, slices.orElseThrow(), last + shift)) {
      result[last] = weighed[last + shift];
      last--;
    }
    for (int slice = same; slice <= last; slice++) {
      result[slice] = weigh(now.weights(slice), now.bass(slice));
    }
    slices = Optional.of(now);
    weighed = result;
  }

  private static float[] weigh(float[] weights, int bass) {
    float[] result = new float[STATES];
    float sum = 0;
    for (float weight : weights) {
      sum += weight;
    }
    if (sum <= 0) {
      result[SILENCE] = SILENT;
      return result;
    }
    result[SILENCE] = SOUNDING;
    float scale = EVIDENCE * Math.min(1, sum) / sum;
    for (int pitch = 0; pitch < Pitch.OCTAVE; pitch++) {
      float weight = weights[pitch] * scale;
      if (weight > 0) {
        float[] logs = LOGS[pitch];
        for (int chord = 0; chord < CHORDS; chord++) {
          result[chord] += weight * logs[chord];
        }
      }
    }
    if (bass != Slices.NO_BASS) {
      float[] fits = BASS_FITS[bass];
      for (int chord = 0; chord < CHORDS; chord++) {
        result[chord] += fits[chord];
      }
    }
    return result;
  }

  private static float[][] bassFits() {
    float[][] result = new float[Pitch.OCTAVE][CHORDS];
    for (int bass = 0; bass < Pitch.OCTAVE; bass++) {
      for (int chord = 0; chord < CHORDS; chord++) {
        result[bass][chord] = bassFit(chord, bass);
      }
    }
    return result;
  }

  private static float bassFit(int chord, int bass) {
    int above = Math.floorMod(bass - chord % Pitch.OCTAVE, Pitch.OCTAVE);
    boolean inside = (KINDS[chord / Pitch.OCTAVE].bits() >> above & 1) == 1;
    return above == 0 ? BASS_IS_ROOT : inside ? BASS_IS_TONE : BASS_IS_FOREIGN;
  }

  private static float[] rarities() {
    float[] result = new float[STATES];
    for (int chord = 0; chord < CHORDS; chord++) {
      result[chord] = (float) KINDS[chord / Pitch.OCTAVE].rarity();
    }
    return result;
  }

  private int[] likeliest(Slices now) {
    short[][] before = new short[now.size()][STATES];
    float[] best = weighed[0].clone();
    for (int state = 0; state < STATES; state++) {
      best[state] -= RARITY[state];
    }
    for (int slice = 1; slice < now.size(); slice++) {
      int top = indexOfMost(best);
      float cost = now.isAtBar(slice) ? CHANGE_AT_BAR : CHANGE_AT_BEAT;
      float change = best[top] - cost + NEW * now.novelty(slice);
      float[] next = new float[STATES];
      for (int state = 0; state < STATES; state++) {
        float changed = change - RARITY[state];
        boolean stays = best[state] >= changed;
        before[slice][state] = (short) (stays ? state : top);
        next[state] = (stays ? best[state] : changed) + weighed[slice][state];
      }
      best = next;
    }
    int[] path = new int[now.size()];
    path[path.length - 1] = indexOfMost(best);
    for (int slice = path.length - 1; slice > 0; slice--) {
      path[slice - 1] = before[slice][path[slice]];
    }
    return path;
  }

  private static int indexOfMost(float[] values) {
    int most = 0;
    for (int i = 1; i < values.length; i++) {
      if (values[i] > values[most]) {
        most = i;
      }
    }
    return most;
  }

  /** What a stretch may be called: by all that sounds in it, else by the chord that was found. */
  private List<ChordReading> readings(
      Slices now, int from, int to, int found, Optional<KeySignature> key) {
    double[] weights = new double[Pitch.OCTAVE];
    double[] basses = new double[Pitch.OCTAVE];
    for (int slice = from; slice < to; slice++) {
      for (int pitch = 0; pitch < Pitch.OCTAVE; pitch++) {
        weights[pitch] += now.weights(slice)[pitch];
      }
      if (now.bass(slice) != Slices.NO_BASS) {
        basses[now.bass(slice)] += now.end(slice) - now.start(slice);
      }
    }
    int root = found % Pitch.OCTAVE;
    int bass = bassOf(basses, root);
    List<ChordReading> names = named(weights, bass, key);
    boolean agrees = !names.isEmpty() && names.getFirst().chord().rootClass() == root;
    return agrees ? names : weighed(from, to, bass, key);
  }

  private static int bassOf(double[] basses, int root) {
    double sum = Arrays.stream(basses).sum();
    for (int pitch = 0; pitch < Pitch.OCTAVE; pitch++) {
      if (basses[pitch] > BASS_HOLDS * sum) {
        return pitch;
      }
    }
    return root;
  }

  private List<ChordReading> named(double[] weights, int bass, Optional<KeySignature> key) {
    double sum = Arrays.stream(weights).sum();
    int bits = 1 << bass;
    for (int pitch = 0; pitch < Pitch.OCTAVE; pitch++) {
      bits |= weights[pitch] > PASSING * sum ? 1 << pitch : 0;
    }
    return named.computeIfAbsent(
        new Asked(bits, bass, key), a -> ChordNamer.names(a.bits(), a.bass(), a.key()));
  }

  private record State(int chord, double weight) {}

  private List<ChordReading> weighed(int from, int to, int bass, Optional<KeySignature> key) {
    List<State> states = new ArrayList<>();
    double most = Double.NEGATIVE_INFINITY;
    for (int chord = 0; chord < CHORDS; chord++) {
      double weight = -RARITY[chord];
      for (int slice = from; slice < to; slice++) {
        weight += weighed[slice][chord];
      }
      states.add(new State(chord, weight));
      most = Math.max(most, weight);
    }
    // Slices of one chord are not independent: their weight grows more slowly than their number.
    double calm = Math.sqrt(to - from);
    double top = most;
    double sum = states.stream().mapToDouble(s -> Math.exp((s.weight() - top) / calm)).sum();
    return states.stream()
        .sorted(Comparator.comparingDouble(State::weight).reversed())
        .limit(MOST_TOLD)
        .map(s -> new ChordReading(chord(s, bass, key), Math.exp((s.weight() - top) / calm) / sum))
        .filter(r -> r.share() >= LEAST_SHARE)
        .toList();
  }

  private static Chord chord(State state, int bass, Optional<KeySignature> key) {
    int root = state.chord() % Pitch.OCTAVE;
    ChordKind kind = KINDS[state.chord() / Pitch.OCTAVE];
    boolean inside = (kind.bits() >> Math.floorMod(bass - root, Pitch.OCTAVE) & 1) == 1;
    return Chord.spelled(root, kind, inside ? bass : root, key);
  }
}
