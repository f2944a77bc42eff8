package flailbeat.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.event.Performed;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.time.NoteValue;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Whatever can be held: it ends, and *All notes off* ends it at once. */
class HoldsTest extends SessionRig {
  private final Performer performer = session.performer();

  private record Hold(String name, Consumer<HoldsTest> begin) {
    @Override
    public String toString() {
      return name;
    }
  }

  private long now() {
    return nowMs * MS;
  }

  private void device(int controller, int value) {
    performer.moveOnDevice(new Performed.Control(now(), controller, value));
  }

  static Stream<Hold> everyKind() {
    return Stream.of(
        new Hold("a key", t -> t.performer.press(PhysicalKey.A, t.now())),
        new Hold("the mouse", t -> t.performer.press(List.of(60, 64), 90, t.now())),
        new Hold("drawn keys that are latched", t -> t.performer.latch(List.of(60), 90, t.now())),
        new Hold("a device's key", t -> t.performer.pressOnDevice(60, 90, t.now())),
        new Hold(
            "the sustain key",
            t -> {
              t.performer.sustain(true, t.now());
              t.strike(PhysicalKey.A, 10);
            }),
        new Hold(
            "sustain that is latched",
            t -> {
              t.performer.latchSustain(t.now());
              t.strike(PhysicalKey.A, 10);
            }),
        new Hold(
            "a device's pedal",
            t -> {
              t.device(64, 127);
              t.performer.pressOnDevice(60, 90, t.now());
              t.performer.releaseOnDevice(60, t.now());
            }),
        new Hold(
            "a device's pedal, another track chosen meanwhile",
            t -> {
              t.device(64, 127);
              t.performer.pressOnDevice(60, 90, t.now());
              t.chooseAnotherTrack();
              t.performer.pressOnDevice(62, 90, t.now());
              t.performer.releaseOnDevice(62, t.now());
            }),
        new Hold(
            "note repeat",
            t -> {
              t.runControl.setRepeat(true, NoteValue.straight(16));
              t.performer.press(PhysicalKey.A, t.now());
              t.runTo(500);
            }));
  }

  private void chooseAnotherTrack() {
    session.tracks().add(Instrument.melodic(48));
    session.document().chooseTrack(session.song().tracks().get(1).id());
  }

  @ParameterizedTest
  @MethodSource("everyKind")
  void all_notes_off_silences_it_and_the_next_note_ends_with_its_key(Hold hold) {
    hold.begin().accept(this);
    assertThat(player.sounding).isNotEmpty();
    session.run().panic();
    assertThat(player.sounding).isEmpty();
    assertThat(player.held()).isEmpty();
    performer.pressOnDevice(72, 90, now());
    performer.releaseOnDevice(72, now());
    assertThat(player.sounding).isEmpty();
    assertThat(performer.hands().soundingPitches()).isEmpty();
  }

  @ParameterizedTest
  @MethodSource("everyKind")
  void when_another_track_is_chosen_nothing_rings_on_in_the_one_before(Hold hold) {
    hold.begin().accept(this);
    session.tracks().add(Instrument.melodic(10));
    session.document().chooseTrack(session.song().tracks().getLast().id());
    String chosen = session.song().tracks().size() - 1 + " ";
    assertThat(player.sounding).isEmpty();
    assertThat(player.held()).allMatch(held -> held.startsWith(chosen));
  }

  @Test
  void a_device_s_pedal_and_wheel_that_are_held_go_over_to_the_track_that_is_chosen() {
    device(64, 127);
    performer.modulate(3, now());
    chooseAnotherTrack();
    assertThat(player.held()).containsExactly("1 1", "1 64");
    device(64, 0);
    performer.modulationOff();
    assertThat(player.held()).isEmpty();
  }

  @Test
  void a_device_that_goes_leaves_no_controller_of_its_own_behind() {
    device(64, 127);
    device(1, 80);
    performer.moveOnDevice(new Performed.Bend(now(), 16_000));
    performer.moveOnDevice(new Performed.Pressure(now(), 90));
    performer.releaseDevice(now());
    assertThat(player.held()).isEmpty();
  }

  @Test
  void losing_the_focus_ends_what_the_window_hears_of_and_leaves_a_midi_keyboard_playing() {
    performer.pressOnDevice(72, 90, now());
    performer.press(PhysicalKey.A, now());
    performer.sustain(true, now());
    performer.releaseOwn(now());
    assertThat(player.sounding).containsExactly("0:72");
    performer.releaseOnDevice(72, now());
    assertThat(player.sounding).isEmpty();
  }

  @Test
  void the_pressure_of_a_keyboard_is_heard_and_recorded() {
    runControl.setSettings(PlaySettings.standard().withCountIn(CountIn.NONE));
    session.run().recordOrStop();
    runTo(500);
    performer.pressOnDevice(60, 90, now());
    performer.moveOnDevice(new Performed.Pressure(now(), 70));
    runTo(700);
    performer.moveOnDevice(new Performed.Pressure(now(), 0));
    performer.releaseOnDevice(60, now());
    session.run().recordOrStop();
    assertThat(session.document().track().controls())
        .extracting(ControlPoint::control)
        .containsExactly(Control.pressure(70), Control.pressure(0));
  }

  @ParameterizedTest
  @MethodSource("everyKind")
  void it_passes_the_one_place_where_all_that_is_performed_is_heard(Hold hold) {
    List<Performed> heard = new ArrayList<>();
    Changes.Listening listening = performer.listen(heard::add);
    hold.begin().accept(this);
    assertThat(heard).isNotEmpty();
    int begun = heard.size();
    session.run().panic();
    assertThat(heard.size()).as("its end too").isGreaterThan(begun);
    listening.leave();
    int all = heard.size();
    strike(PhysicalKey.S, 10);
    assertThat(heard).hasSize(all);
  }
}
