package flailbeat.core.session.run;

import flailbeat.core.capture.Calibration;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Looping;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.document.WhileRecording;
import flailbeat.core.session.hands.KeysSwitch;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;

/** The commands of the run row: play, record, loop, sweep, calibrate, compare. */
public final class RunActions {
  private final Document document;
  private final RunControl runControl;
  private final Performer performer;
  private final KeysSwitch keys;
  private final Changes changes;
  private final Notices notices;
  private final WhileRecording whileRecording;

  public RunActions(
      Document document,
      RunControl runControl,
      Performer performer,
      KeysSwitch keys,
      Changes changes,
      Notices notices,
      WhileRecording whileRecording) {
    this.document = document;
    this.runControl = runControl;
    this.performer = performer;
    this.keys = keys;
    this.changes = changes;
    this.notices = notices;
    this.whileRecording = whileRecording;
  }

  public void playOrStop() {
    if (runControl.transport().isRunning()) {
      stop();
    } else {
      runControl.play();
    }
  }

  /**
   * Starts recording; while recording, stops. From playing, recording starts anew at the play
   * start.
   */
  public void recordOrStop() {
    if (!runControl.transport().isRecording() && refusesAtSteps("to record")) {
      return;
    }
    changes.during(
        () -> {
          boolean recording = runControl.transport().isRecording();
          stop();
          keys.takeBack();
          if (!recording) {
            runControl.record();
          }
        });
  }

  /** At Steps, what is played is entered and no more, which is told then. */
  private boolean refusesAtSteps(String what) {
    boolean atSteps = performer.keysMode() == KeysMode.STEPS;
    if (atSteps) {
      notices.warn("Keys stand at Steps: put them at Play ({keys-switch}) " + what);
    }
    return atSteps;
  }

  public void stop() {
    runControl.stop();
  }

  /** Goes round the loop, or no longer. */
  public void toggleLoop() {
    if (!whileRecording.refuses()) {
      runControl.looping().toggle(runControl.playStartTicks());
      tellLoop();
    }
  }

  /** Goes round a range. */
  public void loop(TickRange range) {
    if (!whileRecording.refuses()) {
      runControl.looping().choose(range);
      tellLoop();
    }
  }

  /** Goes round the bars of the notes in scope. */
  public void loopScope() {
    if (!whileRecording.refuses()) {
      runControl.looping().chooseAround(document.scope().notes());
      tellLoop();
    }
  }

  /** Makes the loop longer or shorter by bars. */
  public void lengthenLoop(int bars) {
    if (!whileRecording.refuses()) {
      runControl.looping().lengthen(bars, runControl.playStartTicks());
      tellLoop();
    }
  }

  /** Moves the loop by bars. */
  public void moveLoop(int bars) {
    if (!whileRecording.refuses()) {
      runControl.looping().move(bars, runControl.playStartTicks());
      tellLoop();
    }
  }

  private void tellLoop() {
    Looping looping = runControl.looping();
    MeterMap meters = document.song().meters();
    String text =
        looping
            .active()
            .map(
                r ->
                    "Loop: bars "
                        + (meters.barAt(r.start()) + 1)
                        + " to "
                        + (meters.barAt(r.end() - 1) + 1))
            .orElse("No loop");
    notices.tell(new Notice(text, false));
  }

  /** Takes back the last pass; recording goes on. */
  public void dropLastPass() {
    notices.tell(runControl.dropLastPass());
  }

  /** Holds the sweep, or lets it go: notes are wiped as the playhead passes them. */
  public void sweep(boolean held) {
    if (held && !runControl.transport().isRunning()) {
      notices.tell("Sweep works while the song plays: start it, then hold");
    } else {
      notices.tell(runControl.sweep(held));
    }
  }

  /** Plays eight bars of click to tap along to. */
  public void calibrate() {
    if (!whileRecording.refuses() && !refusesAtSteps("to tap")) {
      runControl.calibrate();
      notices.tell(
          new Notice("Tap any note key with the click, eight bars long. {play} stops", false));
    }
  }

  /** Takes the offset that was found off what is recorded from now on. */
  public void takeOffset() {
    runControl
        .calibration()
        .map(Calibration::result)
        .filter(Calibration.Result::isUsable)
        .ifPresent(
            r ->
                runControl.setRecordSettings(
                    runControl
                        .recordSettings()
                        .withOffsetMs(Math.round(r.offsetMs() * 10) / 10.0)));
  }

  /** Silence, at once, whatever sounds. */
  public void panic() {
    runControl.panic();
    notices.tell("All notes off");
  }

  /** Keeps what was just played, though it was not recorded. */
  public void keepPhrase() {
    whileRecording.unless(runControl::keepPhrase);
  }

  /** Goes round the loop, as played and as quantized in turn; once more stops it. */
  public void compareRounds() {
    if (whileRecording.refuses()) {
      return;
    }
    if (runControl.isComparing()) {
      stop();
      return;
    }
    if (document.scope().notes().isEmpty()) {
      notices.tell(new Notice("There are no notes here to compare", false));
      return;
    }
    runControl.compareRounds(document.scope().notes());
    notices.tell(new Notice("One round as played, the next as quantized. {play} stops", false));
  }

  public void hearAsPlayed(boolean held) {
    runControl.hear(NoteVersion.PLAYED, held);
  }
}
