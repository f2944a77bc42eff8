package flailbeat.app.cli;

import flailbeat.core.files.SongFiles;
import java.io.IOException;
import java.nio.file.Path;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
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
    subcommands = {
      InfoCommand.class,
      ConvertCommand.class,
      BeatCommand.class,
      ChordsCommand.class,
      QuantizeCommand.class,
      RecoverCommand.class,
      VersionsCommand.class
    })
public final class CommandLineApp {
  private static final Logger LOG = LoggerFactory.getLogger(CommandLineApp.class);

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
    line.setParameterExceptionHandler(CommandLineApp::reportWords);
    try {
      int status = line.execute(args);
      if (System.out.checkError()) {
        line.getErr().println("not all of what was found could be written");
        line.getErr().flush();
        return FAILED;
      }
      return status;
    } catch (OutOfMemoryError e) {
      return failed(line, "there is not enough memory for this", e);
    } catch (Error e) {
      return failed(line, "this should not have happened: " + e, e);
    }
  }

  private static int failed(CommandLine line, String message, Error e) {
    LOG.debug("A command failed", e);
    line.getErr().println(plain(message));
    line.getErr().flush();
    return FAILED;
  }

  /** Wrong words take one line, and one that says where the right ones are. */
  private static int reportWords(CommandLine.ParameterException e, String[] words) {
    CommandLine line = e.getCommandLine();
    line.getErr().println(plain(e.getMessage()));
    line.getErr().println("See " + line.getCommandSpec().qualifiedName() + " --help");
    return line.getCommandSpec().exitCodeOnInvalidInput();
  }

  /** A share as JSON has it, to a tenth of a per cent. */
  static double rounded(double share) {
    return Math.round(share * 1000) / 1000.0;
  }

  /** Text on one line with nothing in it that a terminal would obey. */
  static String plain(String text) {
    return text.codePoints()
        .map(c -> Character.isISOControl(c) ? '\uFFFD' : c)
        .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
        .toString();
  }

  /** A file's name as it is shown. */
  static String shown(Path file) {
    return plain(file.toString());
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

  static CommandLine commandLine() {
    return Words.of(new CommandLine(new CommandLineApp()));
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
              case CommandFault fault -> plain(fault.getMessage());
              default -> plain("This should not have happened: " + e);
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
