package flailbeat.core.session.map;

import flailbeat.core.edit.clips.ClipPattern;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import java.util.Comparator;
import java.util.List;

/** Clips that a person keeps aside by name, for every song. */
public final class Shelf {
  private final Changes changes;
  private List<Item> items = List.of();

  /** Clips under a name. */
  public record Item(String name, ClipPattern pattern) {
    /** How much it is, in words. */
    public String words() {
      int notes = pattern.parts().stream().mapToInt(p -> p.clip().noteCount()).sum();
      int clips = pattern.parts().size();
      return (clips == 1 ? "" : clips + " clips, ") + notes + (notes == 1 ? " note" : " notes");
    }
  }

  public Shelf(Changes changes) {
    this.changes = changes;
  }

  /** What is on it, in order of names. */
  public List<Item> items() {
    return items;
  }

  /** Has these on it and nothing else. */
  public void set(List<Item> all) {
    items = all.stream().sorted(Comparator.comparing(Item::name)).toList();
    changes.fire(Aspect.SETTINGS);
  }
}
