package flailbeat.audio.line;

import flailbeat.core.time.Clock;
import java.util.Arrays;
import java.util.List;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.DataLine;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.Mixer;
import javax.sound.sampled.SourceDataLine;

/** The devices of the system, as Java's sound library knows them. */
public final class SystemOutputs implements Outputs {
  private static final DataLine.Info WANTED =
      new DataLine.Info(SourceDataLine.class, DeviceLine.FORMAT);

  private final Clock clock;

  public SystemOutputs(Clock clock) {
    this.clock = clock;
  }

  @Override
  public List<String> names() {
    return Arrays.stream(AudioSystem.getMixerInfo())
        .filter(info -> AudioSystem.getMixer(info).isLineSupported(WANTED))
        .map(Mixer.Info::getName)
        .distinct()
        .toList();
  }

  @Override
  public OutputLine open(String name, int bufferBytes) throws LineLost {
    try {
      return DeviceLine.open(find(name), bufferBytes, clock);
    } catch (LineUnavailableException | IllegalArgumentException | IllegalStateException e) {
      throw new LineLost(String.valueOf(e.getMessage()));
    }
  }

  private static SourceDataLine find(String name) throws LineLost, LineUnavailableException {
    if (name.equals(DEFAULT)) {
      return AudioSystem.getSourceDataLine(DeviceLine.FORMAT);
    }
    Mixer.Info device =
        Arrays.stream(AudioSystem.getMixerInfo())
            .filter(info -> info.getName().equals(name))
            .filter(info -> AudioSystem.getMixer(info).isLineSupported(WANTED))
            .findFirst()
            .orElseThrow(() -> new LineLost(name + " is not there"));
    return (SourceDataLine) AudioSystem.getMixer(device).getLine(WANTED);
  }
}
