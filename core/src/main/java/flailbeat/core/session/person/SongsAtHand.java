package flailbeat.core.session.person;

import flailbeat.core.model.Song;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The files that were used last, and how songs are opened and saved. */
public final class SongsAtHand {
  /** How many are known. */
  static final int MOST = 20;

  /** So often a song can be saved by itself, in minutes. */
  public static final List<Integer> MINUTES = List.of(0, 1, 5, 15);

  private static final long NANOS = 1_000_000_000L;

  private final Changes changes;
  private Kept kept = Kept.STANDARD;

  public SongsAtHand(Changes changes) {
    this.changes = changes;
  }

  /**
   * A file that was used.
   *
   * @param path absolute
   * @param millis when, in milliseconds since 1970
   * @param length of the song, in minutes and seconds
   */
  public record Recent(String path, String title, long millis, String length) {
    public Recent {
      if (path == null || title == null || length == null) {
        throw new IllegalArgumentException("A file that was used has a path and a title");
      }
    }
  }

  /**
   * What is kept.
   *
   * @param recent the latest first
   * @param reopens whether the one that was used last is opened at the start
   * @param autosaveMinutes how often a song that has a file is saved by itself; 0 for never
   */
  public record Kept(List<Recent> recent, boolean reopens, int autosaveMinutes) {
    /** Nothing was used yet; nothing happens by itself: the journal is enough. */
    public static final Kept STANDARD = new Kept(List.of(), false, 0);

    public Kept {
      recent = recent == null ? List.of() : List.copyOf(recent);
      if (autosaveMinutes < 0) {
        throw new IllegalArgumentException("A song is saved every so many minutes, or never (0)");
      }
    }
  }

  public Kept kept() {
    return kept;
  }

  /** Sets all of it. */
  public void set(Kept value) {
    if (!value.equals(kept)) {
      kept = value;
      changes.fire(Aspect.SETTINGS);
    }
  }

  /** A song was opened from a file, or saved to it. */
  public void used(String path, Song song, long millis) {
    List<Recent> now = new ArrayList<>();
    now.add(new Recent(path, song.title(), millis, length(song)));
    kept.recent().stream().filter(r -> !r.path().equals(path)).limit(MOST - 1L).forEach(now::add);
    set(new Kept(now, kept.reopens(), kept.autosaveMinutes()));
  }

  /** How long a song is, in minutes and seconds. */
  public static String length(Song song) {
    long seconds = Math.ceilDiv(song.tempos().nanosAt(song.end()), NANOS);
    return seconds / 60 + ":" + String.format(Locale.ROOT, "%02d", seconds % 60);
  }

  /** The one that was used last. */
  public Optional<Recent> last() {
    return kept.recent().stream().findFirst();
  }

  /** Has the one that was used last opened at the start, or not. */
  public void setReopens(boolean value) {
    set(new Kept(kept.recent(), value, kept.autosaveMinutes()));
  }

  /** Has a song that has a file saved by itself so often; 0 for never. */
  public void setAutosaveMinutes(int value) {
    set(new Kept(kept.recent(), kept.reopens(), value));
  }
}
