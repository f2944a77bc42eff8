package flailbeat.core.session.person;

import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;

/** What makes keys easier for a person to press. */
public final class Ease {
  private final Changes changes;
  private boolean latching;

  Ease(Changes changes) {
    this.changes = changes;
  }

  /**
   * Whether what lasts while its keys are held stays on when they come up, until they are pressed
   * again.
   */
  public boolean isLatching() {
    return latching;
  }

  public void setLatching(boolean value) {
    if (latching != value) {
      latching = value;
      changes.fire(Aspect.SETTINGS);
    }
  }
}
