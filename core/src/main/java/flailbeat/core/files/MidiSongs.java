package flailbeat.core.files;

import flailbeat.core.format.smf.SmfExport;
import flailbeat.core.format.smf.SmfImport;
import flailbeat.core.format.smf.SmfReader;
import flailbeat.core.format.smf.SmfReading;
import flailbeat.core.format.smf.SmfWriter;
import flailbeat.core.model.Song;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Standard MIDI Files. */
public final class MidiSongs implements SongFormat {
  /** What the names of MIDI files end in. */
  public static final List<String> ENDINGS = List.of(".mid", ".midi");

  @Override
  public String name() {
    return "MIDI file";
  }

  @Override
  public List<String> endings() {
    return ENDINGS;
  }

  @Override
  public Opened read(Path file) throws IOException {
    return of(SmfReader.read(file), SongFiles.titleOf(file));
  }

  /** What a MIDI file that was read gives. */
  public static Opened of(SmfReading reading, String title) {
    SmfImport made = SmfImport.of(reading.file(), title);
    List<String> remarks = new ArrayList<>(reading.departures());
    remarks.addAll(made.remarks());
    return reading.isWhole()
        ? new Opened(made.song(), "", "", remarks)
        : new Opened(made.song(), reading.describeDamage(), reading.describeLoss(), remarks);
  }

  @Override
  public Written contents(Song song) {
    SmfExport export = SmfExport.from(song);
    return new Written(out -> SmfWriter.write(export.file(), out), export.remarks());
  }
}
