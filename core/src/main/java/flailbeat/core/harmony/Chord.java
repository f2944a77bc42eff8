package flailbeat.core.harmony;

import flailbeat.core.pitch.Fifths;
import flailbeat.core.pitch.KeySignature;
import flailbeat.core.pitch.Pitch;
import java.util.List;
import java.util.Optional;

/**
 * A chord with its spelling.
 *
 * @param root on the line of fifths ({@link Fifths})
 * @param bass the lowest note, likewise; the root itself in root position
 */
public record Chord(int root, ChordKind kind, int bass) {
  /** F flat. */
  private static final int LEAST_PLAIN = -8;

  /** B sharp. */
  private static final int MOST_PLAIN = 12;

  /** F twice flat. */
  private static final int LEAST_WRITTEN = -15;

  /** B twice sharp. */
  private static final int MOST_WRITTEN = 19;

  /** The roots that are usual without a key: D flat to F sharp for major, C sharp to E flat. */
  private static final int LOWEST_MAJOR = -5;

  private static final int LOWEST_MINOR = -3;

  public Chord {
    if (written(root) != root || written(bass) != bass) {
      throw new IllegalArgumentException("A chord is spelled with two sharps or flats at most");
    }
  }

  /** A chord on its root. */
  public static Chord of(int root, ChordKind kind) {
    return new Chord(root, kind, root);
  }

  /**
   * A chord as it is usually spelled in a key.
   *
   * @param root its pitch class
   * @param bass the pitch class of the lowest note
   */
  public static Chord spelled(int root, ChordKind kind, int bass, Optional<KeySignature> key) {
    int lowest = kind.isMinor() ? LOWEST_MINOR : LOWEST_MAJOR;
    int spelled = key.map(k -> k.fifths(root)).orElseGet(() -> Fifths.spelled(root, lowest));
    return of(spelled, kind).over(bass);
  }

  /** The same over a bass: spelled as its own degree, or near the root where it is none of it. */
  public Chord over(int bassClass) {
    int fifths =
        kind.degrees().stream()
            .map(d -> root + d.fifths())
            .filter(f -> Fifths.pitchClass(f) == Math.floorMod(bassClass, Pitch.OCTAVE))
            .findFirst()
            .orElseGet(() -> Fifths.spelled(bassClass, root - 5));
    return new Chord(root, kind, plain(fifths));
  }

  /** With one sharp or flat at most: a bass is read at a glance. */
  private static int plain(int fifths) {
    return fifths < LEAST_PLAIN
        ? fifths + Pitch.OCTAVE
        : fifths > MOST_PLAIN ? fifths - Pitch.OCTAVE : fifths;
  }

  /** With two sharps or flats at most: what needs three is spelled as its neighbour. */
  private static int written(int fifths) {
    return fifths < LEAST_WRITTEN
        ? fifths + Pitch.OCTAVE
        : fifths > MOST_WRITTEN ? fifths - Pitch.OCTAVE : fifths;
  }

  /** The same spelled as is usual in a key. */
  public Chord in(Optional<KeySignature> key) {
    return spelled(rootClass(), kind, bassClass(), key);
  }

  /** The pitch class of its root. */
  public int rootClass() {
    return Fifths.pitchClass(root);
  }

  /** The pitch class of its lowest note. */
  public int bassClass() {
    return Fifths.pitchClass(bass);
  }

  /** The pitch classes in it, from the root up; one that is optional too. */
  public List<Integer> pitchClasses() {
    return kind.degrees().stream().map(d -> Fifths.pitchClass(root + d.fifths())).toList();
  }

  /** Whether a pitch is in it, or is its bass. */
  public boolean has(int pitch) {
    int above = Math.floorMod(pitch - rootClass(), Pitch.OCTAVE);
    return (kind.bits() >> above & 1) == 1 || Math.floorMod(pitch, Pitch.OCTAVE) == bassClass();
  }

  /** Its name as on a lead sheet: {@code F#m7b5/A}. */
  public String name() {
    String own = Fifths.name(root) + kind.symbol();
    return bass == root ? own : own + "/" + Fifths.name(bass);
  }

  /** What it is called in words: {@code D minor seventh}. */
  public String words() {
    String own = Fifths.name(root) + " " + kind.words();
    return bass == root ? own : own + " over " + Fifths.name(bass);
  }

  @Override
  public String toString() {
    return name();
  }
}
