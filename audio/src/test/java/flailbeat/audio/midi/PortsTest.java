package flailbeat.audio.midi;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.audio.line.OutputLine;
import flailbeat.audio.sound.SoundLibrary;
import flailbeat.audio.synth.Feed;
import flailbeat.audio.synth.LiveQueue;
import flailbeat.audio.synth.Renderer;
import flailbeat.audio.synth.Synth;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** Parts that go to MIDI outputs: what comes out, and when the plug is pulled. */
class PortsTest {
  private static final class Wire implements MidiOutput {
    final List<String> sent = new CopyOnWriteArrayList<>();
    volatile boolean there = true;
    volatile boolean open;
    volatile boolean opening;
    volatile boolean any;
    volatile int closings;
    volatile CountDownLatch mayOpen = new CountDownLatch(0);
    volatile CountDownLatch maySend = new CountDownLatch(0);

    private static void wait(CountDownLatch latch) {
      try {
        latch.await();
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
    }

    @Override
    public String name() {
      return "Wire";
    }

    @Override
    public void open() throws MidiOutputLost {
      if (!there) {
        throw new MidiOutputLost("Wire is unplugged", null);
      }
      opening = true;
      wait(mayOpen);
      open = true;
    }

    @Override
    public void send(int status, int data1, int data2) {
      wait(maySend);
      sent.add(MidiWords.bytes(status, data1, data2));
    }

    @Override
    public boolean isThere() {
      return there;
    }

    @Override
    public void close() {
      open = false;
      closings++;
    }
  }

  private final Wire wire = new Wire();
  private final Feed feed = new Feed();
  private final MidiMonitor monitor = new MidiMonitor();
  private final Ports ports = new Ports(feed, Clock.SYSTEM, new Wires(), monitor);

  private final class Wires implements MidiOutputs {
    @Override
    public List<MidiOutput> all() {
      return wire.there ? List.of(wire) : List.of();
    }

    @Override
    public Optional<MidiOutput> named(String name) {
      return wire.any ? Optional.of(new SimulatedOutput()) : MidiOutputs.super.named(name);
    }
  }

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
    await(() -> ports.missing().equals(Set.of("Nowhere")));
    ports.close();
  }

  @Test
  void a_track_that_is_taken_back_while_its_output_opens_is_heard_here_again() throws Exception {
    wire.mayOpen = new CountDownLatch(1);
    ports.send(0, "Wire", 3, 19);
    await(() -> wire.opening);
    ports.send(0, "", 3, 19);
    wire.mayOpen.countDown();
    await(() -> wire.closings > 0);
    assertThat(feed.isOut(0)).isFalse();
    ports.close();
  }

  @Test
  void what_is_held_on_an_output_that_is_let_go_is_let_up_pedals_too() throws Exception {
    try (Synth synth = new Synth(new SoundLibrary(), 44_100)) {
      Renderer renderer = new Renderer(synth, feed);
      ports.send(0, "Wire", 3, 19);
      await(() -> wire.open && feed.isOut(0));
      feed.live().offer(PlaybackPlan.message(0, 0xB0, 64, 127));
      feed.live().offer(PlaybackPlan.message(0, 0x90, 60, 100));
      renderer.render(0, new byte[Synth.BLOCK_FRAMES * OutputLine.BYTES_PER_FRAME]);
      await(() -> wire.sent.contains("93 3C 64"));
      ports.send(0, "", 3, 19);
      await(() -> wire.closings > 0);
      assertThat(wire.sent).endsWith("83 3C 40", "B3 40 00");
    }
    ports.close();
  }

  @Test
  void a_note_whose_end_found_no_room_ends_all_the_same() throws Exception {
    try (Synth synth = new Synth(new SoundLibrary(), 44_100)) {
      Renderer renderer = new Renderer(synth, feed);
      byte[] unused = new byte[Synth.BLOCK_FRAMES * OutputLine.BYTES_PER_FRAME];
      ports.send(0, "Wire", 3, 19);
      await(() -> wire.open && feed.isOut(0));
      feed.live().offer(PlaybackPlan.message(0, 0x90, 60, 100));
      renderer.render(0, unused);
      await(() -> wire.sent.contains("93 3C 64"));
      wire.maySend = new CountDownLatch(1);
      for (int round = 0; round < 200; round++) {
        for (int i = 0; i < 100; i++) {
          feed.live().offer(PlaybackPlan.message(0, 0xB0, 1, i));
        }
        renderer.render(0, unused);
      }
      feed.live().offer(PlaybackPlan.message(0, 0x80, 60, 0));
      renderer.render(0, unused);
      wire.maySend.countDown();
      await(() -> wire.sent.contains("83 3C 40"));
    }
    ports.close();
  }

  @Test
  void more_outputs_than_there_is_room_for_are_told_and_those_let_go_make_room() throws Exception {
    wire.any = true;
    for (int i = 0; i <= Feed.MOST_PORTS; i++) {
      ports.send(i, "Wire " + i, 0, 0);
    }
    await(() -> ports.missing().equals(Set.of("Wire " + Feed.MOST_PORTS)));
    ports.watch();
    ports.send(0, "", 0, 0);
    await(
        () -> {
          ports.watch();
          return ports.missing().isEmpty() && feed.isOut(Feed.MOST_PORTS);
        });
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

  /** Programs are told by the thread that opens outputs, notes by the one that hears the keys. */
  @Test
  @Timeout(value = 60, threadMode = Timeout.ThreadMode.SEPARATE_THREAD)
  void no_played_note_is_lost_while_an_output_is_told_its_program() throws Exception {
    int many = 100_000;
    Thread teller =
        Thread.ofPlatform()
            .start(
                () -> {
                  for (int i = 0; i < many; i++) {
                    feed.live().offerProgram(1, 5);
                  }
                });
    int taken = 0;
    for (int i = 0; i < many; i++) {
      int message = PlaybackPlan.message(0, i % 2 == 0 ? 0x90 : 0x80, 60, 100);
      while (!feed.live().offer(message)) {
        taken += drained();
      }
      taken += drained();
    }
    teller.join();
    taken += drained();
    assertThat(taken).isEqualTo(many);
  }

  private int drained() {
    int notes = 0;
    for (int m = feed.live().poll(); m != LiveQueue.NOTHING; m = feed.live().poll()) {
      notes += (PlaybackPlan.status(m) & 0xE0) == 0x80 ? 1 : 0;
    }
    return notes;
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
