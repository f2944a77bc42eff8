package flailbeat.core.format;

import java.io.IOException;

/** A file that cannot be read: its message is one line for the person, without the file's name. */
public final class FileFault extends IOException {
  private static final long serialVersionUID = 1;

  public FileFault(String message) {
    super(message);
  }

  public FileFault(String message, Throwable cause) {
    super(message, cause);
  }
}
