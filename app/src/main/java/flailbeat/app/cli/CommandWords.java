package flailbeat.app.cli;

import java.util.Set;

/**
 * What may stand first on the command line so that no window is opened. The launcher and the parser
 * know these too; they stand here once more because the parser takes its time to load, which a
 * window does not wait for.
 */
public final class CommandWords {
  public static final Set<String> ALL =
      Set.of(
          "info",
          "convert",
          "beat",
          "chords",
          "quantize",
          "recover",
          "versions",
          "help",
          "--help",
          "-h",
          "--version",
          "-V");

  private CommandWords() {}
}
