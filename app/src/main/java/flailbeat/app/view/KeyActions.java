package flailbeat.app.view;

import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.keys.VelocityMark;
import flailbeat.core.session.Performer;

/** What the keys that play nothing do, while letters are notes. */
public final class KeyActions {
  private KeyActions() {}

  /** Does what a key does; false when it does nothing. */
  public static boolean perform(PhysicalKey key, Performer performer) {
    switch (key) {
      case MINUS -> performer.moveOctaves(-1);
      case EQUALS -> performer.moveOctaves(1);
      default -> {
        return setMark(key, performer);
      }
    }
    return true;
  }

  private static boolean setMark(PhysicalKey key, Performer performer) {
    for (VelocityMark mark : VelocityMark.values()) {
      if (mark.key() == key) {
        performer.setVelocity(mark.velocity());
        return true;
      }
    }
    return false;
  }

  /** What a key does, in as few letters as a cap has room for; empty when it does nothing. */
  static String describe(PhysicalKey key) {
    switch (key) {
      case BACKQUOTE -> {
        return "keys";
      }
      case MINUS -> {
        return "oct -";
      }
      case EQUALS -> {
        return "oct +";
      }
      default -> {
        for (VelocityMark mark : VelocityMark.values()) {
          if (mark.key() == key) {
            return mark.text();
          }
        }
        return "";
      }
    }
  }
}
