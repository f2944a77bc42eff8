package flailbeat.core.model;

import flailbeat.core.model.id.ClipId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Which clips of a track share what is in them, and which of those speaks for all: the one that
 * plays most of its content once, the first of several. Its notes are the ones that are listed and
 * edited; in the others they sound again, under the same ids, as in a later round of a loop.
 */
public final class Links {
  private static final Links NONE = new Links(Map.of(), Set.of());

  private final Map<Long, List<Clip>> groups;
  private final Set<ClipId> followers;

  private Links(Map<Long, List<Clip>> groups, Set<ClipId> followers) {
    this.groups = groups;
    this.followers = followers;
  }

  /** Those of the clips of a track. O(c) for c of them. */
  public static Links of(List<Clip> clips) {
    Map<Long, List<Clip>> groups = null;
    for (Clip clip : clips) {
      if (clip.traits().isLinked()) {
        groups = groups == null ? new HashMap<>() : groups;
        groups.computeIfAbsent(clip.traits().link(), x -> new ArrayList<>()).add(clip);
      }
    }
    if (groups == null) {
      return NONE;
    }
    Set<ClipId> followers = new HashSet<>();
    for (List<Clip> group : groups.values()) {
      Clip leader = leader(group);
      group.stream().filter(c -> c != leader).forEach(c -> followers.add(c.id()));
    }
    return new Links(groups, followers);
  }

  private static Clip leader(List<Clip> group) {
    Clip result = group.getFirst();
    for (Clip clip : group) {
      result = clip.contentLength() > result.contentLength() ? clip : result;
    }
    return result;
  }

  public boolean isEmpty() {
    return groups.isEmpty();
  }

  /** Whether another clip speaks for what is in this one. */
  public boolean follows(Clip clip) {
    return !followers.isEmpty() && followers.contains(clip.id());
  }

  /** The clip that speaks for what is in one: mostly that one itself. */
  public Clip leader(Clip clip) {
    return follows(clip) ? leader(groups.get(clip.traits().link())) : clip;
  }

  /** How many clips share what is in one, that one counted; 1 for one that shares with none. */
  public int count(Clip clip) {
    return clip.traits().isLinked() ? all(clip).size() : 1;
  }

  /** All that share what is in one, that one among them, in order. */
  public List<Clip> all(Clip clip) {
    return groups.getOrDefault(clip.traits().link(), List.of(clip));
  }

  /**
   * Clips as they shall be, with what was changed in one of those that share it given to all.
   *
   * @param before as they were; among those that share, whichever differs from these has it
   * @throws IllegalArgumentException where two were changed in different ways
   */
  static List<Clip> shared(List<Clip> before, List<Clip> clips) {
    Links now = of(clips);
    if (now.isEmpty()) {
      return clips;
    }
    Links then = of(before);
    Map<Long, Clip> sources = new HashMap<>();
    now.groups.forEach((link, group) -> source(then.groups.get(link), group, sources, link));
    if (sources.isEmpty()) {
      return clips;
    }
    List<Clip> result = new ArrayList<>(clips);
    result.replaceAll(
        c -> {
          Clip source = c.traits().isLinked() ? sources.get(c.traits().link()) : null;
          return source == null ? c : c.sharing(source);
        });
    return result;
  }

  /** Finds what all of a group shall have, where they do not have it yet. */
  private static void source(
      List<Clip> before, List<Clip> group, Map<Long, Clip> sources, long link) {
    Clip first = group.getFirst();
    if (group.stream().allMatch(first::sharesWith)) {
      return;
    }
    Clip old = before == null ? null : before.getFirst();
    Clip changed = null;
    for (Clip clip : group) {
      boolean differs = old == null || !clip.sharesWith(old);
      if (differs && changed != null && !clip.hasSameAs(changed)) {
        throw new IllegalArgumentException(
            "Two clips that share what is in them cannot be changed in different ways at once");
      }
      changed = differs && changed == null ? clip : changed;
    }
    sources.put(link, changed == null ? first : changed);
  }
}
