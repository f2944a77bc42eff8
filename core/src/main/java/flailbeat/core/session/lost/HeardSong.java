package flailbeat.core.session.lost;

import flailbeat.core.model.Song;
import flailbeat.core.session.Session;

/** Another song, heard with its own sounds beside the one that is open. */
public final class HeardSong {
  private final Session session;
  private final Runnable onChange;
  private boolean on;

  /**
   * None is heard yet.
   *
   * @param onChange is told when one begins, and when it is over, however it ends
   */
  public HeardSong(Session session, Runnable onChange) {
    this.session = session;
    this.onChange = onChange;
  }

  /** Plays a song from its first note, or stops; one without notes is told. */
  public void playOrStop(Song song) {
    if (on) {
      stop();
    } else if (song.noteCount() == 0) {
      session.notices().tell("There are no notes in it to be heard");
    } else {
      session.runControl().phrases().hearOther(song, this::over);
      on = true;
      onChange.run();
    }
  }

  private void over() {
    on = false;
    onChange.run();
  }

  /** Ends it, if one is heard. */
  public void stop() {
    if (on) {
      session.run().stop();
    }
  }

  /** Whether one is heard. */
  public boolean isOn() {
    return on;
  }
}
