package flailbeat.core.keys;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.event.Performed;
import flailbeat.core.event.Performed.NoteOff;
import flailbeat.core.event.Performed.NoteOn;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.pitch.Scale;
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
      hands.pitchesAt(key).forEach(p -> assertThat(key.row()).isEqualTo(Pitch.isBlack(p) ? 1 : 2));
    }
    assertThat(hands.pitchesAt(PhysicalKey.R)).as("between E and F").isEmpty();
    assertThat(hands.pitchesAt(PhysicalKey.I)).as("between B and C").isEmpty();
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
    assertThat(hands.pitchesAt(PhysicalKey.G)).containsExactly(127);
    assertThat(hands.pitchesAt(PhysicalKey.Y)).isEmpty();
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
    assertThat(hands.press(List.of(60), 50, 0)).containsExactly(new NoteOn(0, 60, 50));
    assertThat(hands.press(List.of(61), 70, 1))
        .containsExactly(new NoteOff(1, 60), new NoteOn(1, 61, 70));
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
      switch (random.nextInt(6)) {
        case 0, 1 -> events.addAll(hands.press(key, i));
        case 2 -> events.addAll(hands.release(key, i));
        case 3 -> events.addAll(hands.press(List.of(random.nextInt(128)), 64, i));
        case 4 -> hands.moveReach(random.nextInt(25) - 12);
        default -> hands.setArrangement(arrangement(random));
      }
    }
    events.addAll(hands.releaseAll(20_000));
    Map<Integer, Integer> sounding = new HashMap<>();
    for (Performed event : events) {
      switch (event) {
        case NoteOn on -> sounding.merge(on.pitch(), 1, Integer::sum);
        case NoteOff off -> sounding.merge(off.pitch(), -1, Integer::sum);
        default -> throw new AssertionError("hands move no controllers");
      }
      assertThat(sounding.values()).allMatch(n -> n == 0 || n == 1);
    }
    assertThat(sounding.values()).containsOnly(0);
    assertThat(hands.fingersDown()).isEmpty();
  }

  private static Arrangement arrangement(Random random) {
    ArrangementKind[] kinds = ArrangementKind.values();
    Scale[] scales = Scale.values();
    return Arrangement.of(
        kinds[random.nextInt(kinds.length)],
        random.nextInt(12),
        scales[random.nextInt(scales.length)]);
  }

  private List<Integer> at(ArrangementKind kind, int key, Scale scale, PhysicalKey place) {
    hands.setArrangement(Arrangement.of(kind, key, scale));
    return hands.pitchesAt(place);
  }

  @ParameterizedTest
  @CsvSource({
    "Z, 48",
    "S, 49",
    "X, 50",
    "C, 52",
    "V, 53",
    "M, 59",
    "COMMA, 60",
    "SLASH, 64",
    "Q, 60",
    "DIGIT_2, 61",
    "W, 62",
    "R, 65",
    "I, 72",
    "P, 76",
    "LEFT_BRACKET, 77",
    "RIGHT_BRACKET, 79"
  })
  void span_stacks_two_pianos(PhysicalKey key, int pitch) {
    assertThat(at(ArrangementKind.SPAN, 0, Scale.MAJOR, key)).containsExactly(pitch);
  }

  /** In both rows of the span, black notes lie above the gap between their naturals. */
  @Test
  void span_has_no_black_note_between_e_and_f_nor_between_b_and_c() {
    for (PhysicalKey none :
        List.of(
            PhysicalKey.A,
            PhysicalKey.F,
            PhysicalKey.K,
            PhysicalKey.DIGIT_4,
            PhysicalKey.DIGIT_8)) {
      assertThat(at(ArrangementKind.SPAN, 0, Scale.MAJOR, none)).as(none.name()).isEmpty();
    }
  }

  /**
   * General MIDI level 1: 36 bass drum, 38 snare, 42 closed hi-hat, 46 open hi-hat, 49 crash, 51
   * ride.
   */
  @ParameterizedTest
  @CsvSource({"Z, 36", "C, 38", "D, 42", "E, 46", "DIGIT_2, 49", "DIGIT_4, 51"})
  void pads_lie_four_by_four_from_the_bass_drum_up(PhysicalKey key, int pitch) {
    assertThat(at(ArrangementKind.PADS, 0, Scale.MAJOR, key)).containsExactly(pitch);
  }

  @Test
  void the_scale_has_no_wrong_note_and_the_next_row_is_an_octave_higher() {
    hands.setArrangement(Arrangement.of(ArrangementKind.SCALE, 2, Scale.NATURAL_MINOR));
    assertThat(hands.pitchesAt(PhysicalKey.A)).containsExactly(62);
    assertThat(hands.pitchesAt(PhysicalKey.D)).containsExactly(65);
    assertThat(hands.pitchesAt(PhysicalKey.Q)).containsExactly(74);
    assertThat(hands.pitchesAt(PhysicalKey.Z)).containsExactly(50);
    assertThat(hands.pitchesAt(PhysicalKey.K)).containsExactly(74);
    List<Integer> dMinor = List.of(2, 4, 5, 7, 9, 10, 0);
    for (PhysicalKey key : PhysicalKey.values()) {
      assertThat(hands.pitchesAt(key)).allMatch(p -> dMinor.contains(p % 12));
    }
  }

  @Test
  void one_key_plays_a_chord_and_ends_it() {
    assertThat(at(ArrangementKind.CHORDS, 0, Scale.MAJOR, PhysicalKey.A))
        .containsExactly(60, 64, 67);
    assertThat(hands.pitchesAt(PhysicalKey.J))
        .as("on the seventh degree")
        .containsExactly(71, 74, 77);
    assertThat(hands.pitchesAt(PhysicalKey.T))
        .as("a dominant seventh")
        .containsExactly(67, 71, 74, 77);
    assertThat(at(ArrangementKind.CHORDS, 9, Scale.BLUES, PhysicalKey.A))
        .containsExactly(69, 72, 76);
    assertThat(hands.press(PhysicalKey.A, 0)).hasSize(3);
    assertThat(hands.release(PhysicalKey.A, 1)).hasSize(3);
    assertThat(hands.soundingPitches()).isEmpty();
  }

  @Test
  void each_arrangement_remembers_its_reach_and_what_is_held_goes_on() {
    hands.moveOctaves(1);
    hands.press(PhysicalKey.A, 0);
    hands.setArrangement(Arrangement.of(ArrangementKind.PADS, 0, Scale.MAJOR));
    assertThat(hands.base()).isEqualTo(36);
    assertThat(hands.release(PhysicalKey.A, 1)).containsExactly(new NoteOff(1, 72));
    hands.setArrangement(Arrangement.home());
    assertThat(hands.base()).isEqualTo(72);
    hands.centreReach(60);
    assertThat(hands.lowest()).isLessThanOrEqualTo(60);
    assertThat(hands.highest()).isGreaterThanOrEqualTo(60);
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

  @Test
  void every_layout_knows_all_its_places_by_code_or_text() {
    for (KeyLayout each : KeyLayout.all()) {
      for (PhysicalKey key : PhysicalKey.values()) {
        String cap = each.cap(key);
        assertThat(each.placeOf("UNDEFINED", cap)).as(each.name() + " " + cap).contains(key);
      }
    }
    assertThat(KeyLayout.QWERTZ.placeOf("Y", "y")).contains(PhysicalKey.Z);
    assertThat(KeyLayout.QWERTZ.placeOf("UNDEFINED", "\u00f6")).contains(PhysicalKey.SEMICOLON);
    assertThat(KeyLayout.AZERTY.placeOf("A", "a")).contains(PhysicalKey.Q);
    assertThat(KeyLayout.AZERTY.placeOf("DEAD_CIRCUMFLEX", "")).contains(PhysicalKey.LEFT_BRACKET);
    assertThat(KeyLayout.DVORAK.placeOf("O", "o")).contains(PhysicalKey.S);
    assertThat(KeyLayout.COLEMAK.placeOf("R", "r")).contains(PhysicalKey.S);
    assertThat(KeyLayout.guess(java.util.Locale.GERMANY)).isEqualTo(KeyLayout.QWERTZ);
    assertThat(KeyLayout.guess(java.util.Locale.US)).isEqualTo(KeyLayout.QWERTY);
  }

  @Test
  void the_reach_is_told_by_its_ends_and_centred_round_a_note() {
    assertThat(List.of(hands.lowest(), hands.highest())).containsExactly(60, 77);
    hands.centreReach(70);
    assertThat(List.of(hands.base(), hands.lowest(), hands.highest())).containsExactly(62, 62, 79);
    hands.setArrangement(Arrangement.of(ArrangementKind.CHORDS, 0, Scale.MAJOR));
    assertThat(List.of(hands.lowest(), hands.highest())).containsExactly(48, 89);
  }

  @Test
  void the_low_row_has_the_chords_an_octave_down() {
    assertThat(at(ArrangementKind.CHORDS, 2, Scale.MAJOR, PhysicalKey.Z))
        .containsExactly(50, 54, 57);
  }

  @Test
  void each_finger_of_a_device_ends_its_own_note_and_no_others() {
    hands.pressOnDevice(40, 70, 0);
    hands.pressOnDevice(43, 70, 1);
    assertThat(hands.releaseOnDevice(40, 2)).containsExactly(new NoteOff(2, 40));
    assertThat(hands.releaseOnDevice(41, 3)).isEmpty();
    assertThat(hands.soundingPitches()).containsExactly(43);
  }

  @Test
  void when_the_keyboard_goes_away_its_keys_end_and_the_device_plays_on() {
    hands.press(PhysicalKey.A, 0);
    hands.pressOnDevice(43, 70, 1);
    assertThat(hands.isDown(PhysicalKey.A)).isTrue();
    assertThat(hands.releaseKeys(2)).containsExactly(new NoteOff(2, 60));
    assertThat(hands.isDown(PhysicalKey.A)).isFalse();
    assertThat(hands.soundingPitches()).containsExactly(43);
    hands.press(PhysicalKey.S, 3);
    assertThat(hands.releaseAll(4))
        .containsExactlyInAnyOrder(new NoteOff(4, 43), new NoteOff(4, 62));
    assertThat(hands.soundingPitches()).isEmpty();
    assertThat(hands.press(PhysicalKey.S, 5)).containsExactly(new NoteOn(5, 62, 80));
  }
}
