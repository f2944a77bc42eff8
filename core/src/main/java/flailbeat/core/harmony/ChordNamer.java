package flailbeat.core.harmony;

import flailbeat.core.pitch.KeySignature;
import flailbeat.core.pitch.Pitch;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Finds what a chord is called from the pitches in it. Each kind is tried on each root: what of it
 * is missing counts against it, the plain fifth least; so do a bass that is not the root, and
 * rarity. A name that leaves a note of the chord out, other than as the bass, is none. O(1) beside
 * gathering the pitches: some 550 names are weighed.
 */
public final class ChordNamer {
  /** Names that are less likely are not told. */
  private static final double LEAST_SHARE = 0.04;

  private static final int MOST_TOLD = 5;
  private static final int TRIAD = 3;

  /** What is worse than this is no name that anyone would use. */
  private static final double WORST = -5;

  private static final double NO_FIFTH = 1.5;
  private static final double NO_OPTIONAL = 0.1;
  private static final double NO_INNER_TENSION = 0.9;
  private static final double NO_OTHER = 6;
  private static final double BASS_IS_TONE = 1.0;
  private static final double BASS_IS_SEVENTH = 1.3;
  private static final double BASS_IS_TENSION = 2.2;
  private static final double BASS_IS_FOREIGN = 2.8;
  private static final double IN_KEY = 0.4;

  private ChordNamer() {}

  /**
   * The likeliest names, the best first; none for fewer than two pitches, for intervals that stand
   * for no chord, and for clusters.
   *
   * @param pitches in any order, any of them twice
   * @param key spells them, and makes chords of its own notes likelier
   */
  public static List<ChordReading> names(Collection<Integer> pitches, Optional<KeySignature> key) {
    int bits = 0;
    int bass = Integer.MAX_VALUE;
    for (int pitch : pitches) {
      bits |= 1 << Math.floorMod(pitch, Pitch.OCTAVE);
      bass = Math.min(bass, pitch);
    }
    return names(bits, bass % Pitch.OCTAVE, key);
  }

  private record Weighed(int root, ChordKind kind, double weight) {}

  /**
   * The same of pitch classes.
   *
   * @param bits a bit for each that sounds, C first
   * @param bass the lowest of them
   */
  static List<ChordReading> names(int bits, int bass, Optional<KeySignature> key) {
    if (Integer.bitCount(bits) < 2) {
      return List.of();
    }
    List<Weighed> all = new ArrayList<>();
    int keyBits = key.map(k -> scaleBits(k)).orElse(0);
    double sum = 0;
    for (int root = 0; root < Pitch.OCTAVE; root++) {
      int above = rotated(bits, root);
      for (ChordKind kind : ChordKind.values()) {
        double weight = weight(kind, above, Math.floorMod(bass - root, Pitch.OCTAVE));
        if (weight > WORST) {
          boolean own = key.isPresent() && (rotated(keyBits, root) & kind.bits()) == kind.bits();
          double likely = Math.exp(own ? weight + IN_KEY : weight);
          all.add(new Weighed(root, kind, likely));
          sum += likely;
        }
      }
    }
    all.sort(Comparator.comparingDouble(Weighed::weight).reversed());
    List<ChordReading> result = new ArrayList<>();
    for (Weighed each : all) {
      double share = each.weight() / sum;
      if (result.size() < MOST_TOLD && (share >= LEAST_SHARE || result.isEmpty())) {
        result.add(new ChordReading(Chord.spelled(each.root(), each.kind(), bass, key), share));
      }
    }
    return result;
  }

  private static int scaleBits(KeySignature key) {
    int result = 0;
    for (int pitch = 0; pitch < Pitch.OCTAVE; pitch++) {
      result |= key.key().has(pitch) ? 1 << pitch : 0;
    }
    return result;
  }

  /** The same twelve bits, counted from a root. */
  static int rotated(int bits, int root) {
    return (bits >> root | bits << Pitch.OCTAVE - root) & (1 << Pitch.OCTAVE) - 1;
  }

  /**
   * The logarithm of how likely a kind is, given what sounds above its root and which is lowest.
   */
  private static double weight(ChordKind kind, int above, int bass) {
    int foreign = above & ~kind.bits();
    boolean isForeignBass = foreign == 1 << bass && Integer.bitCount(above) > TRIAD;
    if (foreign != 0 && !isForeignBass) {
      return Double.NEGATIVE_INFINITY;
    }
    double weight = -kind.rarity() - bassCost(kind, bass, isForeignBass);
    for (Degree degree : kind.degrees()) {
      if ((above & degree.bit()) == 0) {
        weight -= missingCost(kind, degree);
      }
    }
    return weight;
  }

  private static double bassCost(ChordKind kind, int bass, boolean isForeign) {
    if (isForeign) {
      return BASS_IS_FOREIGN;
    }
    Degree lowest =
        kind.degrees().stream().filter(d -> d.bit() == 1 << bass).findFirst().orElseThrow();
    return switch (lowest.number()) {
      case 1 -> 0;
      case 7 -> BASS_IS_SEVENTH;
      default -> lowest.isTension() ? BASS_IS_TENSION : BASS_IS_TONE;
    };
  }

  private static double missingCost(ChordKind kind, Degree degree) {
    if (degree.optional()) {
      return NO_OPTIONAL;
    }
    if (degree.isPerfectFifth() && kind != ChordKind.FIFTH) {
      return NO_FIFTH;
    }
    boolean inner = degree.isTension() && !degree.equals(kind.degrees().getLast());
    return inner ? NO_INNER_TENSION : NO_OTHER;
  }
}
