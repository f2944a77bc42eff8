package flailbeat.core.step;

import flailbeat.core.model.id.TrackId;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;

/**
 * Keys under the hands from when the first went down until the last comes up.
 *
 * @param number of this hold, from 1; 0 before the first
 * @param track the track that was chosen as it began
 * @param struck what was struck in it and is held or waits to be entered, in order
 * @param down the pitches that are down
 * @param fresh the pitches that were struck and not entered yet
 */
public record Hold(
    long number, TrackId track, List<Struck> struck, Set<Integer> down, Set<Integer> fresh) {
  public Hold {
    struck = List.copyOf(struck);
    down = Set.copyOf(down);
    fresh = Set.copyOf(fresh);
  }

  /** None yet. */
  static Hold none(TrackId track) {
    return new Hold(0, track, List.of(), Set.of(), Set.of());
  }

  public boolean isHeld() {
    return !down.isEmpty();
  }

  /** With a key down; the first begins another hold. */
  Hold with(Struck note, TrackId chosen) {
    Stream<Struck> before =
        isHeld() ? struck.stream().filter(s -> s.pitch() != note.pitch()) : Stream.of();
    List<Struck> all = Stream.concat(before, Stream.of(note)).toList();
    return new Hold(
        isHeld() ? number : number + 1,
        isHeld() ? track : chosen,
        all,
        with(isHeld() ? down : Set.of(), note.pitch()),
        with(isHeld() ? fresh : Set.of(), note.pitch()));
  }

  private static Set<Integer> with(Set<Integer> pitches, int pitch) {
    Set<Integer> result = new TreeSet<>(pitches);
    result.add(pitch);
    return result;
  }

  /** With a key up. */
  Hold without(int pitch) {
    Set<Integer> left = new TreeSet<>(down);
    left.remove(pitch);
    return new Hold(number, track, struck, left, fresh);
  }

  /** With all of it entered. */
  Hold entered() {
    return new Hold(
        number,
        track,
        struck.stream().filter(s -> down.contains(s.pitch())).toList(),
        down,
        Set.of());
  }

  /** The notes that wait to be entered, in order of pitch. */
  public List<Struck> freshNotes() {
    return notes(fresh);
  }

  /** The notes whose keys are down, in order of pitch. */
  public List<Struck> downNotes() {
    return notes(down);
  }

  /** Those and these, in order of pitch. */
  public List<Struck> allNotes() {
    Set<Integer> all = new TreeSet<>(down);
    all.addAll(fresh);
    return notes(all);
  }

  private List<Struck> notes(Set<Integer> pitches) {
    return struck.stream()
        .filter(s -> pitches.contains(s.pitch()))
        .sorted(java.util.Comparator.comparingInt(Struck::pitch))
        .toList();
  }
}
