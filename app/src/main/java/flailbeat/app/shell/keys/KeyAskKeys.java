package flailbeat.app.shell.keys;

import flailbeat.app.command.KeyAsk;

/** While a new key is asked for, every key is the answer. */
record KeyAskKeys(KeyAsk keyAsk) implements KeyTaker {
  @Override
  public String name() {
    return "a new key for a command";
  }

  @Override
  public boolean take(KeyPress press) {
    if (!keyAsk.isOn()) {
      return false;
    }
    if (!press.repeat()) {
      keyAsk.press(press.stroke(), press.event().getCode().name(), press.event().getText());
    }
    return true;
  }
}
