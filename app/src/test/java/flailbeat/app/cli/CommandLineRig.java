package flailbeat.app.cli;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.files.SongFiles;
import flailbeat.core.model.Song;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** What the tests of the command line share: a folder with a song in it, and what is printed. */
abstract class CommandLineRig {
  @TempDir Path folder;
  final ByteArrayOutputStream out = new ByteArrayOutputStream();
  final ByteArrayOutputStream err = new ByteArrayOutputStream();
  final PrintStream realOut = System.out;
  final PrintStream realErr = System.err;
  static final String NEW_LINE = System.lineSeparator();

  Path flail;
  Path midi;

  @BeforeEach
  void files() throws IOException {
    flail = folder.resolve("lamps.flail");
    midi = folder.resolve("lamps.mid");
    SongFiles.standard().write(HarbourLamps.song(), flail);
    SongFiles.standard().write(HarbourLamps.song(), midi);
    System.setOut(new PrintStream(out, true, StandardCharsets.UTF_8));
    System.setErr(new PrintStream(err, true, StandardCharsets.UTF_8));
  }

  @AfterEach
  void restore() {
    System.setOut(realOut);
    System.setErr(realErr);
  }

  int run(Object... words) {
    return CommandLineApp.run(Arrays.stream(words).map(Object::toString).toArray(String[]::new));
  }

  static Song read(Path file) throws IOException {
    return SongFiles.standard().read(file).song();
  }
}
