package flailbeat.core.session;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.NoteResize;
import flailbeat.core.edit.Stencil;
import flailbeat.core.model.Note;
import flailbeat.core.pitch.Scale;
import flailbeat.core.step.Struck;
import java.util.List;
import java.util.Optional;

/**
 * What notes that are drawn start from, how the mouse goes from line to line, and what it sounds.
 */
public final class DrawDesk {
  /**
   * How the mouse draws and resizes.
   *
   * @param snaps whether it goes from line to line
   * @param lastLength whether a new note is as long as the one touched last
   * @param together what several notes have in common once they are resized
   */
  public record Kept(boolean snaps, boolean lastLength, NoteResize.Together together) {}

  private NoteResize.Together together = NoteResize.Together.AMOUNT;
  private final Document document;
  private final TimingDesk timing;
  private final Performer performer;
  private final Audition audition;
  private final Changes changes;
  private boolean lengthOfLast = true;
  private boolean snaps = true;
  private long lastLength;
  private Optional<Stencil> stencil = Optional.empty();

  DrawDesk(
      Document document,
      TimingDesk timing,
      Performer performer,
      Audition audition,
      Changes changes) {
    this.document = document;
    this.timing = timing;
    this.performer = performer;
    this.audition = audition;
    this.changes = changes;
  }

  /** Whether a new note is as long as the one touched last; else it fills a step of the grid. */
  public boolean takesLastLength() {
    return lengthOfLast;
  }

  public void setTakesLastLength(boolean value) {
    lengthOfLast = value;
    changes.fire(Aspect.SETTINGS);
  }

  /** Whether what the mouse does goes from line to line. */
  public boolean snaps() {
    return snaps;
  }

  public void setSnaps(boolean value) {
    snaps = value;
    changes.fire(Aspect.SETTINGS);
  }

  /** What several notes have in common once they are resized by an edge. */
  public NoteResize.Together together() {
    return together;
  }

  public void setTogether(NoteResize.Together value) {
    together = value;
    changes.fire(Aspect.SETTINGS);
  }

  /** What filling lays down in the place of plain notes. */
  public Optional<Stencil> stencil() {
    return stencil;
  }

  /** The selected notes become what filling lays down; whole beats long. */
  public Optional<Stencil> takeStencil() {
    List<Note> notes = NoteEdits.find(document.track(), document.scope().selected().notes());
    if (!notes.isEmpty()) {
      long beat = document.song().meters().meterAt(notes.getFirst().onset()).ticksPerBeat();
      stencil = Optional.of(Stencil.of(notes, beat));
      changes.fire(Aspect.SETTINGS);
    }
    return notes.isEmpty() ? Optional.empty() : stencil;
  }

  /** Filling lays down plain notes again. */
  public void dropStencil() {
    stencil = Optional.empty();
    changes.fire(Aspect.SETTINGS);
  }

  /** How the mouse draws and resizes. */
  public Kept kept() {
    return new Kept(snaps, lengthOfLast, together);
  }

  public void setAll(Kept value) {
    snaps = value.snaps();
    lengthOfLast = value.lastLength();
    together = value.together();
    changes.fire(Aspect.SETTINGS);
  }

  /** A note was touched: the next that is drawn is as long. */
  public void touch(Note note) {
    lastLength = note.length();
  }

  /** A note was drawn: the next is as long. */
  public void touch(NewNote note) {
    lastLength = note.played().length();
  }

  /** How long a note is that is drawn at a tick. */
  public long lengthAt(long onset) {
    return lengthOfLast && lastLength > 0 ? lastLength : timing.lines().after(onset) - onset;
  }

  /** How hard a note is struck that is drawn. */
  public int velocity() {
    return performer.hands().velocity();
  }

  /** The nearest pitch of the scale, where the keys are arranged by one; else the very pitch. */
  public int inScale(int pitch) {
    if (!performer.hands().arrangement().kind().hasKey()) {
      return pitch;
    }
    for (int away = 0; away < 12; away++) {
      if (isInScale(pitch - away)) {
        return Math.max(0, pitch - away);
      }
      if (isInScale(pitch + away)) {
        return Math.min(127, pitch + away);
      }
    }
    return pitch;
  }

  private boolean isInScale(int pitch) {
    Scale scale = performer.scale();
    for (int degree = 0; scale.semitones(degree) < 12; degree++) {
      if (Math.floorMod(pitch - performer.tonic() - scale.semitones(degree), 12) == 0) {
        return true;
      }
    }
    return false;
  }

  /** Lets a note be heard for a moment. */
  public void sound(int pitch, int velocity) {
    audition.soundPitches(List.of(new Struck(pitch, velocity)));
  }

  /** Nothing is held by the mouse any more. */
  public void silence() {
    audition.end();
  }
}
