package flailbeat.app.shell.commands;

import flailbeat.core.edit.Scope;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Notice;
import flailbeat.core.text.Counted;

/** What a command is done to now, in words. */
public final class InHand {
  private InHand() {}

  /** Such as "the 3 selected notes" or "all 24 notes of the clip". */
  public static String words(Session session) {
    if (session.clips().choice().areMeant()) {
      return Counted.of(session.clips().choice().meant().size(), "clip");
    }
    Scope scope = session.document().scope();
    String notes = Notice.notes(scope.notes().size());
    return switch (scope.kind()) {
      case SELECTION -> "the selection, " + notes;
      case CLIP -> "the chosen clip, " + notes;
      case TRACK -> "the chosen track, " + notes;
    };
  }
}
