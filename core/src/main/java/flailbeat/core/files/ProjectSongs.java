package flailbeat.core.files;

import flailbeat.core.format.project.ProjectFile;
import flailbeat.core.model.Song;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

/** Projects: all of a song. */
public final class ProjectSongs implements SongFormat {
  /** What the names of projects end in. */
  public static final String ENDING = ".flail";

  @Override
  public String name() {
    return "project";
  }

  @Override
  public List<String> endings() {
    return List.of(ENDING);
  }

  @Override
  public Opened read(Path file) throws IOException {
    ProjectFile.Reading reading = ProjectFile.open(file);
    return new Opened(reading.song(), "", "", reading.remarks());
  }

  @Override
  public Written contents(Song song) {
    return new Written(out -> ProjectFile.write(song, out), List.of());
  }
}
