package flailbeat.core.session.bench;

import flailbeat.core.edit.ClipEdits;
import flailbeat.core.edit.Edit;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.TakeEdits;
import flailbeat.core.edit.notes.NotesEdit;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Song;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.document.WhileRecording;
import flailbeat.core.session.run.RunControl;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** The commands that change the song, and take that back. None works while a recording runs. */
public final class EditActions {
  private final Document document;
  private final RunControl runControl;
  private final Notices notices;
  private final WhileRecording whileRecording;

  public EditActions(
      Document document, RunControl runControl, Notices notices, WhileRecording whileRecording) {
    this.document = document;
    this.runControl = runControl;
    this.notices = notices;
    this.whileRecording = whileRecording;
  }

  /** Lets another take of the chosen clip be heard. */
  public void chooseTake(int number) {
    document
        .clip()
        .ifPresent(
            clip ->
                edit(
                    "Take " + number,
                    s -> TakeEdits.choose(s, document.track().id(), clip.id(), number)));
  }

  /** Lets the next take (1) or the one before (-1) be heard, round and round. */
  public void stepTake(int by) {
    Optional<Clip> clip = document.clip().filter(c -> c.takes().isChoice());
    if (clip.isEmpty()) {
      notices.tell(new Notice("This clip has no other takes", false));
      return;
    }
    List<Integer> numbers = clip.get().takes().numbers();
    int at = numbers.indexOf(clip.get().takes().active());
    int wanted = numbers.get(Math.floorMod(at + by, numbers.size()));
    chooseTake(wanted);
    notices.tell(new Notice("Take " + wanted + " of " + numbers.size(), false));
  }

  /** Takes the active take away. */
  public void removeTake() {
    document
        .clip()
        .filter(c -> c.takes().isChoice())
        .ifPresent(
            clip ->
                edit(
                    "Remove take " + clip.takes().active(),
                    s -> TakeEdits.remove(s, document.track().id(), clip.id())));
  }

  /** Makes an empty clip of the chosen track over a range; says so where there is one already. */
  public void addClip(TickRange range) {
    Song before = document.song();
    edit("Empty clip", s -> ClipEdits.addEmpty(s, document.track().id(), range));
    if (document.song() == before && !runControl.transport().isRecording()) {
      notices.tell("There is a clip already");
    } else {
      document.chooseClipAt(range.start());
    }
  }

  /** Makes an empty clip of the chosen track over the loop. */
  public void addClipOverLoop() {
    runControl
        .looping()
        .range()
        .ifPresentOrElse(
            this::addClip,
            () -> notices.tell("Choose a loop first: drag along the ruler, or {loop}"));
  }

  /** Carries an edit out, unless a recording runs. */
  public void edit(String label, UnaryOperator<Song> change) {
    if (!whileRecording.refuses()) {
      document.edit(label, change);
    }
  }

  /**
   * Carries an edit out that a song may not be able to take, such as a loop of too many rounds:
   * then it is left as it was, and that is told.
   */
  public void attempt(String label, UnaryOperator<Song> change) {
    try {
      edit(label, change);
    } catch (IllegalArgumentException e) {
      notices.warn(e.getMessage() + ". All is left as it was");
    }
  }

  /** Carries an edit out, unless it is none, a recording runs, or the song cannot take it. */
  public void carryOut(Edit edit) {
    if (!edit.isNothing()) {
      Song before = document.song();
      attempt(edit.label(), edit);
      if (edit instanceof NotesEdit notes && !runControl.transport().isRecording()) {
        tellStayed(notes, before);
      }
    }
  }

  private void tellStayed(NotesEdit edit, Song before) {
    tellStayed(
        NoteEdits.stayed(NoteEdits.find(before, edit.ids()), document.song(), edit.asked(before)));
  }

  /** Says how many notes stayed, since another of their pitch begins where they would have gone. */
  void tellStayed(int stayed) {
    if (stayed > 0) {
      notices.tell(
          Notice.notes(stayed)
              + " stayed: another of that pitch begins where "
              + (stayed == 1 ? "it" : "they")
              + " would go");
    }
  }

  /** Undoes the last step; while recording, the last pass. */
  public void undo() {
    if (runControl.transport().isRecording()) {
      notices.tell(runControl.dropLastPass());
      return;
    }
    Optional<String> label = document.undoLabel();
    if (!whileRecording.refuses()) {
      // Told first: what it does to others may be worth a word of theirs.
      notices.tell(new Notice(label.map(l -> "Undone: " + l).orElse("Nothing to undo"), false));
      document.undo();
    }
  }

  public void redo() {
    Optional<String> label = document.redoLabel();
    if (!whileRecording.refuses()) {
      notices.tell(new Notice(label.map(l -> "Redone: " + l).orElse("Nothing to redo"), false));
      document.redo();
    }
  }
}
