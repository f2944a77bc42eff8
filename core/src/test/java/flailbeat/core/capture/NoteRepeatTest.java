package flailbeat.core.capture;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.event.Performed;
import flailbeat.core.event.Performed.NoteOff;
import flailbeat.core.event.Performed.NoteOn;
import flailbeat.core.time.Loop;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.Pulses;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** At 120 bpm: a sixteenth lasts 125 ms, an eighth triplet 166.7 ms. */
class NoteRepeatTest {
  private static final long MS = 1_000_000;
  private static final TempoMap TEMPO = TempoMap.of(TempoMap.DEFAULT);
  private static final MeterMap METER = MeterMap.of(Meter.COMMON);

  private final NoteRepeat repeat = new NoteRepeat(0.5);
  private final List<Performed> played = new ArrayList<>();

  private static Pulses pulses(String value, double swing, Optional<Loop> loop) {
    TickRange range = new TickRange(0, loop.isPresent() ? 3840 : 38_400);
    return Pulses.over(range, NoteValue.parse(value), swing, TEMPO, METER, loop);
  }

  @BeforeEach
  void sixteenths() {
    repeat.follow(pulses("1/16", 50, Optional.empty()), 0);
  }

  /** Up to a time, in frames of 16 ms. */
  private void runTo(long from, long to) {
    for (long ms = from; ms < to; ms += 16) {
      played.addAll(repeat.advance(ms * MS));
    }
    played.addAll(repeat.advance(to * MS));
  }

  private List<Long> strokes(int pitch) {
    List<Long> result = new ArrayList<>();
    for (Performed event : played) {
      if (event instanceof NoteOn on && on.pitch() == pitch) {
        result.add(Math.round(on.atNanos() / 1e6));
      }
    }
    return result;
  }

  @Test
  void a_held_note_is_struck_on_every_line_after_the_finger_and_lasts_half_the_way() {
    repeat.hold(60, 90, 30 * MS);
    runTo(30, 400);
    assertThat(played)
        .containsExactly(
            new NoteOff(125 * MS, 60),
            new NoteOn(125 * MS, 60, 90),
            new NoteOff(187_500_000, 60),
            new NoteOff(250 * MS, 60),
            new NoteOn(250 * MS, 60, 90),
            new NoteOff(312_500_000, 60),
            new NoteOff(375 * MS, 60),
            new NoteOn(375 * MS, 60, 90));
  }

  @Test
  void a_finger_a_little_before_the_line_does_not_strike_twice() {
    repeat.hold(60, 90, 70 * MS);
    runTo(70, 300);
    assertThat(strokes(60)).containsExactly(250L);
  }

  /** Straight, triplet, dotted and swung: the arithmetic of facts.md. */
  @ParameterizedTest
  @CsvSource({
    "1/16, 50, 125 250 375",
    "1/8T, 50, 167 333 500",
    "1/16D, 50, 188 375 563",
    "1/8, 66.6667, 333 500 833",
    "1/32, 50, 63 125 188"
  })
  void it_keeps_to_the_note_value(String value, double swing, String expected) {
    repeat.follow(pulses(value, swing, Optional.empty()), 0);
    repeat.hold(60, 90, 0);
    runTo(0, 850);
    assertThat(strokes(60).subList(0, 3).toString().replaceAll("[\\[\\],]", ""))
        .isEqualTo(expected);
  }

  @Test
  void several_keys_repeat_together_and_each_ends_with_its_finger() {
    repeat.hold(60, 90, 0);
    repeat.hold(67, 70, 130 * MS);
    runTo(0, 260);
    repeat.letGo(60);
    runTo(260, 400);
    assertThat(strokes(60)).containsExactly(125L, 250L);
    assertThat(strokes(67)).containsExactly(250L, 375L);
  }

  @Test
  void the_velocity_is_the_one_that_stands_at_the_stroke() {
    repeat.hold(60, 90, 0);
    runTo(0, 130);
    repeat.setVelocity(40);
    runTo(130, 260);
    assertThat(played).contains(new NoteOn(125 * MS, 60, 90), new NoteOn(250 * MS, 60, 40));
  }

  @Test
  void round_a_loop_of_a_bar_it_goes_on_for_ten_minutes_without_drift() {
    repeat.follow(pulses("1/8T", 50, Optional.of(new Loop(0, 2000 * MS))), 0);
    repeat.hold(60, 90, 0);
    runTo(0, 600_000);
    List<Long> strokes = strokes(60);
    assertThat(strokes).hasSize(3600);
    for (int i = 0; i < strokes.size(); i++) {
      assertThat(strokes.get(i)).isEqualTo(Math.round((i + 1) * 500 / 3.0));
    }
  }

  /** The tempo or the note value is changed while a key is held. */
  @Test
  void with_other_pulses_a_held_key_goes_on_from_the_next_of_them() {
    repeat.hold(60, 90, 0);
    runTo(0, 130);
    repeat.follow(pulses("1/4", 50, Optional.empty()), 130 * MS);
    runTo(130, 1100);
    assertThat(strokes(60)).containsExactly(125L, 500L, 1000L);
    assertThat(played).doesNotContain(new NoteOff(187_500_000, 60));
    repeat.follow(pulses("1/4", 50, Optional.empty()), 1400 * MS);
    assertThat(repeat.held()).containsExactly(new NoteRepeat.Held(60, 90, 2000 * MS));
  }

  @Test
  void half_way_to_a_line_it_is_the_next_and_when_all_are_let_go_none_is_struck() {
    repeat.hold(60, 90, 62_500_000);
    assertThat(repeat.held()).containsExactly(new NoteRepeat.Held(60, 90, 125 * MS));
    repeat.letGoAll();
    assertThat(repeat.held()).isEmpty();
    runTo(0, 500);
    assertThat(played).isEmpty();
  }

  @Test
  void a_note_ends_at_the_frame_that_falls_on_its_end_and_a_key_not_yet_struck_has_none() {
    repeat.hold(60, 90, 0);
    played.addAll(repeat.advance(125 * MS));
    repeat.hold(62, 90, 126 * MS);
    assertThat(repeat.advance(187_500_000)).containsExactly(new NoteOff(187_500_000, 60));
  }
}
