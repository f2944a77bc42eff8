package flailbeat.audio.sound;

import java.io.IOException;

/** A sound file that cannot be used; the message says what is wrong and what to do. */
public final class SoundFileFault extends IOException {
  private static final long serialVersionUID = 1;

  public SoundFileFault(String message) {
    super(message);
  }

  public SoundFileFault(String message, Throwable cause) {
    super(message, cause);
  }
}
