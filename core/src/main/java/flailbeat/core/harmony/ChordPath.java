package flailbeat.core.harmony;

import flailbeat.core.pitch.Pitch;

/**
 * The likeliest way through the slices of music, a chord or silence in each. It keeps what it
 * found: where music was changed a little, only slices that are other are weighed anew, and the way
 * is looked for anew from there up to where it is as it was. O(slices that are other x chords) for
 * that, beside comparing them.
 */
final class ChordPath {
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

  static final int CHORDS = KINDS.length * Pitch.OCTAVE;

  /** What a slice without a chord is. */
  static final int SILENCE = CHORDS;

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

  /** Ways that are so near are the same from there on. */
  private static final float SAME = 1e-3f;

  /** For each pitch class how well it fits each chord. */
  private static final float[][] LOGS = logs();

  private static final float[][] BASS_FITS = bassFits();
  private static final float[] RARITY = rarities();

  private Kept kept = new Kept(new float[0][], new float[0][], new short[0][]);
  private Slices slices;

  /**
   * What was found for each slice.
   *
   * @param weighed how well each chord explains it
   * @param ways how likely the best way is that ends with each chord, as a logarithm below that of
   *     the best of all
   * @param before with which chord that way was before
   */
  private record Kept(float[][] weighed, float[][] ways, short[][] before) {
    int size() {
      return weighed.length;
    }
  }

  static ChordKind kind(int chord) {
    return KINDS[chord / Pitch.OCTAVE];
  }

  /** How well a chord explains some slices by themselves, less how rare it is. */
  double weight(int chord, int from, int to) {
    double result = -RARITY[chord];
    for (int slice = from; slice < to; slice++) {
      result += kept.weighed()[slice][chord];
    }
    return result;
  }

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
   * The chord of each slice by its number, or {@link #SILENCE}.
   *
   * @param now one slice at least
   */
  int[] find(Slices now) {
    int shift = kept.size() - now.size();
    int same = 0;
    int least = Math.min(now.size(), kept.size());
    while (same < least && Slices.isSame(now, same, slices, same)) {
      same++;
    }
    int last = now.size() - 1;
    while (last >= same && last + shift >= 0 && Slices.isSame(now, last, slices, last + shift)) {
      last--;
    }
    Kept next = new Kept(new float[now.size()][], new float[now.size()][], new short[now.size()][]);
    copy(kept, 0, next, 0, same);
    for (int slice = same; slice <= last; slice++) {
      next.weighed()[slice] = weigh(now.weights(slice), now.bass(slice), now.beats(slice));
    }
    int rest = now.size() - last - 1;
    System.arraycopy(kept.weighed(), last + 1 + shift, next.weighed(), last + 1, rest);
    for (int slice = same; slice < now.size(); slice++) {
      step(now, next, slice);
      if (slice > last && isSameWay(next.ways()[slice], kept.ways()[slice + shift])) {
        copy(kept, slice + 1 + shift, next, slice + 1, now.size() - slice - 1);
        break;
      }
    }
    kept = next;
    slices = now;
    return back(next);
  }

  private static void copy(Kept from, int at, Kept to, int where, int count) {
    System.arraycopy(from.weighed(), at, to.weighed(), where, count);
    System.arraycopy(from.ways(), at, to.ways(), where, count);
    System.arraycopy(from.before(), at, to.before(), where, count);
  }

  private static boolean isSameWay(float[] a, float[] b) {
    for (int state = 0; state < STATES; state++) {
      if (Math.abs(a[state] - b[state]) > SAME) {
        return false;
      }
    }
    return true;
  }

  private static void step(Slices now, Kept next, int slice) {
    float[] weighed = next.weighed()[slice];
    float[] ways = new float[STATES];
    short[] before = new short[STATES];
    if (slice == 0) {
      for (int state = 0; state < STATES; state++) {
        ways[state] = weighed[state] - RARITY[state];
      }
    } else {
      float[] best = next.ways()[slice - 1];
      int top = indexOfMost(best);
      float cost = now.isAtBar(slice) ? CHANGE_AT_BAR : CHANGE_AT_BEAT;
      float change = best[top] - cost + NEW * now.novelty(slice);
      for (int state = 0; state < STATES; state++) {
        float changed = change - RARITY[state];
        boolean stays = best[state] >= changed;
        before[state] = (short) (stays ? state : top);
        ways[state] = (stays ? best[state] : changed) + weighed[state];
      }
    }
    float most = ways[indexOfMost(ways)];
    for (int state = 0; state < STATES; state++) {
      ways[state] -= most;
    }
    next.ways()[slice] = ways;
    next.before()[slice] = before;
  }

  private static int[] back(Kept found) {
    int[] path = new int[found.size()];
    path[path.length - 1] = indexOfMost(found.ways()[path.length - 1]);
    for (int slice = path.length - 1; slice > 0; slice--) {
      path[slice - 1] = found.before()[slice][path[slice]];
    }
    return path;
  }

  private static float[] weigh(float[] weights, int bass, int beats) {
    float[] result = new float[STATES];
    float sum = 0;
    for (float weight : weights) {
      sum += weight;
    }
    if (sum <= 0) {
      result[SILENCE] = beats * SILENT;
      return result;
    }
    result[SILENCE] = beats * SOUNDING;
    float scale = beats * EVIDENCE * Math.min(1, sum) / sum;
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
        result[chord] += beats * fits[chord];
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

  private static int indexOfMost(float[] values) {
    int most = 0;
    for (int i = 1; i < values.length; i++) {
      if (values[i] > values[most]) {
        most = i;
      }
    }
    return most;
  }
}
