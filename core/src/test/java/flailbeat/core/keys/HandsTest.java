package flailbeat.core.keys;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.event.Performed;
import flailbeat.core.event.Performed.NoteOff;
import flailbeat.core.event.Performed.NoteOn;
import flailbeat.core.pitch.Pitch;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HandsTest {
  private final Hands hands = new Hands();

  @ParameterizedTest
  @CsvSource({
    "A, 60",
    "W, 61",
    "S, 62",
    "E, 63",
    "D, 64",
    "F, 65",
    "T, 66",
    "J, 71",
    "K, 72",
    "P, 75",
    "SEMICOLON, 76",
    "QUOTE, 77"
  })
  void home_lies_like_a_piano(PhysicalKey key, int pitch) {
    assertThat(hands.press(key, 5)).containsExactly(new NoteOn(5, pitch, 80));
  }

  /** Common practice: the home row has the naturals, the row above it the black notes. */
  @Test
  void naturals_are_on_the_home_row_and_black_notes_above_it() {
    for (PhysicalKey key : PhysicalKey.values()) {
      hands.pitchAt(key).ifPresent(p -> assertThat(key.row()).isEqualTo(Pitch.isBlack(p) ? 1 : 2));
    }
    assertThat(hands.pitchAt(PhysicalKey.R)).as("between E and F").isEmpty();
    assertThat(hands.pitchAt(PhysicalKey.I)).as("between B and C").isEmpty();
  }

  @Test
  void auto_repeat_strikes_once() {
    hands.press(PhysicalKey.A, 0);
    assertThat(hands.press(PhysicalKey.A, 30)).isEmpty();
    assertThat(hands.release(PhysicalKey.A, 60)).containsExactly(new NoteOff(60, 60));
    assertThat(hands.release(PhysicalKey.A, 61)).isEmpty();
  }

  @Test
  void moving_the_reach_neither_hangs_nor_moves_a_held_note() {
    hands.press(PhysicalKey.A, 0);
    hands.moveOctaves(1);
    assertThat(hands.press(PhysicalKey.S, 1)).containsExactly(new NoteOn(1, 74, 80));
    assertThat(hands.release(PhysicalKey.A, 2)).containsExactly(new NoteOff(2, 60));
  }

  @Test
  void a_second_finger_on_a_sounding_pitch_strikes_it_anew_and_owns_it() {
    hands.press(PhysicalKey.K, 0);
    hands.moveOctaves(1);
    assertThat(hands.press(PhysicalKey.A, 1))
        .containsExactly(new NoteOff(1, 72), new NoteOn(1, 72, 80));
    assertThat(hands.release(PhysicalKey.K, 2)).isEmpty();
    assertThat(hands.release(PhysicalKey.A, 3)).containsExactly(new NoteOff(3, 72));
  }

  @Test
  void notes_beyond_the_piano_are_silent_and_the_reach_stays_on_it() {
    hands.moveOctaves(5);
    assertThat(hands.base()).isEqualTo(120);
    assertThat(hands.pitchAt(PhysicalKey.G)).hasValue(127);
    assertThat(hands.pitchAt(PhysicalKey.Y)).isEmpty();
    assertThat(hands.press(PhysicalKey.Y, 0)).isEmpty();
    hands.moveOctaves(1);
    assertThat(hands.base()).isEqualTo(120);
    hands.moveOctaves(-10);
    assertThat(hands.base()).isZero();
    hands.moveOctaves(-1);
    assertThat(hands.base()).isZero();
  }

  @Test
  void velocity_stops_at_its_ends_and_the_marks_are_sixteen_apart() {
    hands.setVelocity(400);
    assertThat(hands.velocity()).isEqualTo(127);
    hands.setVelocity(-3);
    assertThat(hands.velocity()).isEqualTo(1);
    assertThat(VelocityMark.PPP.velocity()).isEqualTo(16);
    assertThat(VelocityMark.FFF.velocity()).isEqualTo(127);
    assertThat(VelocityMark.nearest(1)).isEqualTo(VelocityMark.PPP);
    assertThat(VelocityMark.nearest(85)).isEqualTo(VelocityMark.MF);
  }

  @Test
  void the_mouse_glides_from_key_to_key() {
    assertThat(hands.press(60, 50, 0)).containsExactly(new NoteOn(0, 60, 50));
    assertThat(hands.press(61, 70, 1)).containsExactly(new NoteOff(1, 60), new NoteOn(1, 61, 70));
    assertThat(hands.releasePointer(2)).containsExactly(new NoteOff(2, 61));
  }

  /** Twenty keys at once, octave shifts in between, releases lost: nothing is left sounding. */
  @Test
  void whatever_is_done_every_note_that_begins_ends() {
    Random random = new Random(3);
    List<Performed> events = new ArrayList<>();
    PhysicalKey[] keys = PhysicalKey.values();
    for (int i = 0; i < 20_000; i++) {
      PhysicalKey key = keys[random.nextInt(keys.length)];
      switch (random.nextInt(5)) {
        case 0, 1 -> events.addAll(hands.press(key, i));
        case 2 -> events.addAll(hands.release(key, i));
        case 3 -> events.addAll(hands.press(random.nextInt(128), 64, i));
        default -> hands.moveOctaves(random.nextInt(3) - 1);
      }
    }
    events.addAll(hands.releaseAll(20_000));
    Map<Integer, Integer> sounding = new HashMap<>();
    for (Performed event : events) {
      switch (event) {
        case NoteOn on -> sounding.merge(on.pitch(), 1, Integer::sum);
        case NoteOff off -> sounding.merge(off.pitch(), -1, Integer::sum);
      }
      assertThat(sounding.values()).allMatch(n -> n == 0 || n == 1);
    }
    assertThat(sounding.values()).containsOnly(0);
    assertThat(hands.fingersDown()).isEmpty();
  }

  @Test
  void a_key_is_known_by_its_code_or_else_by_what_it_types() {
    KeyLayout layout = KeyLayout.QWERTY;
    assertThat(layout.placeOf("SEMICOLON", ";")).contains(PhysicalKey.SEMICOLON);
    assertThat(layout.placeOf("UNDEFINED", ";")).contains(PhysicalKey.SEMICOLON);
    assertThat(layout.placeOf("UNDEFINED", "\u00f6")).isEmpty();
    assertThat(layout.placeOf("DIGIT7", "7")).contains(PhysicalKey.DIGIT_7);
    assertThat(layout.placeOf("SPACE", " ")).isEmpty();
    for (PhysicalKey key : PhysicalKey.values()) {
      assertThat(layout.cap(key)).hasSize(1);
    }
  }
}
