package flailbeat.core.step;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.core.time.Meter;
import flailbeat.core.time.NoteValue.Division;
import org.apache.commons.numbers.fraction.BigFraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StepLengthTest {
  /**
   * The table of note values of any handbook of notation, from memory: each half as long as the one
   * before; a dot adds half; a triplet puts three in the place of two. In sixty-fourths of a whole
   * note, times 60 ticks.
   */
  @ParameterizedTest
  @CsvSource({
    "1, 3840, 5760, 2560",
    "2, 1920, 2880, 1280",
    "4, 960, 1440, 640",
    "8, 480, 720, 320",
    "16, 240, 360, 160",
    "32, 120, 180, 80",
    "64, 60, 90, 40",
  })
  void note_values_are_as_long_as_handbooks_say(int value, int plain, int dotted, int triplet) {
    StepLength length = StepLength.of(value);
    assertThat(length.ticks()).isEqualTo(BigFraction.of(plain));
    assertThat(length.dotted().ticks()).isEqualTo(BigFraction.of(dotted));
    assertThat(length.triplet().ticks()).isEqualTo(BigFraction.of(triplet));
    assertThat(length.dotted().triplet().triplet()).isEqualTo(length);
  }

  @ParameterizedTest
  @CsvSource({
    "1, 3, 4/4, 320",
    "2, 5, 4/4, 384",
    "3, 2, 6/8, 720",
    "1, 7, 4/4, 960/7",
    "5, 1, 3/2, 9600",
  })
  void any_fraction_of_a_beat_is_a_length(int n, int d, String meter, String ticks) {
    String[] parts = ticks.split("/");
    BigFraction wanted =
        parts.length == 1
            ? BigFraction.of(Integer.parseInt(ticks))
            : BigFraction.of(Integer.parseInt(parts[0]), Integer.parseInt(parts[1]));
    assertThat(StepLength.parseBeats(n + "/" + d, Meter.parse(meter)).ticks()).isEqualTo(wanted);
  }

  @Test
  void numbers_are_read_with_a_point_or_a_comma() {
    assertThat(StepLength.parseBeats("0.75", Meter.COMMON).ticks()).isEqualTo(BigFraction.of(720));
    assertThat(StepLength.parseBeats(" 1,5 ", Meter.COMMON)).hasToString("3/2 of a quarter");
  }

  @Test
  void halves_and_doubles_of_any_length_lead_there_and_back() {
    StepLength three = StepLength.parseBeats("3/2", Meter.COMMON);
    assertThat(three.shorter()).hasToString("3/4 of a quarter");
    assertThat(three.longer().ticks()).isEqualTo(BigFraction.of(2880));
    assertThat(three.longer().longer().longer().longer().ticks()).isEqualTo(BigFraction.of(23_040));
    assertThat(StepLength.parseBeats("6", Meter.COMMON).longer().shorter().ticks())
        .isEqualTo(BigFraction.of(5760));
    assertThat(StepLength.lasting(3840)).contains(StepLength.of(1));
    assertThat(StepLength.lasting(40)).contains(StepLength.of(64).triplet());
    assertThat(StepLength.lasting(41)).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "0, longer than nothing", "0/4, longer than nothing", "-1/4, no fraction", "1/0, no fraction",
    "nonsense, no fraction", "1/9999, from 1/96", "9999, to 16 whole notes", "'', no fraction",
  })
  void nonsense_is_refused_in_words(String text, String why) {
    assertThatThrownBy(() -> StepLength.parseBeats(text, Meter.COMMON))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(why);
  }

  /** Sums of tuplets by hand: 999 of a third are 333; 1,001 of a seventh are 143 quarters. */
  @Test
  void a_thousand_triplets_end_on_the_line_and_so_do_sevenths() {
    StepScript triplets = new StepScript();
    triplets.press("/8 t " + "C4 x999");
    assertThat(triplets.state.place().cursor()).isEqualTo(BigFraction.of(333L * 960));
    assertThat(triplets.notes().get(998).end()).isEqualTo(333L * 960);
    StepScript sevenths = new StepScript();
    sevenths.set(StepSettings.standard().withLength(new StepLength(1, 28, Division.STRAIGHT)));
    sevenths.press("C4 x1001");
    assertThat(sevenths.state.place().cursor()).isEqualTo(BigFraction.of(143L * 960));
    for (int i = 0; i < 1001; i += 7) {
      assertThat(sevenths.notes().get(i).onset()).isEqualTo(i / 7 * 960L);
    }
  }
}
