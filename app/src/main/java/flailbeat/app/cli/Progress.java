package flailbeat.app.cli;

import java.io.Console;
import java.io.PrintWriter;

/** Says on standard error how far long work is, when that is a terminal. */
final class Progress {
  private static final long PATIENCE_NANOS = 1_000_000_000;

  private final PrintWriter err;
  private final long startNanos = System.nanoTime();
  private final boolean terminal;

  Progress(PrintWriter err) {
    this.err = err;
    Console console = System.console();
    terminal = console != null && console.isTerminal();
  }

  /** The work has come to another part. */
  void now(String doing) {
    if (terminal && System.nanoTime() - startNanos > PATIENCE_NANOS) {
      err.println(doing + " ...");
      err.flush();
    }
  }
}
