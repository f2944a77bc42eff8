package flailbeat.core.session;

import java.util.EnumSet;
import java.util.Set;

/** Which rooms of the window are folded: they stay as they were left. */
public final class Rooms {
  /** A part of the window that can be folded. */
  public enum Room {
    DECK,
    PAGES,
    MAP
  }

  private final Changes changes;
  private final Set<Room> folded = EnumSet.noneOf(Room.class);

  Rooms(Changes changes) {
    this.changes = changes;
  }

  public boolean isFolded(Room room) {
    return folded.contains(room);
  }

  /** All that are folded. */
  public Set<Room> folded() {
    return Set.copyOf(folded);
  }

  /** Folds a room, or unfolds it. */
  public void toggle(Room room) {
    fold(room, !isFolded(room));
  }

  /** Folds a room, or unfolds it. */
  public void fold(Room room, boolean value) {
    if (value ? folded.add(room) : folded.remove(room)) {
      changes.fire(Aspect.SETTINGS);
    }
  }

  /** Folds just these. */
  public void setFolded(Set<Room> rooms) {
    for (Room room : Room.values()) {
      fold(room, rooms.contains(room));
    }
  }
}
