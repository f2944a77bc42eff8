package flailbeat.app.shell.keys;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Commands;
import flailbeat.app.view.deck.KeyDeck;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.session.hands.Performer;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import javafx.scene.input.KeyEvent;

/** The hands: keys that play, or that do something at their place under the hands. */
final class NoteKeys implements KeyTaker {
  private final Performer performer;
  private final KeyDeck deck;
  private final Commands commands;
  private final Map<KeyName, PhysicalKey> down = new HashMap<>();

  NoteKeys(Performer performer, KeyDeck deck, Commands commands) {
    this.performer = performer;
    this.deck = deck;
    this.commands = commands;
  }

  @Override
  public String name() {
    return "the notes under the hands";
  }

  /** A letter that plays must not wait for a table to be searched. */
  @Override
  public boolean take(KeyPress press) {
    if (press.repeat()) {
      return down.containsKey(press.name());
    }
    if (!performer.keysMode().playsNotes() || press.hasCommandModifier()) {
      return false;
    }
    Optional<PhysicalKey> place = press.placeIn(performer.layout());
    return place.isPresent() && play(press, place.get());
  }

  private boolean play(KeyPress press, PhysicalKey key) {
    if (!performer.hands().arrangement().semitonesAt(key).isEmpty()) {
      performer.press(key, press.event().isShiftDown(), press.nanos());
    } else {
      Command command = commands.at(KeyContext.of(performer.keysMode()), key);
      if (command == null) {
        return false;
      }
      command.press().run();
    }
    deck.showDown(key, true);
    down.put(press.name(), key);
    return true;
  }

  @Override
  public boolean release(KeyName name, KeyEvent e, long nanos) {
    PhysicalKey key = down.remove(name);
    if (key == null) {
      return false;
    }
    performer.release(key, nanos);
    deck.showDown(key, false);
    return true;
  }

  @Override
  public void letGo(long nanos) {
    performer.releaseOwn(nanos);
    forget();
  }

  /** All keys come up, whichever they are. */
  void releaseAll(long nanos) {
    performer.releaseKeys(nanos);
    forget();
  }

  private void forget() {
    down.values().forEach(key -> deck.showDown(key, false));
    down.clear();
  }
}
