package flailbeat.app.cli;

import picocli.CommandLine.Option;

/** What every command has. */
final class Verbose {
  @Option(names = "--verbose", description = "Show the stack trace of a failure.")
  private boolean verbose;
}
