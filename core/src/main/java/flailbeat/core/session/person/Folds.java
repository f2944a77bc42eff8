package flailbeat.core.session.person;

import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import java.util.EnumSet;
import java.util.Set;

/** Which parts of the window are folded: they stay as they were left. */
public final class Folds {
  /** A part of the window that can be folded. */
  public enum WindowPart {
    DECK,
    PAGES,
    MAP
  }

  private final Changes changes;
  private final Set<WindowPart> folded = EnumSet.noneOf(WindowPart.class);

  public Folds(Changes changes) {
    this.changes = changes;
  }

  public boolean isFolded(WindowPart part) {
    return folded.contains(part);
  }

  /** All that are folded. */
  public Set<WindowPart> folded() {
    return Set.copyOf(folded);
  }

  /** Folds a part, or unfolds it. */
  public void toggle(WindowPart part) {
    fold(part, !isFolded(part));
  }

  /** Folds a part, or unfolds it. */
  public void fold(WindowPart part, boolean value) {
    if (value ? folded.add(part) : folded.remove(part)) {
      changes.fire(Aspect.SETTINGS);
    }
  }

  /** Folds just these. */
  public void setFolded(Set<WindowPart> folds) {
    for (WindowPart part : WindowPart.values()) {
      fold(part, folds.contains(part));
    }
  }
}
