package flailbeat.core.session.bench;

import flailbeat.core.capture.Shading;
import flailbeat.core.edit.Edit;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.control.Controller;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.run.RunControl;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Shading while it plays: as long as its key is held, the mouse over a lane writes its level onto
 * what passes; without the mouse, the velocity that the keys are set to is written onto the notes.
 */
public final class LiveShading {
  private final Document document;
  private final RunControl runControl;
  private final Performer performer;
  private final EditActions editing;
  private final Changes changes;
  private final Notices notices;
  private Optional<LaneActions.Shown> lane = Optional.empty();
  private OptionalDouble level = OptionalDouble.empty();
  private Optional<Shading> shading = Optional.empty();
  private int rounds;
  private int openings;

  public LiveShading(
      Document document,
      RunControl runControl,
      Performer performer,
      EditActions editing,
      Changes changes,
      Notices notices) {
    this.document = document;
    this.runControl = runControl;
    this.performer = performer;
    this.editing = editing;
    this.changes = changes;
    this.notices = notices;
  }

  /** The mouse is over a lane, at a share of its values, 0 to 1. */
  public void point(LaneActions.Shown over, double share) {
    lane = Optional.of(over);
    level = OptionalDouble.of(share);
  }

  /** The mouse is over no lane. */
  public void leave() {
    level = OptionalDouble.empty();
    lane = Optional.empty();
  }

  public boolean isOn() {
    return shading.isPresent();
  }

  /** The key is pressed: from now on what passes is shaded. */
  public void press() {
    if (isOn()) {
      return;
    }
    if (runControl.transport().isRecording()) {
      notices.warn("Stop recording first ({play})");
      return;
    }
    if (!runControl.transport().isRunning()) {
      runControl.play();
    }
    Optional<Controller> of = lane.flatMap(LaneActions.Shown::controller);
    rounds = 0;
    openings = document.openings();
    shading = Optional.of(new Shading(document.track().id(), of, runControl.place()));
    notices.tell(
        of.map(Controller::title).orElse("Loudness")
            + (level.isPresent()
                ? ": the mouse writes it onto what passes"
                : ": the velocity of your keys is written onto the notes that pass"));
  }

  /** Called for each frame. */
  public void tick() {
    dropWithItsSong();
    if (shading.isPresent()) {
      boolean running = runControl.transport().isRunning();
      if (running && !runControl.transport().isRecording()) {
        follow(shading.get());
      } else {
        release();
      }
    }
  }

  /** What was shaded is another song's, or its track is gone: nothing of it belongs here. */
  private void dropWithItsSong() {
    boolean gone =
        openings != document.openings()
            || shading.filter(s -> document.song().track(s.track()).isEmpty()).isPresent();
    if (shading.isPresent() && gone) {
      shading = Optional.empty();
      changes.fire(Aspect.PASS);
    }
  }

  private void follow(Shading now) {
    double share = level.orElse(performer.hands().velocity() / 127.0);
    List<Edit> done =
        now.moveTo(
            runControl.place(),
            runControl.transport().loop(),
            document.song().tempos(),
            share,
            this::beginning);
    done.forEach(this::carryOut);
    changes.fire(Aspect.PASS);
  }

  private void carryOut(Edit edit) {
    rounds++;
    editing.carryOut(edit);
  }

  private List<Note> beginning(TickRange range) {
    return shading
        .flatMap(s -> document.song().track(s.track()))
        .map(t -> t.soundingBeginningIn(range))
        .orElse(List.of());
  }

  /** The key is let go: what was shaded since the last round's end is one undo step. */
  public void release() {
    dropWithItsSong();
    if (shading.isEmpty()) {
      return;
    }
    Shading done = shading.get();
    if (runControl.transport().isRunning()) {
      follow(done);
    }
    shading = Optional.empty();
    Edit last = done.edit();
    if (!last.isNothing()) {
      carryOut(last);
    }
    notices.tell(
        rounds == 0
            ? "Nothing was shaded: hold it while notes pass the playhead"
            : rounds == 1
                ? "Shaded, one undo step"
                : "Shaded in " + rounds + " rounds, an undo step each");
    changes.fire(Aspect.PASS);
  }

  /** A song as it will be once what is being shaded is done. */
  public Song applyTo(Song song) {
    return shading
        .map(Shading::edit)
        .filter(e -> !e.isNothing())
        .map(e -> e.apply(song))
        .orElse(song);
  }
}
