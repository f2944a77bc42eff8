package flailbeat.core.edit.shapes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteIds;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.clips.ClipShapes;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ControlEditsTest {
  private static final Controller SWELL = Controller.EXPRESSION;
  private static final TickRange ALL = new TickRange(0, 40_000);

  private static Song song(long... ticksAndValues) {
    Song empty = Song.empty().withNextId(100);
    List<NewControl> values = new ArrayList<>();
    for (int i = 0; i < ticksAndValues.length; i += 2) {
      values.add(new NewControl(ticksAndValues[i], SWELL.at(ticksAndValues[i + 1])));
    }
    return SongEdits.addControls(empty, track(empty), values);
  }

  private static TrackId track(Song song) {
    return song.tracks().get(0).id();
  }

  private static List<String> told(Song song, Controller of) {
    return ControlEdits.points(song.tracks().get(0), of, ALL).stream()
        .map(p -> p.tick() + "=" + p.control().value())
        .toList();
  }

  @Test
  void what_lies_outside_a_stretch_that_is_drawn_over_is_heard_as_it_was() {
    Song song = song(0, 90, 1000, 50, 3000, 70);
    Song drawn =
        ControlEdits.replace(
            song,
            track(song),
            SWELL,
            new TickRange(1500, 2000),
            List.of(new NewControl(1500, SWELL.at(10)), new NewControl(1800, SWELL.at(20))));
    assertThat(told(drawn, SWELL))
        .containsExactly("0=90", "1000=50", "1500=10", "1800=20", "2000=50", "3000=70");
    Song wiped = ControlEdits.erase(song, track(song), SWELL, new TickRange(900, 2000));
    assertThat(told(wiped, SWELL)).containsExactly("0=90", "2000=50", "3000=70");
    assertThat(ControlEdits.erase(song, track(song), SWELL, new TickRange(1100, 2000)))
        .isSameAs(song);
  }

  @Test
  void a_swell_where_nothing_was_ever_set_leaves_what_follows_as_it_was() {
    Song song = song();
    TickRange bar = new TickRange(0, 3840);
    Song faded =
        ControlEdits.replace(
            song, track(song), SWELL, bar, List.of(new NewControl(480, SWELL.at(10))));
    assertThat(told(faded, SWELL))
        .as("expression rests at 127")
        .containsExactly("480=10", "3839=127");
    Song bent =
        ControlEdits.replace(
            song,
            track(song),
            Controller.BEND,
            bar,
            List.of(new NewControl(480, Controller.BEND.at(9000))));
    assertThat(told(bent, Controller.BEND))
        .as("what follows is in tune")
        .containsExactly("480=9000", "3839=8192");
  }

  @Test
  void other_controllers_are_never_touched() {
    Song song = song(0, 90, 1000, 50);
    Song both =
        SongEdits.addControls(
            song, track(song), List.of(new NewControl(500, Controller.BEND.at(9000))));
    Song wiped = ControlEdits.erase(both, track(both), SWELL, ALL);
    assertThat(told(wiped, Controller.BEND)).containsExactly("500=9000");
    assertThat(told(wiped, SWELL)).isEmpty();
  }

  /** By brute force: the value in force at each tick that is looked at. */
  @Test
  void a_line_is_followed_within_its_tolerance_by_few_values() {
    Random random = new Random(4);
    for (int round = 0; round < 200; round++) {
      Controller of = round % 2 == 0 ? SWELL : Controller.BEND;
      double bend = random.nextInt(3) - 1;
      Curve curve =
          Curve.between(
              random.nextInt(2000),
              random.nextDouble() * of.most(),
              2000 + random.nextInt(9000),
              random.nextDouble() * of.most(),
              bend);
      List<NewControl> values = ControlEdits.line(curve, of);
      assertThat(values.getFirst().tick()).isEqualTo(curve.start());
      assertThat((double) values.getLast().control().value())
          .isCloseTo(curve.valueAt(curve.end()), within(0.51));
      double most = Math.max(0.5, of.most() * ControlEdits.TOLERANCE);
      for (long tick = curve.start(); tick < curve.end(); tick += ControlEdits.FINEST_TICKS) {
        assertThat((double) inForce(values, tick))
            .as("at %d", tick)
            .isCloseTo(curve.valueAt(tick), within(most + 0.51));
      }
      assertThat(values).hasSizeLessThanOrEqualTo(140);
    }
  }

  @Test
  void a_line_beyond_what_a_controller_can_have_stays_at_its_wall() {
    List<NewControl> values = ControlEdits.line(Curve.between(0, -60, 4000, 200, 0), SWELL);
    assertThat(inForce(values, 500)).isZero();
    assertThat(inForce(values, 2000)).isBetween(69, 71);
    assertThat(inForce(values, 3500)).isEqualTo(127);
    assertThat(ControlEdits.line(Curve.at(50, 64), SWELL)).hasSize(1);
  }

  private static int inForce(List<NewControl> values, long tick) {
    int value = -1;
    for (NewControl c : values) {
      value = c.tick() <= tick ? c.control().value() : value;
    }
    return value;
  }

  @Test
  void thinning_keeps_every_value_within_its_tolerance_and_the_last_as_it_is() {
    Random random = new Random(9);
    for (int round = 0; round < 100; round++) {
      List<NewControl> values = new ArrayList<>();
      int value = 64;
      for (int i = 0; i < 80; i++) {
        value = Math.clamp(value + random.nextInt(9) - 4, 0, 127);
        values.add(new NewControl(10L * i, SWELL.at(value)));
      }
      int tolerance = random.nextInt(6);
      List<NewControl> thinned = ControlThinning.thinned(values, tolerance);
      for (int i = 0; i < 80; i++) {
        assertThat(inForce(thinned, 10L * i))
            .isCloseTo(values.get(i).control().value(), within(tolerance));
      }
      assertThat(inForce(thinned, 800)).isEqualTo(values.getLast().control().value());
      assertThat(thinned.size()).isLessThanOrEqualTo(values.size());
    }
  }

  @Test
  void a_stretch_is_moved_copied_scaled_and_shifted_with_the_value_that_held_as_it_began() {
    Song song = song(0, 100, 960, 60, 1440, 80);
    TickRange stretch = new TickRange(480, 1920);
    assertThat(told(ControlEdits.copy(song, track(song), SWELL, stretch, 3840), SWELL))
        .contains("3840=100", "4320=60", "4800=80");
    assertThat(told(ControlEdits.move(song, track(song), SWELL, stretch, 1920), SWELL))
        .containsExactly("0=100", "1920=80", "2400=100", "2880=60", "3360=80");
    assertThat(told(ControlEdits.shift(song, track(song), SWELL, stretch, 100), SWELL))
        .as("within 0 to 127, and as it was after it")
        .containsExactly("0=100", "960=127", "1440=127", "1920=80");
    assertThat(told(ControlEdits.scale(song, track(song), SWELL, stretch, 50), SWELL))
        .containsExactly("0=100", "960=30", "1440=40", "1920=80");
    assertThat(Controller.BEND.zero()).as("a bend is counted from its middle").isEqualTo(0x2000);
  }

  /** What is seen while the mouse holds a stretch is what is done when it lets go. */
  @Test
  void a_stretch_in_hand_is_what_moving_copying_and_scaling_it_give() {
    Random random = new Random(4);
    for (int round = 0; round < 200; round++) {
      long[] values = new long[2 * random.nextInt(12)];
      for (int i = 0; i < values.length; i += 2) {
        values[i] = 480L * i + random.nextInt(400);
        values[i + 1] = random.nextInt(128);
      }
      Song song = song(values);
      long start = random.nextInt(3000);
      TickRange range = new TickRange(start, start + 1 + random.nextInt(4000));
      long by = random.nextInt(6000) - 2000;
      ControlDrawn moved = ControlDrawn.moved(song, track(song), SWELL, range, by);
      assertThat(told(moved.isNothing() ? song : moved.apply(song), SWELL))
          .isEqualTo(told(ControlEdits.move(song, track(song), SWELL, range, by), SWELL));
      ControlDrawn copied = ControlDrawn.copied(song, track(song), SWELL, range, by);
      long to = Math.max(0, start + by);
      assertThat(told(copied.isNothing() ? song : copied.apply(song), SWELL))
          .isEqualTo(told(ControlEdits.copy(song, track(song), SWELL, range, to), SWELL));
      ControlDrawn scaled = ControlDrawn.scaled(song, track(song), SWELL, range, 40);
      assertThat(told(scaled.isNothing() ? song : scaled.apply(song), SWELL))
          .isEqualTo(told(ControlEdits.scale(song, track(song), SWELL, range, 40), SWELL));
    }
  }

  @Test
  void a_pedal_is_bars_and_says_which_notes_ring_on() {
    Song song = Song.empty().withNextId(100);
    TrackId id = track(song);
    Song held =
        NoteEdits.put(
            NoteEdits.add(
                song,
                id,
                List.of(
                    new NoteEdits.NewNote(60, 80, new Played(0, 400)),
                    new NoteEdits.NewNote(64, 80, new Played(480, 2000))),
                new TickRange(0, 3840)),
            List.of());
    Song pedalled = PedalBars.drawn(id, Controller.SUSTAIN, new TickRange(100, 960)).apply(held);
    Track track = pedalled.tracks().get(0);
    assertThat(PedalBars.of(track, Controller.SUSTAIN, ALL))
        .containsExactly(new TickRange(100, 960));
    assertThat(PedalBars.of(track, Controller.SUSTAIN, new TickRange(500, 700)))
        .containsExactly(new TickRange(500, 700));
    assertThat(PedalBars.ringing(track, new TickRange(100, 960)))
        .extracting(Note::pitch)
        .containsExactly(60);
    Song again = PedalBars.drawn(id, Controller.SUSTAIN, new TickRange(480, 1920)).apply(pedalled);
    assertThat(PedalBars.of(again.tracks().get(0), Controller.SUSTAIN, ALL))
        .as("pressed down over it: one bar")
        .containsExactly(new TickRange(100, 1920));
  }

  /** MIDI 1.0 detailed specification, table III: numbers and names, from memory. */
  @Test
  void controllers_are_called_what_the_standard_calls_them() {
    assertThat(Controller.numbered(1).title()).isEqualTo("Modulation");
    assertThat(Controller.numbered(7).title()).isEqualTo("Volume");
    assertThat(Controller.numbered(33).title()).isEqualTo("Modulation, fine");
    assertThat(Controller.numbered(64).title()).isEqualTo("Sustain");
    assertThat(Controller.numbered(67).title()).isEqualTo("Soft pedal");
    assertThat(Controller.numbered(74).title()).isEqualTo("Brightness");
    assertThat(Controller.numbered(91).title()).isEqualTo("Reverb send");
    assertThat(Controller.numbered(101).title()).isEqualTo("Registered parameter");
    assertThat(Controller.numbered(123).title()).isEqualTo("All notes off");
    assertThat(Controller.numbered(3).title()).isEqualTo("Controller 3");
    assertThat(Controller.numbered(35).title()).isEqualTo("Controller 35");
  }

  /** Worked by hand: the distance to 80 is halved, or doubled as far as 1 to 127 reach. */
  @Test
  void velocities_are_squeezed_ramped_smoothed_and_accented_as_worked_by_hand() {
    Song song = Song.empty().withNextId(100);
    int[] velocities = {40, 60, 80, 100, 120};
    List<NoteEdits.NewNote> notes = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      notes.add(new NoteEdits.NewNote(60, velocities[i], new Played(i * 480L, i * 480L + 200)));
    }
    Song with = NoteEdits.add(song, track(song), notes, new TickRange(0, 3840));
    Set<NoteId> ids = NoteIds.ofNotes(with.tracks().get(0).notes());
    assertThat(loud(VelocityTools.squeeze(with, ids, 80, 50))).containsExactly(60, 70, 80, 90, 100);
    assertThat(loud(VelocityTools.squeeze(with, ids, 80, 200)))
        .containsExactly(1, 40, 80, 120, 127);
    assertThat(loud(VelocityTools.ramp(with, ids, 20, 100))).containsExactly(20, 40, 60, 80, 100);
    assertThat(loud(VelocityTools.smooth(with, ids))).containsExactly(50, 60, 80, 100, 110);
    Song even = VelocityTools.set(with, ids, 60);
    assertThat(loud(VelocityTools.accents(even, ids, 30)))
        .as("on the first beat, between, on the second, between, on the third")
        .containsExactly(90, 50, 70, 50, 80);
    assertThat(loud(VelocityTools.accents(NoteEdits.move(even, ids, 40, 0), ids, 30)))
        .as("played loosely")
        .containsExactly(90, 50, 70, 50, 80);
    assertThat(loud(VelocityTools.sway(even, ids, 8, 3))).allMatch(v -> v >= 52 && v <= 68);
    assertThat(VelocityTools.centre(with, ids)).isEqualTo(80);
    assertThat(Louder.by(ids, 0).apply(with)).isSameAs(with);
  }

  private static List<Integer> loud(Song song) {
    return song.tracks().get(0).notes().stream().map(Note::velocity).toList();
  }

  @Test
  void a_hand_that_goes_back_draws_over_what_it_drew() {
    Curve curve = Curve.at(0, 10).to(0, 100, 50).to(100, 40, 90);
    assertThat(curve.valueAt(0)).isEqualTo(10);
    assertThat(curve.valueAt(40)).isEqualTo(90);
    assertThat(curve.valueAt(70)).isEqualTo(70);
    assertThat(curve.end()).isEqualTo(100);
  }

  @Test
  void loops_under_a_stretch_are_written_out_and_ids_are_never_given_twice() {
    Song song = song(0, 90, 400, 30);
    var clip = song.tracks().get(0).clips().get(0);
    Song looping = ClipShapes.loop(song, clip.id(), 960, 3840);
    assertThat(ControlEdits.valueBefore(looping.tracks().get(0), SWELL, 2000)).hasValue(90);
    Song drawn =
        ControlEdits.replace(
            looping,
            track(song),
            SWELL,
            new TickRange(1000, 1100),
            List.of(new NewControl(1000, SWELL.at(5))));
    assertThat(told(drawn, SWELL)).contains("960=90", "1000=5", "1100=90", "1360=30", "1920=90");
    List<Long> ids = drawn.tracks().get(0).controls().stream().map(ControlPoint::idNumber).toList();
    assertThat(ids).doesNotHaveDuplicates().allMatch(id -> id < drawn.nextId());
  }
}
