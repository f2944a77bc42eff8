package flailbeat.app.view;

import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.keys.VelocityMark;
import flailbeat.core.session.Performer;
import java.util.Optional;

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
    Optional<VelocityMark> mark = VelocityMark.at(key);
    mark.ifPresent(m -> performer.setVelocity(m.velocity()));
    return mark.isPresent();
  }

  /** What a key does, in as few letters as a cap has room for; empty when it does nothing. */
  static String describe(PhysicalKey key) {
    return switch (key) {
      case BACKQUOTE -> "keys";
      case MINUS -> "oct -";
      case EQUALS -> "oct +";
      default -> VelocityMark.at(key).map(VelocityMark::text).orElse("");
    };
  }
}
