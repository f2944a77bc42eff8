package flailbeat.audio.midi;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiDevice;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.MidiUnavailableException;
import javax.sound.midi.Receiver;
import javax.sound.midi.Sequencer;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Synthesizer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** A MIDI output of the system. */
final class SystemOutput implements MidiOutput {
  private static final Logger LOG = LoggerFactory.getLogger(SystemOutput.class);
  private static final long NOW = -1;

  private final MidiDevice.Info info;
  private MidiDevice device;
  private Receiver receiver;

  private SystemOutput(MidiDevice.Info info) {
    this.info = info;
  }

  /** Those that are there now. */
  static List<SystemOutput> all() {
    return Arrays.stream(MidiSystem.getMidiDeviceInfo())
        .flatMap(SystemOutput::device)
        .filter(d -> !(d instanceof Sequencer) && !(d instanceof Synthesizer))
        .filter(d -> d.getMaxReceivers() != 0)
        .map(d -> new SystemOutput(d.getDeviceInfo()))
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
  public void open() throws MidiOutputLost {
    try {
      device = MidiSystem.getMidiDevice(info);
      device.open();
      receiver = device.getReceiver();
    } catch (MidiUnavailableException | IllegalArgumentException | SecurityException e) {
      throw new MidiOutputLost(
          name() + " does not open; another program may have it, or it is unplugged", e);
    }
  }

  @Override
  public void send(int status, int data1, int data2) {
    try {
      receiver.send(new ShortMessage(status, data1, data2), NOW);
    } catch (InvalidMidiDataException e) {
      throw new IllegalArgumentException("No MIDI message: " + status, e);
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
}
