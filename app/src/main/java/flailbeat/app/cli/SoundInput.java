package flailbeat.app.cli;

import flailbeat.app.formats.Formats;
import flailbeat.core.files.Opened;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import picocli.CommandLine.Option;

/** What a command works on: a command asks nobody, so what is lost must be allowed beforehand. */
final class SoundInput {
  @Option(
      names = "--salvage",
      description = "Go on with what can be read of a damaged file, and say what is lost.")
  private boolean salvage;

  static void requireKnown(Path out) throws CommandFault {
    try {
      Formats.ALL.formatOf(out);
    } catch (IOException e) {
      throw CommandLineApp.fault(out, e);
    }
  }

  /** Whether a file is a MIDI file, by its name. */
  static boolean isMidi(Path file) throws CommandFault {
    try {
      return Formats.ALL.isMidi(file);
    } catch (IOException e) {
      throw CommandLineApp.fault(file, e);
    }
  }

  /** No file may take the place of another that the command is about. */
  static void requireApart(Path... files) throws CommandFault {
    for (int i = 0; i < files.length; i++) {
      for (int k = 0; k < i; k++) {
        if (isOne(files[i], files[k])) {
          throw new CommandFault(
              CommandLineApp.shown(files[i])
                  + ": is the same file as "
                  + CommandLineApp.shown(files[k])
                  + "; name another",
              null);
        }
      }
    }
  }

  private static boolean isOne(Path a, Path b) throws CommandFault {
    try {
      boolean both = Files.exists(a) && Files.exists(b);
      return both ? Files.isSameFile(a, b) : real(a).equals(real(b));
    } catch (IOException e) {
      throw CommandLineApp.fault(a, e);
    }
  }

  /** Where a file would stand that need not be there yet, links in its folder followed. */
  private static Path real(Path file) throws IOException {
    Path whole = file.toAbsolutePath().normalize();
    if (Files.exists(whole)) {
      return whole.toRealPath();
    }
    Path folder = whole.getParent();
    return folder != null && Files.exists(folder)
        ? folder.toRealPath().resolve(whole.getFileName())
        : whole;
  }

  void requireWhole(Path in, Opened opened) throws CommandFault {
    if (!opened.isSound() && !salvage) {
      throw new CommandFault(
          CommandLineApp.shown(in)
              + ": damaged: "
              + opened.damage()
              + " ("
              + opened.loss()
              + "); --salvage goes on with what is left",
          null);
    }
  }

  /** What there is to be said of a file that was read, a line each. */
  static void tell(Opened opened, PrintWriter err) {
    if (!opened.isSound()) {
      err.println(CommandLineApp.plain("damaged: " + opened.damage() + "; " + opened.loss()));
    }
    opened.remarks().forEach(r -> err.println(CommandLineApp.plain(r)));
  }
}
