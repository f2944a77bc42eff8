package flailbeat.audio.midi;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.audio.synth.Feed;
import flailbeat.audio.synth.LiveQueue;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.time.Clock;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.Test;

/** Parts that go to MIDI outputs: what comes out, and when the plug is pulled. */
class PortsTest {
  private static final class Wire implements MidiOutput {
    final List<String> sent = new CopyOnWriteArrayList<>();
    volatile boolean there = true;
    volatile boolean open;

    @Override
    public String name() {
      return "Wire";
    }

    @Override
    public void open() throws MidiOutputLost {
      if (!there) {
        throw new MidiOutputLost("Wire is unplugged", null);
      }
      open = true;
    }

    @Override
    public void send(int status, int data1, int data2) {
      sent.add(MidiWords.bytes(status, data1, data2));
    }

    @Override
    public boolean isThere() {
      return there;
    }

    @Override
    public void close() {
      open = false;
    }
  }

  private final Wire wire = new Wire();
  private final Feed feed = new Feed();
  private final MidiMonitor monitor = new MidiMonitor();
  private final Ports ports =
      new Ports(feed, Clock.SYSTEM, () -> wire.there ? List.of(wire) : List.of(), monitor);

  private static void await(BooleanSupplier condition) throws InterruptedException {
    for (int i = 0; i < 500 && !condition.getAsBoolean(); i++) {
      Thread.sleep(10);
    }
    assertThat(condition.getAsBoolean()).isTrue();
  }

  @Test
  void an_output_that_goes_is_told_its_notes_end_and_it_is_taken_up_when_it_is_back()
      throws Exception {
    ports.send(0, "Wire", 3, 19);
    await(() -> wire.open);
    int[] told = {LiveQueue.NOTHING};
    await(
        () -> {
          told[0] = told[0] == LiveQueue.NOTHING ? feed.live().poll() : told[0];
          return told[0] != LiveQueue.NOTHING;
        });
    assertThat(told[0] & 0xFFFF).as("program 20").isEqualTo(0x13C0);
    assertThat(ports.missing()).isEmpty();
    wire.there = false;
    ports.watch();
    await(() -> ports.missing().contains("Wire"));
    assertThat(wire.open).isFalse();
    wire.there = true;
    ports.watch();
    await(() -> wire.open && ports.missing().isEmpty());
    ports.send(0, "", 3, 19);
    await(() -> !wire.open);
    ports.close();
  }

  @Test
  void one_that_was_never_there_is_told() throws Exception {
    ports.send(5, "Nowhere", 0, 0);
    await(() -> ports.missing().equals(java.util.Set.of("Nowhere")));
    ports.close();
  }

  /** MIDI 1.0 detailed specification, tables I to III. */
  @Test
  void messages_are_said_in_words_and_bytes() {
    assertThat(MidiWords.of(0x92, 60, 80, OctaveNames.MIDDLE_C4))
        .isEqualTo("Note on C4, velocity 80");
    assertThat(MidiWords.bytes(0x92, 60, 80)).isEqualTo("92 3C 50");
    assertThat(MidiWords.of(0x90, 60, 0, OctaveNames.MIDDLE_C4)).startsWith("Note off C4");
    assertThat(MidiWords.of(0xB0, 64, 127, OctaveNames.MIDDLE_C4)).contains("(64) 127");
    assertThat(MidiWords.of(0xB0, 123, 0, OctaveNames.MIDDLE_C4)).startsWith("All notes off");
    assertThat(MidiWords.of(0xC0, 19, 0, OctaveNames.MIDDLE_C4))
        .isEqualTo("Program 20, Church organ");
    assertThat(MidiWords.bytes(0xC0, 19, 0)).isEqualTo("C0 13");
    assertThat(MidiWords.of(0xE0, 0, 64, OctaveNames.MIDDLE_C4)).isEqualTo("Pitch bend 0");
    assertThat(MidiWords.of(0xE0, 0, 0, OctaveNames.MIDDLE_C4)).isEqualTo("Pitch bend \u22128192");
  }

  @Test
  void the_monitor_keeps_the_latest_and_counts_all() {
    for (int i = 0; i < MidiMonitor.MOST + 10; i++) {
      monitor.take(i, i % 2 == 0, "Wire", 0x90, 60, 1);
    }
    assertThat(monitor.since(0)).hasSize(MidiMonitor.MOST);
    assertThat(monitor.since(MidiMonitor.MOST + 8)).hasSize(2);
  }
}
