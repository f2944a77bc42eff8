package flailbeat.app.cli;

import flailbeat.core.files.SongFiles;
import java.io.IOException;
import java.nio.file.Path;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParseResult;

/** The words that follow {@code flailbeat}. */
@Command(
    name = "flailbeat",
    version = "flailbeat 0.1.0",
    mixinStandardHelpOptions = true,
    description = "Opens the window, with a song or MIDI file if one is named.",
    subcommands = {InfoCommand.class, ConvertCommand.class, QuantizeCommand.class})
public final class CommandLineApp {
  /** It could not be done. */
  static final int FAILED = 1;

  @Option(names = "--demo", description = "Open the demo song.")
  private boolean demo;

  @Parameters(index = "0", arity = "0..1", paramLabel = "FILE", description = "A song to open.")
  private Path file;

  private CommandLineApp() {}

  /** Carries out a command; gives the exit status. */
  public static int run(String... args) {
    CommandLine line = commandLine();
    line.setExecutionExceptionHandler(CommandLineApp::report);
    return line.execute(args);
  }

  /** Checks the words with which the window is opened; 0 when they are right. */
  public static int checkWindowWords(String... args) {
    CommandLine line = commandLine();
    try {
      line.parseArgs(args);
      return 0;
    } catch (CommandLine.ParameterException e) {
      line.getErr().println(e.getMessage());
      line.getErr().println("See flailbeat --help");
      return line.getCommandSpec().exitCodeOnInvalidInput();
    }
  }

  private static CommandLine commandLine() {
    return new CommandLine(new CommandLineApp()).setCaseInsensitiveEnumValuesAllowed(true);
  }

  /** One line for what could not be done; the stack trace only where it was asked for. */
  private static int report(Exception e, CommandLine line, ParseResult words) {
    ParseResult last = words;
    while (last.hasSubcommand()) {
      last = last.subcommand();
    }
    boolean verbose = last.hasMatchedOption("--verbose");
    line.getErr()
        .println(
            switch (e) {
              case CommandFault fault -> fault.getMessage();
              default -> "This should not have happened: " + e;
            });
    if (verbose) {
      e.printStackTrace(line.getErr());
    }
    return FAILED;
  }

  /** The fault of a file, in one line. */
  static CommandFault fault(Path file, IOException e) {
    return new CommandFault(SongFiles.describe(file, e), e);
  }
}
