package flailbeat.app;

import flailbeat.app.cli.CommandLineApp;
import flailbeat.app.shell.FlailbeatApp;
import java.util.Set;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Application;

/** Starts the window or, when the first word names a command, the command line. */
public final class Main {
  private static final Set<String> COMMANDS =
      Set.of("info", "convert", "quantize", "help", "--help", "-h", "--version", "-V");

  /** JavaFX warns of being on the class path, which is how it is meant here. */
  private static final Logger TOOLKIT = Logger.getLogger("javafx");

  private Main() {}

  public static void main(String[] args) {
    if (args.length > 0 && COMMANDS.contains(args[0])) {
      System.exit(CommandLineApp.run(args));
    }
    int wrong = CommandLineApp.checkWindowWords(args);
    if (wrong != 0) {
      System.exit(wrong);
    }
    TOOLKIT.setLevel(Level.SEVERE);
    Application.launch(FlailbeatApp.class, args);
  }
}
