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

  /** A part of the window that is there only where it is wished for. */
  public enum Extra {
    /** The chords over the notes. */
    CHORDS,
    /** Numerals in the key in the place of their names. */
    NUMERALS
  }

  private final Changes changes;
  private final Set<WindowPart> folded = EnumSet.noneOf(WindowPart.class);
  private final Set<Extra> open = EnumSet.noneOf(Extra.class);

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

  /** Whether a part that is not there by itself is wished for. */
  public boolean isOpen(Extra extra) {
    return open.contains(extra);
  }

  /** All that are wished for. */
  public Set<Extra> open() {
    return Set.copyOf(open);
  }

  /** Wishes for a part, or no more. */
  public void toggle(Extra extra) {
    open(extra, !isOpen(extra));
  }

  /** Wishes for a part, or no more. */
  public void open(Extra extra, boolean value) {
    if (value ? open.add(extra) : open.remove(extra)) {
      changes.fire(Aspect.SETTINGS);
    }
  }

  /** Wishes for just these. */
  public void setOpen(Set<Extra> extras) {
    for (Extra extra : Extra.values()) {
      open(extra, extras.contains(extra));
    }
  }

  /** Folds just these. */
  public void setFolded(Set<WindowPart> folds) {
    for (WindowPart part : WindowPart.values()) {
      fold(part, folds.contains(part));
    }
  }
}
