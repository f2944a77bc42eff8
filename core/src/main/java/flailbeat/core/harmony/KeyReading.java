package flailbeat.core.harmony;

import flailbeat.core.pitch.Key;
import flailbeat.core.pitch.KeySignature;
import flailbeat.core.pitch.Scale;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/**
 * A key that music may be in.
 *
 * @param key in major, natural minor, Dorian or Mixolydian
 * @param share how likely that is, 0 to 1; all readings come to 1
 */
public record KeyReading(Key key, double share) {
  private static final int MOST_TOLD = 3;
  private static final double WORTH_TELLING = 0.01;

  /** What it is called: {@code D minor}, {@code Bb major}, {@code G Mixolydian}. */
  public String words() {
    String tonic = signatureSpelled();
    return switch (key.scale()) {
      case MAJOR -> tonic + " major";
      case NATURAL_MINOR -> tonic + " minor";
      default -> tonic + " " + key.scale().title();
    };
  }

  /**
   * The likeliest few with how likely each is: {@code D minor 91 %, F major 4 %}; empty for none.
   */
  public static String words(List<KeyReading> readings) {
    return readings.stream()
        .limit(MOST_TOLD)
        .filter(r -> r.share() >= WORTH_TELLING)
        .map(r -> String.format(Locale.ROOT, "%s %.0f %%", r.words(), 100 * r.share()))
        .collect(Collectors.joining(", "));
  }

  private String signatureSpelled() {
    return signature().className(key.tonic());
  }

  /** How many fifths below the major key of its tonic the key signature lies. */
  private static int flatter(Scale scale) {
    return switch (scale) {
      case NATURAL_MINOR, HARMONIC_MINOR, MINOR_PENTATONIC, BLUES -> 3;
      case DORIAN -> 2;
      case MIXOLYDIAN -> 1;
      case MAJOR, MAJOR_PENTATONIC -> 0;
    };
  }

  /**
   * The sharps or flats that it is written with, six at most; minor where its third is minor and
   * its signature that of minor.
   */
  public KeySignature signature() {
    return signature(key);
  }

  /** The same of any key: for Dorian and Mixolydian the major key of the same signature. */
  public static KeySignature signature(Key key) {
    int major = Math.floorMod(key.tonic() * 7, 12);
    int sharps = major - flatter(key.scale());
    boolean minor = flatter(key.scale()) == 3;
    // F sharp major is usual, and so is E flat minor.
    int most = minor ? 5 : 6;
    int least = sharps > most ? sharps - 12 : sharps < most - 11 ? sharps + 12 : sharps;
    return new KeySignature(least, minor);
  }
}
