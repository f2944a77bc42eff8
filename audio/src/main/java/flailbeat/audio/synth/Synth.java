package flailbeat.audio.synth;

import com.sun.media.sound.AudioSynthesizer;
import com.sun.media.sound.SoftSynthesizer;
import flailbeat.audio.line.OutputLine;
import flailbeat.audio.sound.Sound;
import flailbeat.core.model.Instrument;
import flailbeat.core.playback.Parts;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.FloatBuffer;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiChannel;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.MidiUnavailableException;
import javax.sound.midi.Soundbank;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;

/**
 * The JDK's software synthesizer, read as a stream of its own making.
 *
 * <p>Its control rate is set so that a block of {@value #BLOCK_FRAMES} frames is one step of its
 * control; a message sent before a block is heard from the block's start. Its automatic gain is
 * off, since a limiter follows.
 */
public final class Synth implements AutoCloseable {
  /** Frames to a block: 2.27 ms. */
  public static final int BLOCK_FRAMES = 100;

  /** Channels from this one on are for live notes: the same sounds as so many channels before. */
  public static final int LIVE = Parts.MOST;

  /** The bank that General MIDI 2 keeps for kits: on any channel, unlike the drum channel's. */
  private static final int KIT_BANK = 0x78 << 7;

  private static final int SUSTAIN = 64;
  private static final int SOSTENUTO = 66;
  private static final int POLYPHONY = 192;
  private static final AudioFormat FORMAT =
      new AudioFormat(
          AudioFormat.Encoding.PCM_FLOAT,
          OutputLine.FRAME_RATE,
          32,
          2,
          8,
          OutputLine.FRAME_RATE,
          false);

  private final AudioSynthesizer synthesizer = new SoftSynthesizer();
  private final AudioInputStream stream;
  private final MidiChannel[] channels;
  private final Set<Sound> loaded = EnumSet.noneOf(Sound.class);
  private final byte[] bytes = new byte[BLOCK_FRAMES * 8];
  private final FloatBuffer floats =
      ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).asFloatBuffer();

  public Synth() {
    Map<String, Object> info =
        Map.of(
            "control rate",
            (float) OutputLine.FRAME_RATE / BLOCK_FRAMES,
            "auto gain control",
            false,
            "max polyphony",
            POLYPHONY,
            "midi channels",
            2 * LIVE,
            "load default soundbank",
            false,
            "interpolation",
            "linear");
    try {
      stream = synthesizer.openStream(FORMAT, info);
    } catch (MidiUnavailableException e) {
      throw new IllegalStateException("The JDK's synthesizer does not open", e);
    }
    channels = synthesizer.getChannels();
  }

  /** Loads a sound, which may take a while; may be called from any thread. */
  public void load(Sound sound) {
    synchronized (loaded) {
      if (loaded.add(sound)) {
        synthesizer.loadAllInstruments(read(sound));
      }
    }
  }

  private static Soundbank read(Sound sound) {
    try (InputStream in =
        new BufferedInputStream(Sound.class.getResourceAsStream(sound.resource()))) {
      return MidiSystem.getSoundbank(in);
    } catch (IOException e) {
      throw new UncheckedIOException("The sound " + sound.title() + " cannot be read", e);
    } catch (InvalidMidiDataException e) {
      throw new IllegalStateException("The sound " + sound.title() + " is damaged", e);
    }
  }

  /** Chooses a part's sound, and that of its live channel; it must be loaded. */
  public void choose(int part, Instrument instrument) {
    int bank = instrument.kit() ? KIT_BANK : 0;
    channels[part].programChange(bank, instrument.program());
    channels[part + LIVE].programChange(bank, instrument.program());
  }

  public void noteOn(int channel, int pitch, int velocity) {
    channels[channel].noteOn(pitch, velocity);
  }

  public void noteOff(int channel, int pitch) {
    channels[channel].noteOff(pitch);
  }

  /** Sends a channel message that is neither note-on nor note-off. */
  public void control(int status, int channel, int data1, int data2) {
    MidiChannel to = channels[channel];
    switch (status & 0xF0) {
      case 0xA0 -> to.setPolyPressure(data1, data2);
      case 0xB0 -> to.controlChange(data1, data2);
      case 0xD0 -> to.setChannelPressure(data1);
      case 0xE0 -> to.setPitchBend(data1 | data2 << 7);
      default -> {
        // A program change within a track has no sound of its own here.
      }
    }
  }

  /**
   * Ends all that sounds. Pedals go up first: what only a pedal holds is no longer on for the
   * synthesizer, and would ring on.
   */
  public void silence() {
    for (MidiChannel channel : channels) {
      channel.controlChange(SUSTAIN, 0);
      channel.controlChange(SOSTENUTO, 0);
      channel.allSoundOff();
    }
  }

  /**
   * Renders the next block.
   *
   * @param target left and right in turn, {@code 2 * BLOCK_FRAMES} values
   */
  public void render(float[] target) {
    try {
      int read = stream.readNBytes(bytes, 0, bytes.length);
      if (read < bytes.length) {
        throw new IllegalStateException("The synthesizer's stream has ended");
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    floats.get(0, target);
  }

  @Override
  public void close() {
    synthesizer.close();
  }
}
