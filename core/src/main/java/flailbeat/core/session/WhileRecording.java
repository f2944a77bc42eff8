package flailbeat.core.session;

import flailbeat.core.transport.Transport;
import java.util.function.Supplier;

/** Keeps what must not happen while a recording runs from happening, and says so. */
final class WhileRecording {
  private final Transport transport;
  private final Notices notices;

  WhileRecording(Transport transport, Notices notices) {
    this.transport = transport;
    this.notices = notices;
  }

  /** Whether a recording runs, which is told then. */
  boolean refuses() {
    boolean recording = transport.isRecording();
    if (recording) {
      notices.warn("Stop recording first ({play})");
    }
    return recording;
  }

  /** Carries a command out and tells what it did, unless a recording runs. */
  void unless(Supplier<Notice> command) {
    if (!refuses()) {
      notices.tell(command.get());
    }
  }
}
