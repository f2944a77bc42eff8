package flailbeat.app.shell;

import flailbeat.app.control.Palette;
import flailbeat.app.shell.files.FileActions;
import flailbeat.app.shell.files.LostRoom;
import flailbeat.app.shell.files.VersionsRoom;
import flailbeat.app.shell.safe.Safekeeping;
import flailbeat.app.shell.work.Daemons;
import flailbeat.app.view.row.NoticeLine;
import flailbeat.app.view.row.ToldPane;
import flailbeat.app.view.safe.LostPane;
import flailbeat.app.view.safe.RecentList;
import flailbeat.core.session.Session;
import flailbeat.core.session.lost.LostSongs;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.application.Platform;
import javafx.scene.layout.Region;

/** The part of the window that is about songs that were lost, saved over, or used lately. */
final class SafeRoom {
  private final Safekeeping safe;
  private final FileActions files;
  private final LostSongs songs;
  private final LostRoom lost;
  private final LostPane offer;
  private final VersionsRoom versions;
  private final RecentList recent;
  private final ToldPane told;
  private final ExecutorService recentThread = Daemons.single("recent");

  SafeRoom(Session session, Safekeeping safe, FileActions files, Palette palette) {
    this.safe = safe;
    this.files = files;
    songs = new LostSongs(session);
    lost = new LostRoom(session, safe, files, songs);
    offer = new LostPane(session, songs, palette, lost);
    versions = new VersionsRoom(session, safe, files);
    recent =
        new RecentList(
            session, file -> files.afterUnsavedWork(() -> files.open(file)), this::missing);
    told = new ToldPane(session);
  }

  private void missing(List<String> paths, Consumer<Set<String>> then) {
    recentThread.execute(
        () -> {
          Set<String> missing =
              paths.stream().filter(p -> !Files.exists(Path.of(p))).collect(Collectors.toSet());
          Platform.runLater(() -> then.accept(missing));
        });
  }

  /** Songs that were lost, to be brought back. */
  LostRoom lost() {
    return lost;
  }

  /** Whether lost songs are offered. */
  boolean isOffering() {
    return songs.isOpen();
  }

  /** What the song was before it was saved over. */
  VersionsRoom versions() {
    return versions;
  }

  /** Shows the songs that were used lately. */
  void openRecent() {
    recent.open();
  }

  /** What lies over the window when there is something to show. */
  List<Region> overlays() {
    return List.of(offer, told, recent);
  }

  /**
   * Called now and then.
   *
   * @param busy whether something is held that saving must not disturb
   */
  void watch(NoticeLine notices, BooleanSupplier busy) {
    notices.showJournal(safe.keeper().trouble());
    files.watch(System.nanoTime(), busy);
  }
}
