package flailbeat.core.capture;

import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.time.TickRange;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Wipes notes as the playhead passes them, for as long as it is held: those of the note keys that
 * are held with it or, when there are none, all.
 *
 * <p>A hand does not press two keys at once, so all notes are wiped only when it was held for
 * {@value #ALL_AFTER_NANOS} ns with no note key, and then from its beginning; once a note key was
 * held with it, only note keys wipe until it is let go.
 */
public final class Sweep {
  /** How long it is held before it wipes without a note key. */
  public static final long ALL_AFTER_NANOS = 300_000_000;

  private final Set<NoteId> wiped = new HashSet<>();
  private final long sinceNanos;
  private boolean keyed;
  private Set<Integer> keys = Set.of();
  private boolean all;
  private long lastTick;

  /** A sweep that begins at a tick and a moment. */
  public Sweep(long tick, long atNanos) {
    this.lastTick = tick;
    this.sinceNanos = atNanos;
  }

  /** The notes wiped so far. */
  public Set<NoteId> wiped() {
    return Set.copyOf(wiped);
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
   * @param tick where to; a tick before the last one has come round the loop
   * @param round the range of the loop; of no meaning when the playhead has not come round
   * @return whether any note was wiped by it
   */
  public boolean moveTo(long tick, TickRange round, List<Note> notes) {
    if (!keyed && !all) {
      return false;
    }
    int before = wiped.size();
    if (tick < lastTick) {
      wipe(new TickRange(Math.min(lastTick, round.end()), round.end()), notes);
      lastTick = round.start();
    }
    wipe(new TickRange(lastTick, Math.max(lastTick, tick)), notes);
    lastTick = tick;
    return wiped.size() > before;
  }

  private void wipe(TickRange range, List<Note> notes) {
    notes.stream()
        .filter(n -> range.contains(n.onset()) && wipes(n))
        .forEach(n -> wiped.add(n.id()));
  }

  private boolean wipes(Note note) {
    return all || keys.contains(note.pitch());
  }

  /** Whether a note is gone, or would be when the playhead passed it now. */
  public boolean silences(Note note) {
    return wiped.contains(note.id()) || wipes(note);
  }
}
