package flailbeat.audio.sound;

import flailbeat.core.model.sound.GeneralMidi;
import flailbeat.core.model.sound.Instrument;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * A sound that ships with the application: a preset of one of its SF2 files. There is one for each
 * of General MIDI's programs, and some kits.
 *
 * @param instrument which it is
 * @param file the file's name beside this class
 * @param gain by how many dB it is made louder, so that all are about as loud
 * @param cents by how many cents it is tuned higher, so that all are in tune
 */
public record Sound(Instrument instrument, String file, double gain, int cents) {
  private static final String TABLE = "sounds.csv";

  /** The table, read when it is first asked. */
  private static final class All {
    static final List<Sound> LIST = read();
    static final Map<Instrument, Sound> BY_INSTRUMENT = byInstrument();

    private static Map<Instrument, Sound> byInstrument() {
      Map<Instrument, Sound> result = new HashMap<>();
      LIST.forEach(s -> result.put(s.instrument, s));
      return result;
    }
  }

  /** All that ship: the programs in order, then the kits. */
  public static List<Sound> all() {
    return All.LIST;
  }

  /** The sound that plays an instrument: of a kit that is not there, the last below it. */
  public static Sound playing(Instrument instrument) {
    Instrument ours = instrument.ours();
    return All.BY_INSTRUMENT.get(
        ours.kit() ? Instrument.kit(GeneralMidi.kit(ours.program())) : ours);
  }

  /** Opens its file. */
  InputStream open() {
    return Sound.class.getResourceAsStream(file + ".sf2");
  }

  private static List<Sound> read() {
    try (BufferedReader lines =
        new BufferedReader(
            new InputStreamReader(
                Sound.class.getResourceAsStream(TABLE), StandardCharsets.UTF_8))) {
      return lines.lines().skip(1).map(Sound::parse).toList();
    } catch (IOException e) {
      throw new UncheckedIOException("The table of sounds cannot be read", e);
    }
  }

  private static Sound parse(String line) {
    String[] cells = line.split(",");
    Instrument instrument = new Instrument(Integer.parseInt(cells[1]), cells[0].equals("kit"));
    return new Sound(
        instrument, cells[2], Double.parseDouble(cells[3]), Integer.parseInt(cells[4]));
  }
}
