package flailbeat.app.shell.files;

import flailbeat.core.session.Session;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.OptionalLong;
import java.util.function.Consumer;

/** What becomes of files that are let go over the window. */
public final class DroppedFiles {
  private final Session session;
  private final FileActions files;
  private final Consumer<Path> sounds;

  /**
   * Takes files.
   *
   * @param sounds takes a file with sounds
   */
  public DroppedFiles(Session session, FileActions files, Consumer<Path> sounds) {
    this.session = session;
    this.files = files;
    this.sounds = sounds;
  }

  private static boolean isSounds(Path file) {
    String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
    return name.endsWith(".sf2") || name.endsWith(".sf3");
  }

  /**
   * Whether they become tracks of this song.
   *
   * @param bar where they were let go; empty where that is no place of the song
   */
  public boolean becomeTracks(List<Path> paths, OptionalLong bar) {
    return bar.isPresent() && !paths.isEmpty() && paths.stream().allMatch(Ending.MIDI::isOf);
  }

  /** What would become of them, in words. */
  public String words(List<Path> paths, OptionalLong bar) {
    if (paths.isEmpty()) {
      return "Nothing that can be opened";
    }
    Path first = paths.getFirst();
    if (becomeTracks(paths, bar)) {
      String what = paths.size() == 1 ? first.getFileName().toString() : paths.size() + " files";
      return what + ": new tracks from bar " + barNumber(bar.getAsLong());
    }
    if (isSounds(first)) {
      return first.getFileName() + ": sounds of your own";
    }
    return first.getFileName() + ": opened in the place of this song";
  }

  private int barNumber(long tick) {
    return session.song().meters().positionAt(tick).bar();
  }

  /** Takes them: as tracks from a bar on, or the first as a song. */
  public void take(List<Path> paths, OptionalLong bar) {
    if (paths.isEmpty()) {
      return;
    }
    if (becomeTracks(paths, bar)) {
      paths.forEach(p -> files.addTracks(p, bar.getAsLong()));
    } else if (isSounds(paths.getFirst())) {
      sounds.accept(paths.getFirst());
    } else {
      Path first = paths.getFirst();
      files.afterUnsavedWork(() -> files.open(first));
    }
  }
}
