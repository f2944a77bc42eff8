package flailbeat.app.view.row;

import flailbeat.core.keys.KeysMode;
import flailbeat.core.session.Session;
import flailbeat.core.session.run.RunControl;

/**
 * What state the window is in, in a word or two, with the key that leads out of it where it is no
 * usual one. All states are told here and nowhere else first: what the keys are asked for goes
 * before what is heard, and that before where the letters go.
 */
final class StateWords {
  private final Session session;

  StateWords(Session session) {
    this.session = session;
  }

  /** Such as {@code Recording, pass 3}; commands are named in braces. */
  String now() {
    String aside = aside();
    return switch (session.runControl().transport().state()) {
      case STOPPED -> aside.isEmpty() ? "Stopped" : aside;
      case COUNTING_IN -> "Count-in" + besides(aside);
      case PLAYING ->
          session.runControl().isCalibrating()
              ? "Calibrating: {play} ends it"
              : session.runControl().sweeper().isHeld() ? "Sweeping" : "Playing" + besides(aside);
      case RECORDING -> recording() + besides(aside);
    };
  }

  private static String besides(String aside) {
    return aside.isEmpty()
        ? ""
        : ", " + aside.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + aside.substring(1);
  }

  /** What goes on beside that the song runs or rests. */
  private String aside() {
    if (session.keyboard().isAsking()) {
      return "Asking for keys: {ask-leave} leaves";
    }
    if (session.doubts().isOn()) {
      return "Deciding doubts: {walk-leave} leaves";
    }
    if (session.sounds().isOpen()) {
      return "Choosing a sound: {sounds-leave} leaves";
    }
    if (session.chores().isTrying()) {
      return "Trying a chore: {chore-leave} leaves";
    }
    if (session.shading().isOn()) {
      return "Shading";
    }
    return switch (session.timing().version()) {
      case PLAYED -> "As played";
      case OTHERWISE -> "Understood otherwise";
      case QUANTIZED -> "As quantized";
      case STANDING ->
          session.performer().keysMode() == KeysMode.STEPS ? "Steps: {keys-switch} plays" : "";
    };
  }

  /** Round a loop, the number of the pass is what one loses track of. */
  private String recording() {
    RunControl run = session.runControl();
    boolean round = run.transport().loop().isPresent();
    return (round ? "Recording, pass " + run.passNumber() : "Recording")
        + (run.sweeper().isHeld() ? ", sweeping" : "");
  }
}
