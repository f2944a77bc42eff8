package flailbeat.app;

import flailbeat.app.cli.CommandLineApp;
import flailbeat.app.shell.FlailbeatApp;
import java.util.Set;
import javafx.application.Application;

/** Starts the window or, when the first word names a command, the command line. */
public final class Main {
  private static final Set<String> COMMANDS =
      Set.of("info", "convert", "quantize", "help", "--help", "-h", "--version", "-V");

  private Main() {}

  public static void main(String[] args) {
    if (args.length > 0 && COMMANDS.contains(args[0])) {
      System.exit(CommandLineApp.run(args));
    }
    int wrong = CommandLineApp.checkWindowWords(args);
    if (wrong != 0) {
      System.exit(wrong);
    }
    Application.launch(FlailbeatApp.class, args);
  }
}
