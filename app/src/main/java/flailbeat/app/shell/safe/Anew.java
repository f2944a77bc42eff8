package flailbeat.app.shell.safe;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Starts the application anew, as it was started. */
public final class Anew {
  private static final Logger LOG = LoggerFactory.getLogger(Anew.class);

  private Anew() {}

  /** The words that this process was started with, as far as the system tells them. */
  static Optional<List<String>> words(ProcessHandle.Info info) {
    return info.command()
        .flatMap(
            command ->
                info.arguments()
                    .map(
                        arguments -> {
                          List<String> words = new ArrayList<>(List.of(command));
                          words.addAll(List.of(arguments));
                          return words;
                        }));
  }

  /** Starts another; false where the system does not say how. */
  public static boolean start() {
    try {
      Optional<List<String>> words = words(ProcessHandle.current().info());
      if (words.isPresent()) {
        new ProcessBuilder(words.get()).inheritIO().start();
      }
      return words.isPresent();
    } catch (IOException e) {
      LOG.error("It cannot be started anew", e);
      return false;
    }
  }
}
