package flailbeat.audio.synth;

import com.sun.media.sound.SoftSynthesizer;
import flailbeat.audio.line.OutputLine;
import flailbeat.audio.sound.PlayedInstrument;
import flailbeat.audio.sound.SoundFileFault;
import flailbeat.audio.sound.SoundLibrary;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.playback.Parts;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.FloatBuffer;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import javax.sound.midi.MidiChannel;
import javax.sound.midi.MidiUnavailableException;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;

/**
 * The JDK's software synthesizer, read as a stream of its own making.
 *
 * <p>Its control rate is set so that a block of {@value #BLOCK_FRAMES} frames is one step of its
 * control; a message sent before a block is heard from the block's start. Its automatic gain is
 * off, since a limiter follows. Each channel is mixed by itself, in order, so that its level is
 * known and a song always sounds the same to the last bit.
 */
public final class Synth implements AutoCloseable {
  /** Frames to a block: 2.27 ms at 44.1 kHz. */
  public static final int BLOCK_FRAMES = 100;

  /** Channels from this one on are for live notes: the same sounds as so many channels before. */
  public static final int LIVE = Parts.MOST;

  private static final int CHANNELS = 2 * LIVE;
  private static final int SUSTAIN = 64;
  private static final int SOSTENUTO = 66;
  private static final int POLYPHONY = 192;

  private final SoftSynthesizer synthesizer = new SoftSynthesizer();
  private final SoundLibrary library;
  private final int frameRate;
  private final AudioInputStream stream;
  private final MidiChannel[] channels;
  private final Map<Instrument, PlayedInstrument> loaded = new HashMap<>();
  private final byte[] bytes = new byte[BLOCK_FRAMES * 8];
  private final FloatBuffer floats =
      ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).asFloatBuffer();
  private final float[][] left = new float[CHANNELS][BLOCK_FRAMES];
  private final float[][] right = new float[CHANNELS][BLOCK_FRAMES];
  private final boolean[] mixed = new boolean[CHANNELS];
  private final ChannelMixer[] mixers = new ChannelMixer[CHANNELS];

  /** The channel whose note is struck or let go: mixers are made for it. */
  private int speaking;

  public Synth(SoundLibrary library) {
    this(library, OutputLine.FRAME_RATE);
  }

  /**
   * A synthesizer.
   *
   * @param frameRate frames a second
   */
  public Synth(SoundLibrary library, int frameRate) {
    this.library = library;
    this.frameRate = frameRate;
    AudioFormat format =
        new AudioFormat(AudioFormat.Encoding.PCM_FLOAT, frameRate, 32, 2, 8, frameRate, false);
    Map<String, Object> info =
        Map.of(
            "control rate",
            (float) frameRate / BLOCK_FRAMES,
            "auto gain control",
            false,
            "max polyphony",
            POLYPHONY,
            "midi channels",
            CHANNELS,
            "load default soundbank",
            false,
            "interpolation",
            "linear");
    try {
      stream = synthesizer.openStream(format, info);
    } catch (MidiUnavailableException e) {
      throw new IllegalStateException("The JDK's synthesizer does not open", e);
    }
    MixOrder.keepIn(synthesizer);
    channels = synthesizer.getChannels();
  }

  /** Frames a second. */
  public int frameRate() {
    return frameRate;
  }

  /**
   * Loads a sound, which may take a while; may be called from any thread.
   *
   * @throws SoundFileFault where its file cannot be used
   */
  public void load(Instrument instrument) throws SoundFileFault {
    Instrument played = library.played(instrument);
    synchronized (loaded) {
      if (!loaded.containsKey(played)) {
        PlayedInstrument prepared = library.prepare(played);
        prepared.mixWith(this::mixer);
        if (!synthesizer.loadInstrument(prepared)) {
          throw new SoundFileFault("the sound " + instrument.title() + " does not load");
        }
        loaded.put(played, prepared);
      }
    }
  }

  private ChannelMixer mixer() {
    mixed[speaking] = true;
    if (mixers[speaking] == null) {
      mixers[speaking] = new ChannelMixer(speaking, left[speaking], right[speaking]);
    }
    return mixers[speaking];
  }

  /**
   * Chooses a part's sound, and that of its live channel; nothing where it is not loaded, as when
   * its file has become known meanwhile: then it is loaded and chosen anew.
   */
  public void choose(int part, Instrument instrument) {
    chooseOn(part, instrument);
    chooseOn(part + LIVE, instrument);
  }

  /** Chooses the sound of a part's live channel alone; it must be loaded. */
  public void chooseLive(int part, Instrument instrument) {
    chooseOn(part + LIVE, instrument);
  }

  private void chooseOn(int channel, Instrument instrument) {
    PlayedInstrument played;
    synchronized (loaded) {
      played = loaded.get(library.played(instrument));
    }
    if (played != null) {
      channels[channel].programChange(played.bank(), played.program());
    }
  }

  public void noteOn(int channel, int pitch, int velocity) {
    speaking = channel;
    channels[channel].noteOn(pitch, velocity);
  }

  public void noteOff(int channel, int pitch) {
    speaking = channel;
    channels[channel].noteOff(pitch);
  }

  /** Sends a channel message that is neither note-on nor note-off. */
  public void control(int status, int channel, int data1, int data2) {
    speaking = channel;
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
    for (int channel = 0; channel < CHANNELS; channel++) {
      speaking = channel;
      channels[channel].controlChange(SUSTAIN, 0);
      channels[channel].controlChange(SOSTENUTO, 0);
      channels[channel].allSoundOff();
    }
  }

  /**
   * Renders the next block.
   *
   * @param target left and right in turn, {@code 2 * BLOCK_FRAMES} values
   */
  public void render(float[] target) {
    for (int channel = 0; channel < CHANNELS; channel++) {
      if (mixed[channel]) {
        Arrays.fill(left[channel], 0);
        Arrays.fill(right[channel], 0);
      }
    }
    try {
      int read = stream.readNBytes(bytes, 0, bytes.length);
      if (read < bytes.length) {
        throw new IllegalStateException("The synthesizer's stream has ended");
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    floats.get(0, target);
    for (int channel = 0; channel < CHANNELS; channel++) {
      if (mixed[channel]) {
        add(channel, target);
      }
    }
  }

  private void add(int channel, float[] target) {
    float[] l = left[channel];
    float[] r = right[channel];
    for (int i = 0; i < BLOCK_FRAMES; i++) {
      target[2 * i] += l[i];
      target[2 * i + 1] += r[i];
    }
  }

  /** The largest value that a part had in the last block, live notes too; 1 is full scale. */
  float level(int part) {
    return Math.max(levelOn(part), levelOn(part + LIVE));
  }

  private float levelOn(int channel) {
    if (!mixed[channel]) {
      return 0;
    }
    float most = 0;
    for (int i = 0; i < BLOCK_FRAMES; i++) {
      most = Math.max(most, Math.max(Math.abs(left[channel][i]), Math.abs(right[channel][i])));
    }
    return most;
  }

  @Override
  public void close() {
    synthesizer.close();
  }
}
