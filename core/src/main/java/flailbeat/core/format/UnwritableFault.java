package flailbeat.core.format;

import java.io.IOException;

/**
 * What is to be written cannot be, wherever it goes: its message is one line for the person that
 * says why and what to do.
 */
public final class UnwritableFault extends IOException {
  private static final long serialVersionUID = 1;

  public UnwritableFault(String message) {
    super(message);
  }

  public UnwritableFault(String message, Throwable cause) {
    super(message, cause);
  }
}
