package flailbeat.core.harmony;

import flailbeat.core.pitch.Fifths;
import java.util.stream.Collectors;

/** Prints each kind of chord on each root with the notes in it, for tools/chord-names.js. */
final class ChordNamesReport {
  private ChordNamesReport() {}

  public static void main(String[] words) {
    for (ChordKind kind : ChordKind.values()) {
      for (int root = Fifths.of('D', -1); root <= Fifths.of('F', 1); root++) {
        Chord chord = Chord.of(root, kind);
        int from = root;
        String notes =
            kind.degrees().stream()
                .filter(d -> !d.optional())
                .map(d -> Fifths.name(from + d.fifths()))
                .collect(Collectors.joining(" "));
        System.out.println(chord.name() + "\t" + notes);
      }
    }
  }
}
