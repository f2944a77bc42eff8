package flailbeat.app.shell.commands;

import flailbeat.core.session.Session;
import flailbeat.core.session.map.ClipActions;
import java.util.function.Consumer;

/** One command for notes and for clips: it means clips on the large map, and notes elsewhere. */
final class Meant {
  private final Session session;

  Meant(Session session) {
    this.session = session;
  }

  private boolean areClips() {
    return session.clips().choice().areMeant();
  }

  /** What is done to whichever is meant. */
  Runnable either(Consumer<ClipActions> clips, Runnable notes) {
    return () -> {
      if (areClips()) {
        clips.accept(session.clips());
      } else {
        notes.run();
      }
    };
  }
}
