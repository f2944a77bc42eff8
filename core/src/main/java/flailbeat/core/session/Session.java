package flailbeat.core.session;

import flailbeat.core.model.Song;
import flailbeat.core.playback.Player;
import flailbeat.core.time.Clock;
import flailbeat.core.time.Grid;
import flailbeat.core.time.NoteValue;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * What the window and the tests drive: an open song, the person at the keys, the conductor and the
 * timing desk, with the commands that need more than one of them. Not safe for use from several
 * threads.
 */
public final class Session {
  private final Changes changes = new Changes();
  private final Document document = new Document(changes);
  private final TimingDesk timing = new TimingDesk(document, changes);
  private final Performer performer;
  private final Conductor conductor;
  private Notice notice = Notice.NONE;
  private Grid snap = Grid.of(NoteValue.straight(16));

  public Session(Clock clock, Player player) {
    performer = new Performer(changes, clock);
    conductor = new Conductor(document, timing, performer, changes, clock, player);
  }

  public Changes changes() {
    return changes;
  }

  public Document document() {
    return document;
  }

  public TimingDesk timing() {
    return timing;
  }

  public Performer performer() {
    return performer;
  }

  public Conductor conductor() {
    return conductor;
  }

  public Song song() {
    return document.song();
  }

  /** The line that tells the person what last happened. */
  public Notice notice() {
    return notice;
  }

  public void tell(Notice value) {
    notice = value;
    changes.fire(Aspect.NOTICE);
  }

  /** The grid that the bench shows and that moves by hand keep to. */
  public Grid grid() {
    return snap;
  }

  public void setGrid(Grid value) {
    snap = value;
    timing.setSettings(timing.settings().withGrid(value));
    changes.fire(Aspect.TIMING);
  }

  /** Opens a song in the place of the present one. */
  public void open(Song song, Optional<Path> from) {
    stop();
    document.open(song, from);
    conductor.seek(0);
  }

  public void playOrStop() {
    if (conductor.transport().isRunning()) {
      stop();
    } else {
      conductor.play();
    }
  }

  /** Starts recording; while recording, stops. From playing, recording starts anew at the place. */
  public void recordOrStop() {
    boolean recording = conductor.transport().isRecording();
    stop();
    if (!recording) {
      tell(conductor.record());
    }
  }

  public void stop() {
    conductor.stop().ifPresent(this::tell);
  }

  public void panic() {
    conductor.panic();
    tell(new Notice("All notes off", false));
  }

  /** Keeps what was just played, though it was not recorded. */
  public void keepPhrase() {
    if (!refusedWhileRecording()) {
      tell(conductor.keepPhrase());
    }
  }

  public void quantize() {
    if (refusedWhileRecording()) {
      return;
    }
    tell(timing.apply());
  }

  public void hearAsPlayed(boolean held) {
    conductor.hearAsPlayed(held);
  }

  /** Carries an edit out, unless a recording runs. */
  public void edit(String label, UnaryOperator<Song> change) {
    if (!refusedWhileRecording()) {
      document.edit(label, change);
    }
  }

  public void undo() {
    Optional<String> label = document.undoLabel();
    if (!refusedWhileRecording()) {
      document.undo();
      tell(new Notice(label.map(l -> "Undone: " + l).orElse("Nothing to undo"), false));
    }
  }

  public void redo() {
    Optional<String> label = document.redoLabel();
    if (!refusedWhileRecording()) {
      document.redo();
      tell(new Notice(label.map(l -> "Done again: " + l).orElse("Nothing to redo"), false));
    }
  }

  private boolean refusedWhileRecording() {
    boolean recording = conductor.transport().isRecording();
    if (recording) {
      tell(new Notice("Stop recording first (Space)", true));
    }
    return recording;
  }
}
