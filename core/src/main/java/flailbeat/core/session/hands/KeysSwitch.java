package flailbeat.core.session.hands;

import flailbeat.core.keys.KeysMode;
import flailbeat.core.session.document.WhileRecording;
import java.util.ArrayList;
import java.util.List;

/** The Keys switch: gives the letter keys to notes, to steps or to commands. */
public final class KeysSwitch {
  private final Performer performer;
  private final WhileRecording whileRecording;
  private final List<KeyHolder> holders = new ArrayList<>();
  private Runnable onSteps = () -> {};

  public KeysSwitch(Performer performer, WhileRecording whileRecording) {
    this.performer = performer;
    this.whileRecording = whileRecording;
  }

  /** Registers something that gives the keys back when the person says who has them. */
  public void add(KeyHolder holder) {
    holders.add(holder);
  }

  /** Says what begins when the keys are given to steps. */
  public void onSteps(Runnable begin) {
    onSteps = begin;
  }

  /** Gives the keys to whom a person says; whatever else has them gives them back. */
  public void set(KeysMode mode) {
    if (mode == KeysMode.STEPS && whileRecording.refuses()) {
      return;
    }
    takeBack();
    performer.setKeysMode(mode);
    if (mode == KeysMode.STEPS) {
      onSteps.run();
    }
  }

  /** Takes the keys from whoever has them for a while. */
  public void takeBack() {
    holders.stream().filter(KeyHolder::isOn).forEach(KeyHolder::giveBack);
  }
}
