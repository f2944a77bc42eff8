package flailbeat.core.session.run;

import flailbeat.core.capture.Sweep;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notice;
import flailbeat.core.time.Loop;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The sweep on the chosen track: what it has wiped is out of sight and hearing at once. */
public final class Sweeper {
  private final Document document;
  private final Changes changes;
  private Optional<Sweep> sweep = Optional.empty();

  Sweeper(Document document, Changes changes) {
    this.document = document;
    this.changes = changes;
  }

  /** Whether it is held. */
  public boolean isHeld() {
    return sweep.isPresent();
  }

  /** The notes that it has wiped since it was pressed. */
  public Set<NoteId> wiped() {
    return sweep.map(Sweep::wiped).orElse(Set.of());
  }

  void press(Sweep.Place place, long atNanos) {
    sweep = Optional.of(new Sweep(place, atNanos));
    changes.fire(Aspect.PASS);
  }

  /** Says which note keys are held; true when something else is silenced by it. */
  boolean hold(Set<Integer> pitches, long atNanos) {
    return sweep.map(s -> s.hold(pitches, atNanos)).orElse(false);
  }

  /** Follows the playhead. */
  void follow(Sweep.Place place, Optional<Loop> loop) {
    boolean wiped =
        sweep
            .map(s -> s.moveTo(place, loop, document.song().tempos(), this::beginning))
            .orElse(false);
    if (wiped) {
      changes.fire(Aspect.PASS);
    }
  }

  private List<Note> beginning(TickRange range) {
    return document.track().soundingBeginningIn(range);
  }

  /** Lets go: what was wiped is gone, as one undo step. */
  Optional<Notice> release() {
    Set<NoteId> gone = wiped();
    boolean held = isHeld();
    sweep = Optional.empty();
    if (!gone.isEmpty()) {
      document.edit("Sweep " + Notice.notes(gone.size()), s -> NoteEdits.delete(s, gone));
    }
    changes.fire(Aspect.PASS);
    String said =
        gone.isEmpty()
            ? "Nothing was swept: hold it while notes pass the playhead"
            : "Swept " + Notice.notes(gone.size());
    return held ? Optional.of(new Notice(said, false)) : Optional.empty();
  }

  /** A song without what is wiped, and without what would be as it passed. */
  Song swept(Song song) {
    return sweep.map(s -> NoteEdits.clear(song, document.track().id(), s::silences)).orElse(song);
  }
}
