package flailbeat.app.shell;

import flailbeat.app.control.Palette;
import flailbeat.app.shell.files.FileActions;
import flailbeat.app.shell.files.ShelfKeeper;
import flailbeat.app.view.base.Page;
import flailbeat.app.view.page.ChordsPage;
import flailbeat.app.view.page.ChoresPage;
import flailbeat.app.view.page.ClipPage;
import flailbeat.app.view.page.DrawingPage;
import flailbeat.app.view.page.EventsPage;
import flailbeat.app.view.page.HandsPage;
import flailbeat.app.view.page.KeysPage;
import flailbeat.app.view.page.RecordingPage;
import flailbeat.app.view.page.ShelfPage;
import flailbeat.app.view.page.SidePane;
import flailbeat.app.view.safe.VersionFiles;
import flailbeat.app.view.safe.VersionsPage;
import flailbeat.app.view.sound.MonitorPage;
import flailbeat.app.view.sound.SoundFilePage;
import flailbeat.app.view.timing.TimingDeskView;
import flailbeat.audio.AudioEngine;
import flailbeat.core.session.Session;
import java.util.List;
import java.util.function.Supplier;

/** The pages at the window's right, and what is turned to from elsewhere. */
final class WindowPages {
  private final Session session;
  private final TimingDeskView desk;
  private final Page timing;
  private final Page list;
  private final Page clip;
  private final Page chords;
  private final Page soundFile;
  private final SidePane pane;
  private EventsPage eventsPage;
  private ClipPage clipPage;
  private ChordsPage chordsPage;

  /**
   * The pages, in the order in which they stand on the rail.
   *
   * @param recording makes the page of recording, which needs devices
   * @param keys makes the page of keys, which needs the commands
   * @param wavs writes sound files
   * @param engine has the MIDI outputs
   */
  WindowPages(
      Session session,
      TimingDeskView desk,
      FileActions files,
      ShelfKeeper shelf,
      VersionFiles versions,
      Palette palette,
      Supplier<RecordingPage> recording,
      Supplier<KeysPage> keys,
      SoundFilePage.Writer wavs,
      AudioEngine engine) {
    this.session = session;
    this.desk = desk;
    timing = desk.page();
    list = EventsPage.page(this::eventsPage);
    clip = ClipPage.page(this::clipPage);
    chords = ChordsPage.page(this::chordsPage);
    soundFile = SoundFilePage.page(session, wavs);
    pane =
        new SidePane(
            session,
            List.of(
                timing,
                HandsPage.page(session),
                RecordingPage.page(recording),
                DrawingPage.page(session),
                list,
                clip,
                chords,
                ShelfPage.page(session, shelf),
                ChoresPage.page(session, files),
                VersionsPage.page(session, versions, palette),
                soundFile,
                MonitorPage.page(engine),
                KeysPage.page(keys)));
  }

  SidePane pane() {
    return pane;
  }

  TimingDeskView desk() {
    return desk;
  }

  void turnToTiming() {
    pane.turnTo(timing);
  }

  void turnToSoundFile() {
    pane.turnTo(soundFile);
  }

  /** Puts the caret into the row of the list that is selected. */
  void editList() {
    pane.turnTo(list);
    eventsPage().editSelected();
  }

  /** Puts the caret where the name of a clip is typed. */
  void nameClip() {
    pane.turnTo(clip);
    clipPage().editName();
  }

  /** Puts the caret where chords are typed. */
  void typeChords() {
    pane.turnTo(chords);
    chordsPage().editTyped();
  }

  /** Puts the caret where the chord at the playhead is named. */
  void nameChord() {
    pane.turnTo(chords);
    chordsPage().editName();
  }

  /** Called for each frame: the playhead goes on to other chords. */
  void followChords() {
    if (chordsPage != null && chordsPage.getScene() != null) {
      chordsPage.follow();
    }
  }

  private ChordsPage chordsPage() {
    if (chordsPage == null) {
      chordsPage = new ChordsPage(session);
    }
    return chordsPage;
  }

  private EventsPage eventsPage() {
    if (eventsPage == null) {
      eventsPage = new EventsPage(session);
    }
    return eventsPage;
  }

  private ClipPage clipPage() {
    if (clipPage == null) {
      clipPage = new ClipPage(session);
    }
    return clipPage;
  }
}
