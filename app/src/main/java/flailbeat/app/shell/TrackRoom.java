package flailbeat.app.shell;

import flailbeat.app.control.Palette;
import flailbeat.app.shell.commands.ShortMenu;
import flailbeat.app.shell.commands.TrackCommands;
import flailbeat.app.shell.device.SoundFiles;
import flailbeat.app.shell.files.Prompts;
import flailbeat.app.shell.work.Background;
import flailbeat.app.view.sound.SoundPane;
import flailbeat.app.view.track.TrackList;
import flailbeat.app.view.track.TrackStrip;
import flailbeat.app.view.track.TrackTabs;
import flailbeat.audio.AudioEngine;
import flailbeat.core.session.Session;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;

/** The part of the window that is about tracks and their sounds. */
final class TrackRoom implements TrackCommands.Showing {
  private static final double TOP = 74;

  private final AudioEngine engine;
  private final TrackTabs tabs;
  private final TrackStrip strip;
  private final TrackList list;
  private final SoundPane sounds;
  private final SoundFiles files;

  /**
   * The room.
   *
   * @param menu makes the menu of the right button
   */
  TrackRoom(
      Session session,
      AudioEngine engine,
      Palette palette,
      Prompts prompts,
      Background background,
      Supplier<ShortMenu> menu) {
    this.engine = engine;
    files = new SoundFiles(session, engine, prompts, background);
    strip = new TrackStrip(session, palette, this::lookForOutputs);
    tabs = new TrackTabs(session, strip::toggle, e -> menu.get().showTrack(e));
    list = new TrackList(session);
    sounds = new SoundPane(session, files::ask);
  }

  TrackTabs tabs() {
    return tabs;
  }

  TrackStrip strip() {
    return strip;
  }

  TrackList list() {
    return list;
  }

  SoundPane sounds() {
    return sounds;
  }

  /**
   * Says where in the window's stack its overlays stand.
   *
   * @param also others that stand where they do
   */
  void place(List<Region> also) {
    List<Region> all = new ArrayList<>(also);
    all.addAll(List.of(list, sounds));
    for (Region each : all) {
      StackPane.setAlignment(each, Pos.TOP_CENTER);
      StackPane.setMargin(each, new Insets(TOP, 20, 20, 20));
    }
  }

  private void lookForOutputs(Consumer<List<String>> then) {
    files.away(
        () -> {
          List<String> names = engine.ports().names();
          Platform.runLater(() -> then.accept(names));
        });
  }

  /** Takes a file with sounds of the person's own. */
  void takeSoundFile(Path file) {
    files.take(file);
  }

  void showLevels() {
    tabs.showLevels(engine::level);
    strip.showLevels(engine::level);
  }

  /** Called now and then. */
  void watch() {
    files.watch();
  }

  void close() {
    files.close();
  }

  @Override
  public void editName() {
    tabs.editName();
  }

  @Override
  public void toggleStrip() {
    strip.toggle();
  }

  @Override
  public void openList() {
    list.open();
  }

  @Override
  public void searchSounds() {
    sounds.search();
  }

  @Override
  public void addSoundFile() {
    files.ask();
  }
}
