package flailbeat.audio.midi;

import flailbeat.core.event.Performed;
import flailbeat.core.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Stream;
import javax.sound.midi.MidiDevice;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.MidiUnavailableException;
import javax.sound.midi.Receiver;
import javax.sound.midi.Sequencer;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Synthesizer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** A MIDI input device of the system. */
final class SystemInput implements MidiInput {
  private static final Logger LOG = LoggerFactory.getLogger(SystemInput.class);

  private final MidiDevice.Info info;
  private final Clock clock;
  private final MidiMonitor monitor;
  private MidiDevice device;

  private SystemInput(MidiDevice.Info info, Clock clock, MidiMonitor monitor) {
    this.info = info;
    this.clock = clock;
    this.monitor = monitor;
  }

  /** Those that are there now. */
  static List<SystemInput> all(Clock clock, MidiMonitor monitor) {
    return Arrays.stream(MidiSystem.getMidiDeviceInfo())
        .flatMap(SystemInput::device)
        .filter(d -> !(d instanceof Sequencer) && !(d instanceof Synthesizer))
        .filter(d -> d.getMaxTransmitters() != 0)
        .map(d -> new SystemInput(d.getDeviceInfo(), clock, monitor))
        .toList();
  }

  private static Stream<MidiDevice> device(MidiDevice.Info info) {
    try {
      return Stream.of(MidiSystem.getMidiDevice(info));
    } catch (MidiUnavailableException | IllegalArgumentException e) {
      LOG.debug("{} is not there", info, e);
      return Stream.empty();
    }
  }

  @Override
  public String name() {
    return info.getName();
  }

  @Override
  public void open(Consumer<Performed> listener) throws MidiInputLost {
    try {
      device = MidiSystem.getMidiDevice(info);
      device.open();
      device.getTransmitter().setReceiver(new Listening(listener));
    } catch (MidiUnavailableException | IllegalArgumentException | SecurityException e) {
      throw new MidiInputLost(
          name() + " does not open; another program may have it, or it is unplugged", e);
    }
  }

  @Override
  public boolean isThere() {
    return device != null
        && device.isOpen()
        && Arrays.asList(MidiSystem.getMidiDeviceInfo()).contains(info);
  }

  @Override
  public void close() {
    if (device != null) {
      device.close();
    }
  }

  private final class Listening implements Receiver {
    private final Consumer<Performed> listener;

    Listening(Consumer<Performed> listener) {
      this.listener = listener;
    }

    @Override
    public void send(MidiMessage message, long timeStamp) {
      long now = clock.nanoTime();
      if (message instanceof ShortMessage m) {
        if (m.getStatus() < 0xF0) {
          monitor.take(now, true, name(), m.getStatus(), m.getData1(), m.getData2());
        }
        MidiMessages.performed(m.getStatus(), m.getData1(), m.getData2(), now).ifPresent(listener);
      }
    }

    @Override
    public void close() {
      // The device is closed, not what listens to it.
    }
  }
}
