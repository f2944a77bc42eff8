package flailbeat.audio.midi;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.event.Performed;
import flailbeat.core.event.Performed.Bend;
import flailbeat.core.event.Performed.Control;
import flailbeat.core.event.Performed.NoteOff;
import flailbeat.core.event.Performed.NoteOn;
import flailbeat.core.time.Clock;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;

class MidiInputTest {
  /** Status bytes and data as in the MIDI 1.0 detailed specification. */
  @Test
  void channel_messages_are_understood_as_the_specification_says() {
    assertThat(MidiMessages.performed(0x93, 60, 100, 5)).contains(new NoteOn(5, 60, 100));
    assertThat(MidiMessages.performed(0x93, 60, 0, 5))
        .as("velocity 0 is a note-off")
        .contains(new NoteOff(5, 60));
    assertThat(MidiMessages.performed(0x83, 60, 64, 5)).contains(new NoteOff(5, 60));
    assertThat(MidiMessages.performed(0xB0, 64, 127, 5)).contains(new Control(5, 64, 127));
    assertThat(MidiMessages.performed(0xE1, 0, 64, 5)).contains(new Bend(5, Bend.CENTRE));
    assertThat(MidiMessages.performed(0xE1, 127, 127, 5)).contains(new Bend(5, 16_383));
    assertThat(MidiMessages.performed(0xF8, 0, 0, 5)).as("the clock's").isEmpty();
  }

  @Test
  void the_simulated_keyboard_plays_and_is_silent_once_it_is_unplugged() throws Exception {
    LinkedBlockingQueue<Performed> played = new LinkedBlockingQueue<>();
    SimulatedInput input = new SimulatedInput(Clock.SYSTEM, new MidiMonitor());
    input.open(played::add);
    assertThat(played.poll(10, TimeUnit.SECONDS)).isInstanceOf(NoteOn.class);
    input.unplug();
    assertThat(input.isThere()).isFalse();
    Thread.sleep(100);
    played.clear();
    assertThat(played.poll(1500, TimeUnit.MILLISECONDS)).isNull();
  }

  @Test
  void there_is_always_something_to_try_with() {
    assertThat(new MidiInputs(Clock.SYSTEM, new MidiMonitor()).all())
        .extracting(MidiInput::name)
        .contains("Simulated keyboard");
  }
}
