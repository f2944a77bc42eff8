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
  /** What sounds for less of the time is passing. */
  private static final double PASSING = 0.08;

  /** The bass is told where it holds so much of the time. */
  private static final double BASS_HOLDS = 0.6;

  private static final double LEAST_SHARE = 0.04;
  private static final int MOST_TOLD = 4;

  /** What was named before: a song has few chords, and each of them often. */
  private record Asked(int bits, int bass, Optional<KeySignature> key) {}

  private final Map<Asked, List<ChordReading>> named = new HashMap<>();
  private final ChordPath likeliest = new ChordPath();

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
    int[] path = likeliest.find(now);
    List<ChordSpan> result = new ArrayList<>();
    int from = 0;
    for (int to = 1; to <= path.length; to++) {
      if (to == path.length || path[to] != path[from]) {
        TickRange span = new TickRange(now.start(from), now.end(to - 1));
        List<ChordReading> readings =
            path[from] == ChordPath.SILENCE
                ? List.of()
                : readings(now, from, to, path[from], keys.at(span.start()));
        result.add(new ChordSpan(span, readings, false));
        from = to;
      }
    }
    return result;
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
    for (int chord = 0; chord < ChordPath.CHORDS; chord++) {
      double weight = likeliest.weight(chord, from, to);
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
    ChordKind kind = ChordPath.kind(state.chord());
    boolean inside = (kind.bits() >> Math.floorMod(bass - root, Pitch.OCTAVE) & 1) == 1;
    return Chord.spelled(root, kind, inside ? bass : root, key);
  }
}
