package flailbeat.app.shell;

import flailbeat.app.shell.files.WavFiles;
import flailbeat.app.shell.work.Background;
import flailbeat.app.shell.work.BackgroundWorkshop;
import flailbeat.app.view.row.NoticeLine;
import java.util.Optional;
import javafx.scene.control.ProgressIndicator;

/** What goes on away from the window's thread and takes long, wherever it is done. */
final class LongWork {
  private final BackgroundWorkshop workshop;
  private final Background background;
  private final WavFiles wavs;

  LongWork(BackgroundWorkshop workshop, Background background, WavFiles wavs) {
    this.workshop = workshop;
    this.background = background;
    this.wavs = wavs;
  }

  /** Calls off all of it. */
  void leaveOff() {
    workshop.leaveOff();
    wavs.leaveOff();
    background.leaveOff();
  }

  /** Shows how far it is. */
  void show(NoticeLine notices) {
    Optional<Double> done = progress();
    boolean onFiles = background.takesLong();
    notices.showWork(
        done.isEmpty() && onFiles ? Optional.of(ProgressIndicator.INDETERMINATE_PROGRESS) : done,
        done.isPresent() || background.canBeLeft());
  }

  /** Whether there is something to show. */
  boolean takesLong() {
    return progress().isPresent() || background.takesLong();
  }

  private Optional<Double> progress() {
    return workshop.progress().or(wavs::progress);
  }
}
