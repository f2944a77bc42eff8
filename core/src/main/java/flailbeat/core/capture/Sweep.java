package flailbeat.core.capture;

import flailbeat.core.model.Note;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.Loop;
import flailbeat.core.time.Loop.Stretch;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * Wipes notes as the playhead passes them, for as long as it is held: those of the note keys that
 * are held with it or, when there are none, all.
 *
 * <p>A hand does not press two keys at once, so all notes are wiped only when it was held for
 * {@value #ALL_AFTER_NANOS} ns with no note key, and then from its beginning; once a note key was
 * held with it, only note keys wipe until it is let go.
 *
 * <p>It follows unrolled time, in which a loop has no seam. Where the position steps back, as it
 * does when the sound has stalled, what lies behind was passed already and is not passed again.
 */
public final class Sweep {
  /** How long it is held before it wipes without a note key. */
  public static final long ALL_AFTER_NANOS = 300_000_000;

  private final Set<NoteId> wiped = new HashSet<>();
  private final long sinceNanos;
  private boolean keyed;
  private Set<Integer> keys = Set.of();
  private boolean all;
  private long run;
  private long passedNanos;

  /** A sweep that is pressed at a place and a moment of the clock's. */
  public Sweep(Place place, long atNanos) {
    this.run = place.run();
    this.passedNanos = place.unrolledNanos();
    this.sinceNanos = atNanos;
  }

  /**
   * Where the playhead is.
   *
   * @param run counts the transport's starts: unrolled times of two starts have nothing in common
   */
  public record Place(long run, long unrolledNanos) {}

  /** The notes wiped so far. */
  public Set<NoteId> wiped() {
    return Collections.unmodifiableSet(wiped);
  }

  /** Says which note keys are held now; true when another choice of notes is wiped by it. */
  public boolean hold(Set<Integer> pitches, long atNanos) {
    Set<Integer> before = keys;
    boolean allBefore = all;
    keyed |= !pitches.isEmpty();
    keys = Set.copyOf(pitches);
    all = !keyed && atNanos - sinceNanos >= ALL_AFTER_NANOS;
    return !before.equals(keys) || allBefore != all;
  }

  /**
   * The playhead has moved.
   *
   * @param loop what is gone round
   * @param notes gives the notes that begin in a stretch
   * @return whether any note was wiped by it
   */
  public boolean moveTo(
      Place place, Optional<Loop> loop, TempoMap tempos, Function<TickRange, List<Note>> notes) {
    if (place.run() != run) {
      run = place.run();
      passedNanos = place.unrolledNanos();
    }
    if (place.unrolledNanos() <= passedNanos || !keyed && !all) {
      return false;
    }
    int before = wiped.size();
    long from = passedNanos;
    long to = place.unrolledNanos();
    loop.map(l -> l.between(from, to))
        .orElse(List.of(new Stretch(from, to)))
        .forEach(s -> wipe(notes.apply(ticks(s, tempos))));
    passedNanos = to;
    return wiped.size() > before;
  }

  private static TickRange ticks(Stretch stretch, TempoMap tempos) {
    return new TickRange(tempos.tickAt(stretch.start()), tempos.tickAt(stretch.end()));
  }

  private void wipe(List<Note> notes) {
    notes.stream().filter(this::wipes).forEach(n -> wiped.add(n.id()));
  }

  private boolean wipes(Note note) {
    return all || keys.contains(note.pitch());
  }

  /** Whether a note is gone, or would be when the playhead passed it now. */
  public boolean silences(Note note) {
    return wiped.contains(note.id()) || wipes(note);
  }
}
