package flailbeat.app.view.base;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * What is drawn on what can be read and found, in every palette. Contrast is that of WCAG 2.2
 * (success criteria 1.4.3 and 1.4.11, and its definition of relative luminance). The kinds of
 * colour blindness are simulated by the matrices of Machado, Oliveira and Fernandes, "A
 * Physiologically-based Model for Simulation of Color Vision Deficiency" (2009), severity 1.0; the
 * numbers are from memory, and each row is checked to keep grey as it is.
 */
class ColoursTest {
  private static final double TEXT = 4.5;
  private static final double SIGN = 3;

  private static final List<String> GROUNDS =
      List.of("paper", "raised", "sunk", "row-dark", "wheat-pale");
  private static final List<String> DECKS =
      List.of("deck-play", "deck-commands", "deck-steps", "deck-asking");

  private static Map<String, double[]> palette(String name) throws IOException {
    String css;
    try (InputStream in = Look.class.getResourceAsStream("/flailbeat/app/look/" + name + ".css")) {
      css = new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
    Map<String, double[]> colours = new HashMap<>();
    Matcher each = Pattern.compile("  -([a-z0-9-]+): #([0-9A-Fa-f]{6});").matcher(css);
    while (each.find()) {
      colours.put(each.group(1), rgb(each.group(2)));
    }
    return colours;
  }

  private static double[] rgb(String hex) {
    int value = Integer.parseInt(hex, 16);
    return new double[] {
      (value >> 16) / 255.0, (value >> 8 & 0xFF) / 255.0, (value & 0xFF) / 255.0
    };
  }

  private static double linear(double channel) {
    return channel <= 0.04045 ? channel / 12.92 : Math.pow((channel + 0.055) / 1.055, 2.4);
  }

  private static double luminance(double... colour) {
    return 0.2126 * linear(colour[0]) + 0.7152 * linear(colour[1]) + 0.0722 * linear(colour[2]);
  }

  private static double contrast(double[] a, double[] b) {
    double one = luminance(a) + 0.05;
    double other = luminance(b) + 0.05;
    return Math.max(one, other) / Math.min(one, other);
  }

  /** Pairs that are widely published for the formula (common practice). */
  @ParameterizedTest
  @CsvSource({
    "000000, FFFFFF, 21",
    "767676, FFFFFF, 4.54",
    "949494, FFFFFF, 3.03",
    "0000FF, FFFFFF, 8.59"
  })
  void the_formula_gives_the_contrasts_that_are_published(String a, String b, double wanted) {
    assertThat(contrast(rgb(a), rgb(b))).isCloseTo(wanted, within(0.006));
  }

  private record Pair(String of, String on, double least) {}

  private static List<Pair> pairs() {
    List<Pair> all = new ArrayList<>();
    Stream.concat(GROUNDS.stream(), DECKS.stream())
        .forEach(
            ground -> {
              all.add(new Pair("ink", ground, TEXT));
              all.add(new Pair("ink-soft", ground, TEXT));
              all.add(new Pair("wheat", ground, SIGN));
            });
    for (String cap : List.of("cap", "cap-command", "record-pale")) {
      all.add(new Pair("ink", cap, TEXT));
    }
    all.add(new Pair("ink-soft", "cap", TEXT));
    all.add(new Pair("on-ink", "ink", TEXT));
    all.add(new Pair("on-wheat", "wheat", TEXT));
    all.add(new Pair("on-record", "record", TEXT));
    all.add(new Pair("on-cap-dark", "cap-dark", TEXT));
    for (String words : List.of("record", "wheat", "early", "late-word")) {
      all.add(new Pair(words, "paper", TEXT));
      all.add(new Pair(words, "raised", TEXT));
    }
    for (String ground : List.of("paper", "raised", "sunk")) {
      all.add(new Pair("edge", ground, SIGN));
      for (int i = 1; i <= 8; i++) {
        all.add(new Pair("track-" + i, ground, SIGN));
      }
    }
    for (String ground : List.of("raised", "row-dark", "wheat-pale")) {
      for (String sign : List.of("early", "late", "ink", "record")) {
        all.add(new Pair(sign, ground, SIGN));
      }
    }
    all.add(new Pair("step", "raised", SIGN));
    all.add(new Pair("step", "row-dark", SIGN));
    all.add(new Pair("level", "raised", SIGN));
    all.add(new Pair("record", "sunk", SIGN));
    return all;
  }

  @ParameterizedTest
  @ValueSource(strings = {"day", "night", "contrast"})
  void words_and_signs_stand_out_from_whatever_they_are_drawn_on(String name) throws IOException {
    Map<String, double[]> colours = palette(name);
    List<String> weak = new ArrayList<>();
    for (Pair pair : pairs()) {
      double contrast = contrast(colours.get(pair.of()), colours.get(pair.on()));
      if (contrast < pair.least()) {
        weak.add(String.format(Locale.ROOT, "%s on %s %.2f", pair.of(), pair.on(), contrast));
      }
    }
    assertThat(weak).isEmpty();
  }

  @Test
  void every_palette_names_the_same_colours() throws IOException {
    assertThat(palette("night").keySet()).isEqualTo(palette("day").keySet());
    assertThat(palette("contrast").keySet()).isEqualTo(palette("day").keySet());
  }

  private static final Map<String, double[][]> BLINDNESS =
      Map.of(
          "none",
          new double[][] {{1, 0, 0}, {0, 1, 0}, {0, 0, 1}},
          "protanopia",
          new double[][] {
            {0.152286, 1.052583, -0.204868},
            {0.114503, 0.786281, 0.099216},
            {-0.003882, -0.048116, 1.051998}
          },
          "deuteranopia",
          new double[][] {
            {0.367322, 0.860646, -0.227968},
            {0.280085, 0.672501, 0.047413},
            {-0.011820, 0.042940, 0.968881}
          },
          "tritanopia",
          new double[][] {
            {1.255528, -0.076749, -0.178779},
            {-0.078411, 0.930809, 0.147602},
            {0.004733, 0.691367, 0.303900}
          });

  /** The matrices work on linear light. */
  private static double[] seen(double[] colour, double[]... matrix) {
    double[] result = new double[3];
    for (int i = 0; i < 3; i++) {
      for (int j = 0; j < 3; j++) {
        result[i] += matrix[i][j] * linear(colour[j]);
      }
      result[i] = Math.clamp(result[i], 0, 1);
    }
    return result;
  }

  /** CIE 1976 L*a*b* of linear sRGB, for the white of D65 (IEC 61966-2-1, CIE 15). */
  private static double[] lab(double... light) {
    double x = (0.4124 * light[0] + 0.3576 * light[1] + 0.1805 * light[2]) / 0.9505;
    double y = 0.2126 * light[0] + 0.7152 * light[1] + 0.0722 * light[2];
    double z = (0.0193 * light[0] + 0.1192 * light[1] + 0.9505 * light[2]) / 1.089;
    return new double[] {116 * root(y) - 16, 500 * (root(x) - root(y)), 200 * (root(y) - root(z))};
  }

  private static double root(double t) {
    return t > 0.008856 ? Math.cbrt(t) : 7.787 * t + 16 / 116.0;
  }

  private static double difference(double[] a, double[] b) {
    return Math.sqrt(
        Math.pow(a[0] - b[0], 2) + Math.pow(a[1] - b[1], 2) + Math.pow(a[2] - b[2], 2));
  }

  @Test
  void grey_is_seen_as_grey_by_everyone() {
    BLINDNESS.forEach(
        (name, matrix) -> {
          for (double[] row : matrix) {
            assertThat(row[0] + row[1] + row[2]).as(name).isCloseTo(1, within(0.00001));
          }
        });
  }

  /** A difference of 2.3 is just noticeable; twenty is seen at a glance, small marks too. */
  @ParameterizedTest
  @ValueSource(strings = {"day", "night", "contrast"})
  void early_late_and_on_the_line_are_told_apart_whatever_colours_are_seen(String name)
      throws IOException {
    Map<String, double[]> colours = palette(name);
    List<String> timing = List.of("early", "late", "ink");
    BLINDNESS.forEach(
        (kind, matrix) -> {
          for (int i = 0; i < timing.size(); i++) {
            for (int j = 0; j < i; j++) {
              double[] a = lab(seen(colours.get(timing.get(i)), matrix));
              double[] b = lab(seen(colours.get(timing.get(j)), matrix));
              assertThat(difference(a, b))
                  .as("%s, %s and %s", kind, timing.get(i), timing.get(j))
                  .isGreaterThan(20);
            }
          }
        });
    assertThat(contrast(colours.get("early"), colours.get("late")))
        .as("in grey too")
        .isGreaterThan(1.5);
  }
}
