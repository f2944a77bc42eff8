package flailbeat.app.shell;

import flailbeat.app.shell.device.MidiInputChoice;
import flailbeat.app.shell.device.SoundDeviceChoice;
import flailbeat.app.view.page.InputMenu;
import flailbeat.app.view.page.RecordingPage;
import flailbeat.app.view.page.SoundPart;
import flailbeat.audio.AudioEngine;
import flailbeat.audio.midi.MidiInputs;
import flailbeat.core.session.Session;
import flailbeat.core.time.Clock;

/** The part of the window that is about devices: what is played on, and where sound goes. */
final class DeviceRoom {
  private final Session session;
  private final MidiInputChoice midi;
  private final SoundDeviceChoice sound;

  DeviceRoom(Session session, AudioEngine engine) {
    this.session = session;
    midi = new MidiInputChoice(session, new MidiInputs(Clock.SYSTEM, engine.monitor()));
    sound = new SoundDeviceChoice(session, engine);
  }

  /** What is played on beside the computer's keys. */
  MidiInputChoice midi() {
    return midi;
  }

  /** Where sound goes. */
  SoundDeviceChoice sound() {
    return sound;
  }

  /** The page on which both are chosen. */
  RecordingPage page() {
    InputMenu input = new InputMenu(midi::lookFor, midi::choose);
    midi.onCurrent(input::showName);
    SoundPart soundPart = new SoundPart(session, sound::lookFor);
    sound.onState(soundPart::showState);
    return new RecordingPage(session, input, soundPart);
  }

  /** Called now and then. */
  void watch() {
    sound.watch();
    midi.watch();
  }

  void close() {
    midi.close();
  }
}
