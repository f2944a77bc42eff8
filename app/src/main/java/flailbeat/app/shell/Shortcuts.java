package flailbeat.app.shell;

import flailbeat.app.view.RepeatValues;
import flailbeat.app.view.SidePane;
import flailbeat.app.view.bench.BenchView;
import flailbeat.app.view.timing.TimingDeskView;
import flailbeat.audio.sound.Sound;
import flailbeat.core.capture.RecordingMode;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteMove;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.keys.ArrangementKind;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Track;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.session.Notice;
import flailbeat.core.session.PlaySettings;
import flailbeat.core.session.RecordSettings;
import flailbeat.core.session.Repeater;
import flailbeat.core.session.Session;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** Every shortcut, in one table. */
final class Shortcuts {
  private final Session session;
  private final FileActions files;
  private final BenchView bench;
  private final SidePane pages;
  private final TimingDeskView desk;

  Shortcuts(
      Session session, FileActions files, BenchView bench, SidePane pages, TimingDeskView desk) {
    this.desk = desk;
    this.pages = pages;
    this.session = session;
    this.files = files;
    this.bench = bench;
  }

  List<Shortcut> table() {
    return List.of(
        // Who has the keys
        Shortcut.always("F2", this::switchKeys),
        Shortcut.always("Esc", () -> session.keyboard().setKeysMode(KeysMode.COMMANDS)),
        Shortcut.always("Ctrl+Minus", () -> session.performer().moveReach(-1)).repeating(),
        Shortcut.always("Ctrl+Equals", () -> session.performer().moveReach(1)).repeating(),
        // Transport
        Shortcut.always("Space", session.run()::playOrStop),
        Shortcut.always("Shift+Space", session.run()::recordOrStop),
        Shortcut.always("Home", () -> session.conductor().seek(0)),
        Shortcut.always("Ctrl+Backspace", session.run()::dropLastPass),
        Shortcut.always("Ctrl+M", this::nextMode),
        Shortcut.always("Alt+Q", this::quantizeAsPlayed),
        Shortcut.always("Alt+M", () -> session.performer().modulationOff()),
        Shortcut.always("Ctrl+L", session.run()::toggleLoop),
        Shortcut.always("Ctrl+Shift+L", session.run()::loopScope),
        Shortcut.always("Alt+Right", () -> session.run().lengthenLoop(1)).repeating(),
        Shortcut.always("Alt+Left", () -> session.run().lengthenLoop(-1)).repeating(),
        Shortcut.always("Alt+Shift+Right", () -> session.run().moveLoop(1)).repeating(),
        Shortcut.always("Alt+Shift+Left", () -> session.run().moveLoop(-1)).repeating(),
        // Parts
        Shortcut.always("Page Up", () -> step(-1)),
        Shortcut.always("Page Down", () -> step(1)),
        Shortcut.always("Ctrl+Page Up", () -> session.editing().stepTake(-1)),
        Shortcut.always("Ctrl+Page Down", () -> session.editing().stepTake(1)),
        Shortcut.always("Ctrl+Shift+A", this::addTrack),
        Shortcut.always("Alt+Up", () -> stepSound(-1)).repeating(),
        Shortcut.always("Alt+Down", () -> stepSound(1)).repeating(),
        // What is in sight
        Shortcut.always("F5", () -> pages.show(SidePane.Page.TIMING)),
        Shortcut.always("F6", () -> pages.show(SidePane.Page.HANDS)),
        Shortcut.always("F7", () -> pages.show(SidePane.Page.RECORDING)),
        // How the notes lie
        Shortcut.always("Alt+1", () -> arrange(ArrangementKind.HOME)),
        Shortcut.always("Alt+2", () -> arrange(ArrangementKind.SPAN)),
        Shortcut.always("Alt+3", () -> arrange(ArrangementKind.PADS)),
        Shortcut.always("Alt+4", () -> arrange(ArrangementKind.SCALE)),
        Shortcut.always("Alt+5", () -> arrange(ArrangementKind.CHORDS)),
        Shortcut.always("Ctrl+K", session.run()::keepPhrase),
        Shortcut.always("Ctrl+Period", session.run()::panic),
        // Editing
        Shortcut.always("Ctrl+Z", session.editing()::undo).repeating(),
        Shortcut.always("Ctrl+Shift+Z", session.editing()::redo).repeating(),
        Shortcut.always("Ctrl+A", () -> session.document().select(NoteRule.ALL)),
        Shortcut.always("Delete", this::delete),
        // Timing
        Shortcut.always("Ctrl+T", session.quantizing()::quantize),
        Shortcut.always("Ctrl+D", session.doubts()::start),
        Shortcut.always("Alt+T", session.run()::compareRounds),
        Shortcut.always("Alt+P", session.quantizing()::bringBackPlayed),
        Shortcut.always("Alt+A", session.quantizing()::selectSamePitches),
        Shortcut.always("Alt+G", () -> onDesk(desk::askWhichGrid)),
        Shortcut.always("Alt+B", () -> onDesk(desk::findBeat)),
        // By hand
        Shortcut.always("Ctrl+Left", () -> move(-1, 0)).repeating(),
        Shortcut.always("Ctrl+Right", () -> move(1, 0)).repeating(),
        Shortcut.always("Ctrl+Up", () -> move(0, 1)).repeating(),
        Shortcut.always("Ctrl+Down", () -> move(0, -1)).repeating(),
        Shortcut.always("Ctrl+Shift+Up", () -> move(0, Pitch.OCTAVE)).repeating(),
        Shortcut.always("Ctrl+Shift+Down", () -> move(0, -Pitch.OCTAVE)).repeating(),
        Shortcut.command("Left", () -> move(-1, 0)).repeating(),
        Shortcut.command("Right", () -> move(1, 0)).repeating(),
        Shortcut.command("Up", () -> move(0, 1)).repeating(),
        Shortcut.command("Down", () -> move(0, -1)).repeating(),
        Shortcut.command("Shift+Up", () -> move(0, Pitch.OCTAVE)).repeating(),
        Shortcut.command("Shift+Down", () -> move(0, -Pitch.OCTAVE)).repeating(),
        // Files
        Shortcut.always("Ctrl+N", files::newSong),
        Shortcut.always("Ctrl+O", files::open),
        Shortcut.always("Ctrl+S", files::save),
        Shortcut.always("Ctrl+Shift+S", files::saveAs),
        Shortcut.always("Ctrl+E", files::exportMidi),
        // Letters, when they are commands
        Shortcut.command("M", this::mute),
        Shortcut.command("S", this::solo),
        Shortcut.command("C", this::click),
        Shortcut.command("F", bench::fit),
        Shortcut.command("V", bench::toggleLane),
        Shortcut.command("Equals", () -> bench.zoom(1.25)).repeating(),
        Shortcut.command("Minus", () -> bench.zoom(0.8)).repeating());
  }

