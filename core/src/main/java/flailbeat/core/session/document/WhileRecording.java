package flailbeat.core.session.document;

import flailbeat.core.transport.Transport;
import java.util.function.Supplier;

/** Keeps what must not happen while a recording runs from happening, and says so. */
public final class WhileRecording {
  private final Transport transport;
  private final Notices notices;

  public WhileRecording(Transport transport, Notices notices) {
    this.transport = transport;
    this.notices = notices;
  }

  /** Whether a recording runs, which is told then. */
  public boolean refuses() {
    boolean recording = transport.isRecording();
    if (recording) {
      notices.warn("Stop recording first ({play})");
    }
    return recording;
  }

  /** Carries a command out and tells what it did, unless a recording runs. */
  public void unless(Supplier<Notice> command) {
    if (!refuses()) {
      notices.tell(command.get());
    }
  }
}
