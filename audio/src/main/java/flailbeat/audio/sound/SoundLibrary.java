package flailbeat.audio.sound;

import com.sun.media.sound.ModelPatch;
import com.sun.media.sound.SF2Instrument;
import com.sun.media.sound.SF2Soundbank;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.OwnPreset;
import flailbeat.core.model.sound.SoundedKeys;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import javax.sound.midi.Patch;

/**
 * Finds what an instrument is played by: the one of ours, or a preset of a file of the person's own
 * where that is known; else the one of ours that comes nearest. Files are read when a sound of them
 * is first asked for. May be used by several threads.
 */
public final class SoundLibrary {
  /** Banks from this one on are looked up by their number alone, on any channel. */
  private static final int FIRST_BANK = 0x79 << 7;

  private static final int LAST_BANK = FIRST_BANK + 127;
  private static final int OUR_KITS = FIRST_BANK + 1;

  private final Map<String, SF2Soundbank> banks = new HashMap<>();
  private final Map<String, Path> own = new HashMap<>();
  private final Map<String, Integer> ownBanks = new HashMap<>();

  /** Makes a file's presets known. */
  public synchronized void add(OwnFile file) {
    own.put(file.fingerprint(), file.path());
  }

  /** Whether an instrument is played by what it names, and not by one of ours in its place. */
  public synchronized boolean has(Instrument instrument) {
    return instrument.own().isNone() || own.containsKey(instrument.own().fingerprint());
  }

  /** What plays an instrument that does not have to be prepared: the same for all that share it. */
  public synchronized Instrument played(Instrument instrument) {
    return has(instrument) ? instrument : instrument.ours();
  }

  /**
   * Prepares what plays an instrument.
   *
   * @throws SoundFileFault where its file cannot be used
   */
  public synchronized PlayedInstrument prepare(Instrument instrument) throws SoundFileFault {
    return has(instrument) && !instrument.own().isNone() ? ofOwn(instrument) : ofOurs(instrument);
  }

  /** The pitches that an instrument has. */
  public SoundedKeys keys(Instrument instrument) throws SoundFileFault {
    SoundedKeys found = prepare(instrument).keys();
    boolean ours = instrument.own().isNone() || !has(instrument);
    return ours ? new SoundedKeys(found.pitches(), Map.of()) : found;
  }

  private PlayedInstrument ofOurs(Instrument instrument) throws SoundFileFault {
    Sound sound = Sound.playing(instrument);
    SF2Soundbank bank = banks.get(sound.file());
    if (bank == null) {
      try (InputStream in = new BufferedInputStream(sound.open())) {
        bank = new SF2Soundbank(in);
        banks.put(sound.file(), bank);
      } catch (IOException | RuntimeException e) {
        throw new SoundFileFault("the sound " + sound.instrument().title() + " is damaged", e);
      }
    }
    boolean kit = sound.instrument().kit();
    int program = sound.instrument().program();
    SF2Instrument preset =
        find(bank, kit, 0, program)
            .orElseThrow(() -> new SoundFileFault(sound.file() + " does not hold what it should"));
    int at = kit ? OUR_KITS : FIRST_BANK;
    return new PlayedInstrument(preset, at, program, kit, sound.gain(), sound.cents());
  }

  private PlayedInstrument ofOwn(Instrument instrument) throws SoundFileFault {
    OwnPreset preset = instrument.own();
    Path path = own.get(preset.fingerprint());
    SF2Soundbank bank = banks.get(preset.fingerprint());
    if (bank == null) {
      try {
        bank = new SF2Soundbank(path.toFile());
        banks.put(preset.fingerprint(), bank);
      } catch (IOException | RuntimeException e) {
        throw new SoundFileFault(
            path.getFileName() + " cannot be read: is it still there, and not damaged?", e);
      }
    }
    boolean kit = preset.bank() == OwnPreset.KITS;
    SF2Instrument found =
        find(bank, kit, kit ? 0 : preset.bank(), preset.program())
            .orElseThrow(
                () ->
                    new SoundFileFault(
                        path.getFileName() + " has no preset " + preset.name() + " any more"));
    return new PlayedInstrument(found, bankOf(preset), preset.program(), kit, 0, 0);
  }

  private int bankOf(OwnPreset preset) {
    String key = preset.fingerprint() + " " + preset.bank();
    int next = OUR_KITS + 1 + ownBanks.size();
    return ownBanks.computeIfAbsent(key, k -> Math.min(LAST_BANK, next));
  }

  private static Optional<SF2Instrument> find(
      SF2Soundbank bank, boolean kit, int number, int program) {
    for (SF2Instrument each : bank.getInstruments()) {
      Patch patch = each.getPatch();
      boolean percussion = patch instanceof ModelPatch m && m.isPercussion();
      if (patch.getProgram() == program
          && percussion == kit
          && (kit || patch.getBank() >> 7 == number)) {
        return Optional.of(each);
      }
    }
    return Optional.empty();
  }
}