  /** Keys that shape what is played, while letters are notes. */
  List<Shortcut> playTable() {
    return List.of(
        Shortcut.always("Tab", this::repeat),
        Shortcut.always("Shift+Tab", this::nextRepeatValue),
        Shortcut.always("Up", () -> session.performer().stepVelocity(1)).repeating(),
        Shortcut.always("Down", () -> session.performer().stepVelocity(-1)).repeating());
  }

  private void onDesk(Runnable command) {
    pages.show(SidePane.Page.TIMING);
    command.run();
  }

  void switchKeys() {
    boolean playing = session.performer().keysMode() == KeysMode.PLAY;
    session.keyboard().setKeysMode(playing ? KeysMode.COMMANDS : KeysMode.PLAY);
  }

  private void repeat() {
    Repeater repeater = session.conductor().repeater();
    session.conductor().setRepeat(!repeater.isOn(), repeater.value());
  }

  private void nextRepeatValue() {
    session.conductor().setRepeat(true, RepeatValues.after(session.conductor().repeater().value()));
  }

  private void nextMode() {
    RecordSettings old = session.conductor().recordSettings();
    RecordingMode[] modes = RecordingMode.values();
    RecordingMode next = modes[(old.mode().ordinal() + 1) % modes.length];
    session.conductor().setRecordSettings(old.withMode(next));
    session
        .notices()
        .tell(new Notice(next.title() + ": " + next.hint().toLowerCase(Locale.ROOT), false));
  }

  private void quantizeAsPlayed() {
    RecordSettings old = session.conductor().recordSettings();
    session.conductor().setRecordSettings(old.withQuantize(!old.quantize()));
    session
        .notices()
        .tell(
            new Notice(
                old.quantize() ? "Recorded as played" : "Quantized as it is recorded", false));
  }

  private void arrange(ArrangementKind kind) {
    session.performer().arrange(kind);
  }

  private void addTrack() {
    session.editing().addTrack(Sound.ACOUSTIC_PIANO.instrument());
  }

  private void stepSound(int by) {
    Track track = session.document().track();
    Sound[] sounds = Sound.values();
    int now = Sound.playing(track.instrument()).ordinal();
    Sound next = sounds[Math.floorMod(now + by, sounds.length)];
    session
        .editing()
        .edit(
            "Sound " + next.title(),
            s -> SongEdits.setInstrument(s, track.id(), next.instrument()));
    session.notices().tell(new Notice(track.name() + " plays " + next.title(), false));
  }

  private void delete() {
    Set<NoteId> ids = session.document().scope().selected().notes();
    session
        .editing()
        .edit(
            ids.size() == 1 ? "Delete note" : "Delete " + ids.size() + " notes",
            s -> NoteEdits.delete(s, ids));
  }

  private void move(int steps, int semitones) {
    Set<NoteId> ids = session.document().scope().selected().notes();
    NoteMove move =
        NoteMove.byLines(session.song(), ids, session.timing().lines(), steps, semitones);
    session.editing().carryOut(move);
  }

  private void mute() {
    Track track = session.document().track();
    session
        .editing()
        .edit("Mute " + track.name(), s -> s.withTrack(track.id(), t -> t.withMuted(!t.muted())));
  }

  private void solo() {
    Track track = session.document().track();
    session
        .editing()
        .edit("Solo " + track.name(), s -> s.withTrack(track.id(), t -> t.withSolo(!t.solo())));
  }

  private void click() {
    PlaySettings old = session.conductor().settings();
    session.conductor().setSettings(old.withClickInPlay(!old.clickInPlay()));
  }

  private void step(int by) {
    List<Track> tracks = session.song().tracks();
    int now = tracks.indexOf(session.document().track());
    session.document().chooseTrack(tracks.get(Math.clamp(now + by, 0, tracks.size() - 1)).id());
  }
}
