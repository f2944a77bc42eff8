package flailbeat.audio.sound;

import com.sun.media.sound.ModelChannelMixer;
import com.sun.media.sound.ModelConnectionBlock;
import com.sun.media.sound.ModelDestination;
import com.sun.media.sound.ModelIdentifier;
import com.sun.media.sound.ModelInstrument;
import com.sun.media.sound.ModelPatch;
import com.sun.media.sound.ModelPerformer;
import com.sun.media.sound.SF2Instrument;
import com.sun.media.sound.SF2InstrumentRegion;
import com.sun.media.sound.SF2LayerRegion;
import com.sun.media.sound.SF2Region;
import flailbeat.core.model.sound.SoundedKeys;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Supplier;
import javax.sound.midi.MidiChannel;
import javax.sound.sampled.AudioFormat;

/**
 * A preset as it is played: at an address of its own, so that presets of several files are there
 * together, evened in loudness and tuning, and mixed channel by channel.
 */
public final class PlayedInstrument extends ModelInstrument {
  private static final int DECIBEL = 10;
  private static final int KEY_RANGE = 43;

  private final SF2Instrument preset;
  private final double gain;
  private final int cents;
  private final boolean kit;
  private Supplier<ModelChannelMixer> mixer = () -> null;

  /**
   * A preset.
   *
   * @param gain dB
   */
  PlayedInstrument(
      SF2Instrument preset, int bank, int program, boolean kit, double gain, int cents) {
    super(preset.getSoundbank(), new ModelPatch(bank, program, false), preset.getName(), null);
    this.preset = preset;
    this.gain = gain;
    this.cents = cents;
    this.kit = kit;
  }

  /** Chooses what makes the mixer of each channel that it is played on. */
  public void mixWith(Supplier<ModelChannelMixer> value) {
    mixer = value;
  }

  public int bank() {
    return getPatch().getBank();
  }

  public int program() {
    return getPatch().getProgram();
  }

  @Override
  public ModelPerformer[] getPerformers() {
    // Of those that no key or no velocity reaches, the JDK's director loses count, and plays
    // others.
    ModelPerformer[] performers =
        Arrays.stream(preset.getPerformers())
            .filter(p -> p.getKeyFrom() <= p.getKeyTo() && p.getVelFrom() <= p.getVelTo())
            .toArray(ModelPerformer[]::new);
    for (ModelPerformer performer : performers) {
      add(performer, ModelDestination.DESTINATION_GAIN, gain * DECIBEL);
      add(performer, ModelDestination.DESTINATION_PITCH, cents);
    }
    return performers;
  }

  /** Adds to what the preset says itself, which a second saying would replace. */
  private static void add(ModelPerformer performer, ModelIdentifier to, double value) {
    if (value == 0) {
      return;
    }
    for (ModelConnectionBlock block : performer.getConnectionBlocks()) {
      boolean constant = block.getSources() == null || block.getSources().length == 0;
      if (constant && block.getDestination().getIdentifier().equals(to)) {
        block.setScale(block.getScale() + value);
        return;
      }
    }
    performer.getConnectionBlocks().add(new ModelConnectionBlock(value, new ModelDestination(to)));
  }

  @Override
  public ModelChannelMixer getChannelMixer(MidiChannel channel, AudioFormat format) {
    return mixer.get();
  }

  @Override
  public Object getData() {
    return null;
  }

  /** Which pitches it has; a kit's drums are called as its layers are, where each has its own. */
  public SoundedKeys keys() {
    BitSet pitches = new BitSet();
    Map<Integer, String> names = new TreeMap<>();
    for (SF2InstrumentRegion region : preset.getRegions()) {
      for (SF2LayerRegion inner : region.getLayer().getRegions()) {
        int from = Math.max(from(region), from(inner));
        int to = Math.min(to(region), to(inner));
        if (from <= to) {
          pitches.set(from, to + 1);
        }
        if (kit && from == to) {
          names.putIfAbsent(from, nameOf(region, inner));
        }
      }
    }
    return new SoundedKeys(pitches, kit ? names : Map.of());
  }

  private static String nameOf(SF2InstrumentRegion region, SF2LayerRegion inner) {
    boolean layerIsDrum = region.getLayer().getRegions().size() <= 2;
    String name = layerIsDrum ? region.getLayer().getName() : inner.getSample().getName();
    return name == null ? "" : name.strip();
  }

  private static int from(SF2Region region) {
    return region.contains(KEY_RANGE) ? region.getBytes(KEY_RANGE)[0] : 0;
  }

  private static int to(SF2Region region) {
    return region.contains(KEY_RANGE) ? region.getBytes(KEY_RANGE)[1] : 127;
  }
}
