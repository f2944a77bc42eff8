package flailbeat.core.session.document;

import flailbeat.core.model.Song;
import java.util.EnumSet;
import java.util.Set;

/**
 * A notice that something about the session has changed, given once it is done.
 *
 * @param aspects what about it
 * @param before the song before; the same as {@code after} where the song is as it was
 * @param after the song now
 */
public record Change(Set<Aspect> aspects, Song before, Song after) {
  /** What is previewed follows the song and what is chosen in it. */
  static Change of(Set<Aspect> aspects, Song before, Song after) {
    EnumSet<Aspect> all = EnumSet.copyOf(aspects);
    if (all.contains(Aspect.SONG) || all.contains(Aspect.CHOICE)) {
      all.add(Aspect.TIMING);
    }
    return new Change(all, before, after);
  }

  /** Whether any of some aspects has changed. */
  public boolean isOf(Aspect... some) {
    for (Aspect aspect : some) {
      if (aspects.contains(aspect)) {
        return true;
      }
    }
    return false;
  }
}
