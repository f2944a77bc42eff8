package flailbeat.app.shell.files;

import flailbeat.app.shell.safe.Safekeeping;
import flailbeat.app.shell.work.Daemons;
import flailbeat.app.view.safe.VersionFiles;
import flailbeat.app.view.safe.When;
import flailbeat.core.edit.tracks.TakenBack;
import flailbeat.core.files.SongFiles;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.session.Session;
import flailbeat.core.session.lost.HeardSong;
import flailbeat.core.version.ToldVersion;
import flailbeat.core.version.Version;
import flailbeat.core.version.Versions;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.function.UnaryOperator;
import javafx.application.Platform;

/** Finds earlier versions of the song, away from the window's thread, and brings them back. */
public final class VersionsRoom implements VersionFiles {
  /** Of older ones it is not told what was changed after them until they are looked into. */
  private static final int MOST_TOLD = 25;

  private final Session session;
  private final Versions versions;
  private final FileActions files;
  private final ExecutorService thread = Daemons.single("versions");
  private final List<Runnable> listeners = new ArrayList<>();
  private List<ToldVersion> rows = List.of();
  private Optional<Chosen> chosen = Optional.empty();
  private final HeardSong heard;
  private int looks;
  private int lookedOpening;

  public VersionsRoom(Session session, Safekeeping safe, FileActions files) {
    this.session = session;
    this.versions = safe.versions();
    this.files = files;
    this.heard = new HeardSong(session, this::tell);
  }

  @Override
  public void look() {
    int look = ++looks;
    Optional<Path> file = session.document().file();
    int opening = session.document().openings();
    if (opening != lookedOpening) {
      // What was looked into is of another song, and must not be brought into this one.
      lookedOpening = opening;
      show(look, List.of());
    }
    Song now = session.song();
    if (file.isEmpty()) {
      show(look, List.of());
      return;
    }
    thread.execute(
        () -> {
          try {
            List<Version> all = versions.of(file.get());
            List<ToldVersion> told = ToldVersion.of(all, Optional.of(now), MOST_TOLD);
            Platform.runLater(() -> show(look, told));
          } catch (IOException e) {
            Platform.runLater(() -> session.notices().warn(SongFiles.describe(file.get(), e)));
          }
        });
  }

  private void show(int look, List<ToldVersion> found) {
    if (look != looks) {
      return;
    }
    rows = found;
    boolean there =
        chosen
            .filter(c -> found.stream().anyMatch(r -> r.version().equals(c.version())))
            .isPresent();
    if (!there) {
      heard.stop();
      chosen = Optional.empty();
    }
    tell();
  }

  private void tell() {
    listeners.forEach(Runnable::run);
  }

  @Override
  public List<ToldVersion> rows() {
    return rows;
  }

  @Override
  public void onChange(Runnable listener) {
    listeners.add(listener);
  }

  @Override
  public void choose(Version version) {
    heard.stop();
    thread.execute(
        () -> {
          try {
            Song song = version.song();
            Platform.runLater(() -> chosen(new Chosen(version, song)));
          } catch (IOException e) {
            String why = "This version cannot be read: " + SongFiles.reason(e);
            Platform.runLater(() -> session.notices().warn(why));
          }
        });
  }

  private void chosen(Chosen now) {
    if (rows.stream().anyMatch(r -> r.version().equals(now.version()))) {
      chosen = Optional.of(now);
      tell();
    }
  }

  @Override
  public Optional<Chosen> chosen() {
    return chosen;
  }

  @Override
  public void hear() {
    chosen.ifPresent(c -> heard.playOrStop(c.song()));
  }

  @Override
  public boolean isHearing() {
    return heard.isOn();
  }

  @Override
  public void open() {
    chosen.ifPresent(c -> files.afterUnsavedWork(() -> open(c)));
  }

  private void open(Chosen version) {
    heard.stop();
    String when = When.of(version.version().millis());
    Song song = version.song();
    session.open(song.withTitle(song.title() + ", " + when), Optional.empty());
    session.document().markUnsaved();
    session.notices().tell("Opened as it was " + when + "; it is in no file yet");
  }

  @Override
  public void takeBack(TrackId track) {
    chosen.ifPresent(
        c -> {
          String name = c.song().track(track).map(t -> t.name()).orElse("a track");
          takeBack(name, c, now -> TakenBack.track(now, c.song(), track));
        });
  }

  @Override
  public void takeBack(ClipId clip) {
    chosen.ifPresent(c -> takeBack("a clip", c, now -> TakenBack.clip(now, c.song(), clip)));
  }

  private void takeBack(String what, Chosen from, UnaryOperator<Song> change) {
    heard.stop();
    Song before = session.song();
    session.editing().attempt("Take back " + what, change);
    if (session.song() != before) {
      String when = When.of(from.version().millis());
      session.notices().tell("Taken back as it was " + when + ": " + what + " ({undo} undoes it)");
    }
  }
}
