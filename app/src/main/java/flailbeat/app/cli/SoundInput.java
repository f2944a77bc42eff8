package flailbeat.app.cli;

import flailbeat.core.files.Opened;
import flailbeat.core.files.SongFiles;
import java.io.IOException;
import java.nio.file.Path;

/** Reads what a command works on, which must be whole: a command asks nobody. */
final class SoundInput {
  private SoundInput() {}

  /** Reads IN after a look at the name of OUT, so that no work is done for nothing. */
  static Opened read(Path in, Path out) throws CommandFault {
    requireKnown(out);
    try {
      Opened opened = SongFiles.read(in);
      requireWhole(in, opened);
      return opened;
    } catch (IOException e) {
      throw CommandLineApp.fault(in, e);
    }
  }

  static void requireKnown(Path out) throws CommandFault {
    try {
      SongFiles.kindOf(out);
    } catch (IOException e) {
      throw CommandLineApp.fault(out, e);
    }
  }

  static void requireWhole(Path in, Opened opened) throws CommandFault {
    if (!opened.isSound()) {
      throw new CommandFault(
          in
              + ": damaged: "
              + opened.damage()
              + " ("
              + opened.loss()
              + "); open it in the window to save what is left",
          null);
    }
  }
}
