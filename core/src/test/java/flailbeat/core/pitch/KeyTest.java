package flailbeat.core.pitch;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Against the scales of tonal 6.4.2 (npm), as {@code scales.tsv} has them: every key. */
class KeyTest {
  private static final List<String> NAMES =
      List.of(
          "major",
          "minor",
          "harmonic minor",
          "dorian",
          "mixolydian",
          "major pentatonic",
          "minor pentatonic",
          "minor blues");

  private static final Map<Integer, List<Integer>> CLASSES = new TreeMap<>();

  @BeforeAll
  static void read() throws IOException {
    try (InputStream in = KeyTest.class.getResourceAsStream("scales.tsv")) {
      new String(in.readAllBytes(), StandardCharsets.UTF_8)
          .lines()
          .filter(line -> !line.startsWith("# "))
          .map(line -> line.split("\t"))
          .forEach(
              row -> {
                int tonic =
                    IntStream.range(0, 12)
                        .filter(p -> Pitch.className(p).equals(row[0]))
                        .findFirst()
                        .orElseThrow();
                Key key = new Key(tonic, Scale.values()[NAMES.indexOf(row[1])]);
                CLASSES.put(
                    key.number(), Stream.of(row[2].split(" ")).map(Integer::valueOf).toList());
              });
    }
    assertThat(CLASSES).hasSize(Key.COUNT);
  }

  /** The degree of a pitch that is one, by tonal's table; -1 for one that is not. */
  private static int degree(Key key, int pitch) {
    return CLASSES.get(key.number()).indexOf(pitch % 12);
  }

  @Test
  void a_degree_moves_to_a_degree_the_next_note_of_the_scale_up() {
    for (int number = 0; number < Key.COUNT; number++) {
      Key key = Key.ofNumber(number);
      int degrees = CLASSES.get(number).size();
      for (int pitch = 24; pitch < 96; pitch++) {
        int degree = degree(key, pitch);
        assertThat(key.has(pitch)).as("%s in %s", pitch, key).isEqualTo(degree >= 0);
        if (degree >= 0) {
          assertThat(degree(key, key.moved(pitch, 3))).isEqualTo((degree + 3) % degrees);
          assertThat(key.moved(pitch, degrees)).isEqualTo(pitch + 12);
          assertThat(key.moved(key.moved(pitch, -2), 2)).isEqualTo(pitch);
        }
        int at = pitch;
        assertThat(key.nearest(pitch))
            .as("the nearest degree to %s in %s, of two the lower", pitch, key)
            .isEqualTo(
                IntStream.rangeClosed(pitch - 12, pitch + 12)
                    .filter(p -> degree(key, p) >= 0)
                    .boxed()
                    .min(Comparator.comparingInt(p -> Math.abs(p - at)))
                    .orElseThrow());
      }
    }
  }

  @Test
  void from_any_key_into_any_other_of_as_many_degrees_each_stays_the_degree_that_it_was() {
    for (int from = 0; from < Key.COUNT; from++) {
      for (int to = 0; to < Key.COUNT; to++) {
        if (CLASSES.get(from).size() == CLASSES.get(to).size()) {
          Key here = Key.ofNumber(from);
          Key there = Key.ofNumber(to);
          for (int pitch = 48; pitch < 72; pitch++) {
            int degree = degree(here, pitch);
            if (degree >= 0) {
              assertThat(degree(there, here.into(there, pitch)))
                  .as("%s from %s into %s", pitch, here, there)
                  .isEqualTo(degree);
            }
          }
          assertThat(here.into(here, 61)).isEqualTo(61);
        }
      }
    }
  }

  /**
   * Common practice: a tune in C major taken to A minor a third down, to D major a tone up; F# in C
   * major, the raised fourth, is the raised fourth in E flat major too: A. From five notes the
   * major scale is meant that they come from.
   */
  @ParameterizedTest
  @CsvSource({
    "0, MAJOR, 9, NATURAL_MINOR, 60 64 67, 57 60 64",
    "0, MAJOR, 2, MAJOR, 60 64 71, 62 66 73",
    "0, MAJOR, 3, MAJOR, 66, 69",
    "2, NATURAL_MINOR, 2, HARMONIC_MINOR, 72 74, 73 74",
    "0, MAJOR_PENTATONIC, 7, MAJOR, 60 62 69, 55 57 64",
    "0, MAJOR, 6, MAJOR, 60, 54"
  })
  void tunes_taken_into_another_key(
      int tonic, Scale scale, int other, Scale otherScale, String before, String after) {
    Key from = new Key(tonic, scale);
    Key to = new Key(other, otherScale);
    assertThat(Stream.of(before.split(" ")).map(p -> from.into(to, Integer.parseInt(p))))
        .containsExactlyElementsOf(Stream.of(after.split(" ")).map(Integer::valueOf).toList());
  }
}
