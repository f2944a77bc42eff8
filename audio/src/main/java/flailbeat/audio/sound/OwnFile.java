package flailbeat.audio.sound;

import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.OwnPreset;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

/** A sound file of the person's own, whose presets can be chosen. */
public final class OwnFile {
  private final Path path;
  private final Sf2Structure structure;

  private OwnFile(Path path, Sf2Structure structure) {
    this.path = path;
    this.structure = structure;
  }

  /**
   * Looks into a file; its samples stay where they are until they are played.
   *
   * @throws SoundFileFault for one that cannot be used, with the reason and what to do
   */
  public static OwnFile open(Path path) throws IOException {
    return new OwnFile(path, Sf2Structure.read(path));
  }

  public Path path() {
    return path;
  }

  /** What it is called. */
  public String name() {
    return path.getFileName().toString();
  }

  public String fingerprint() {
    return structure.fingerprint();
  }

  /** Its presets, as instruments; the nearest of ours is the one of the same number. */
  public List<Instrument> instruments() {
    return structure.presets().stream().map(this::instrument).toList();
  }

  private Instrument instrument(Sf2Structure.Preset preset) {
    OwnPreset own =
        new OwnPreset(
            name(), structure.fingerprint(), preset.bank(), preset.program(), preset.name());
    return new Instrument(preset.program(), preset.bank() == OwnPreset.KITS, own);
  }
}
