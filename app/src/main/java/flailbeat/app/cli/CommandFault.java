package flailbeat.app.cli;

/** A command that could not be done; its message is the one line for the person. */
final class CommandFault extends Exception {
  private static final long serialVersionUID = 1;

  CommandFault(String message) {
    super(message);
  }

  CommandFault(String message, Throwable cause) {
    super(message, cause);
  }
}
