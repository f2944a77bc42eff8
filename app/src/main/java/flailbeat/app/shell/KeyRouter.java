package flailbeat.app.shell;

import flailbeat.app.view.KeyActions;
import flailbeat.app.view.KeyDeck;
import flailbeat.core.keys.KeySign;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.session.DoubtWalk;
import flailbeat.core.session.Notice;
import flailbeat.core.session.Performer;
import flailbeat.core.session.Session;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.stage.Stage;
import javafx.stage.WindowEvent;

/**
 * Decides who gets a key, before any control of the window sees it: a text field with the caret, a
 * shortcut, or the hands.
 *
 * <p>Three things of this platform are met here. A held key comes as repeated presses: only the
 * first counts. When the window loses the focus, no release comes for what is held: everything ends
 * then, and repeats of those keys that arrive as the focus returns start nothing. A key's code
 * follows the system's layout and may be unknown: a release is matched to its press by code and
 * text.
 */
final class KeyRouter {
  /** The system begins to repeat a held key within this time; 660 ms is the X server's default. */
  private static final long FIRST_REPEAT_NANOS = 1_000_000_000;

  /** The key that was struck last before the focus went: the only one that the system repeats. */
  private record Stale(Name name, long sinceNanos, boolean repeated) {}

  /** What the system says of a key, which is all there is to know it by. */
  private record Name(KeyCode code, String text) {
    static Name of(KeyEvent e) {
      return new Name(
          e.getCode(),
          e.getCode() == KeyCode.UNDEFINED ? e.getText().toLowerCase(Locale.ROOT) : "");
    }
  }

  private final Session session;
  private final Performer performer;
  private final KeyDeck deck;
  private final Shortcuts shortcuts;
  private final List<Shortcut> table;
  private final List<Shortcut> playTable;
  private final Map<Name, Optional<PhysicalKey>> down = new HashMap<>();
  private Optional<Name> lastStruck = Optional.empty();
  private Optional<Stale> stale = Optional.empty();
  private final PedalKeys pedalKeys;
  private boolean holdingAsPlayed;

  KeyRouter(Session session, KeyDeck deck, Shortcuts shortcuts) {
    this.session = session;
    this.performer = session.performer();
    this.deck = deck;
    this.shortcuts = shortcuts;
    this.table = shortcuts.table();
    this.playTable = shortcuts.playTable();
    this.pedalKeys = new PedalKeys(session);
  }

  void install(Stage stage, Scene scene) {
    scene.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    scene.addEventFilter(KeyEvent.KEY_RELEASED, this::released);
    scene.addEventFilter(MouseEvent.MOUSE_PRESSED, this::leaveTextField);
    stage.focusedProperty().addListener((property, before, focused) -> focusChanged(focused));
    stage.addEventHandler(WindowEvent.WINDOW_HIDDEN, e -> focusChanged(false));
  }

  private void pressed(KeyEvent e) {
    long now = System.nanoTime();
    if (isTyping(e) && Shortcut.isTextEditing(e)) {
      return;
    }
    Name name = Name.of(e);
    boolean repeat = down.containsKey(name) || isStaleRepeat(name, now);
    if (!repeat) {
      lastStruck = Optional.of(name);
    }
    if (session.keyboard().isAsking() && !hasCommandModifier(e)) {
      answer(e, repeat);
      down.putIfAbsent(name, Optional.empty());
      e.consume();
      return;
    }
    if (session.doubts().isOn() && !hasCommandModifier(e) && !e.getCode().isModifierKey()) {
      if (!repeat) {
        decide(e.getCode());
      }
      down.putIfAbsent(name, Optional.empty());
      e.consume();
      return;
    }
    if (!repeat && playNote(e, name, now)) {
      e.consume();
      return;
    }
    if (shapesNotes(e) && pedalKeys.press(e, repeat, now)) {
      down.putIfAbsent(name, Optional.empty());
      e.consume();
      return;
    }
    boolean handled = repeat && down.getOrDefault(name, Optional.empty()).isPresent();
    if (!handled) {
      handled = command(e, repeat);
    }
    if (!repeat) {
      down.putIfAbsent(name, Optional.empty());
    }
    if (handled || isLetterKey(e)) {
      e.consume();
    }
  }

  /** While the application asks for keys, they are answers. */
  private void answer(KeyEvent e, boolean repeat) {
    KeyCode code = e.getCode();
    if (repeat || code.isModifierKey()) {
      return;
    }
    switch (code) {
      case ESCAPE -> session.keyboard().leave();
      case ENTER -> session.keyboard().next();
      case BACK_SPACE -> session.keyboard().back();
      default -> session.keyboard().press(signOf(e));
    }
  }

  /** While doubtful notes are walked through, every plain key decides. */
  private void decide(KeyCode code) {
    DoubtWalk doubts = session.doubts();
    Optional<Notice> said =
        switch (code) {
          case ESCAPE -> doubts.leave();
          case LEFT -> doubts.choose(false);
          case RIGHT -> doubts.choose(true);
          case UP, PAGE_UP -> doubts.step(-1);
          case DOWN, PAGE_DOWN -> doubts.step(1);
          default -> doubts.keep();
        };
    said.ifPresent(session.notices()::tell);
  }

  private static KeySign signOf(KeyEvent e) {
    return new KeySign(e.getCode().name(), e.getText());
  }

  /** Notes first: a letter that plays must not wait for a table to be searched. */
  private boolean playNote(KeyEvent e, Name name, long now) {
    if (performer.keysMode() != KeysMode.PLAY || hasCommandModifier(e)) {
      return false;
    }
    Optional<PhysicalKey> place = performer.layout().placeOf(e.getCode().name(), e.getText());
    if (place.isEmpty()) {
      return false;
    }
    PhysicalKey key = place.get();
    if (!performer.hands().arrangement().semitonesAt(key).isEmpty()) {
      performer.press(key, e.isShiftDown(), now);
    } else if (!KeyActions.perform(key, performer)) {
      return false;
    }
    deck.showDown(key, true);
    down.put(name, place);
    return true;
  }

  private boolean shapesNotes(KeyEvent e) {
    return performer.keysMode() == KeysMode.PLAY && !hasCommandModifier(e);
  }

  private boolean command(KeyEvent e, boolean repeat) {
    boolean playing = performer.keysMode() == KeysMode.PLAY;
    if (e.getCode() == KeyCode.BACK_QUOTE && !hasCommandModifier(e)) {
      if (!repeat) {
        shortcuts.switchKeys();
      }
      return true;
    }
    if (e.getCode() == KeyCode.T && e.isShortcutDown() && e.isShiftDown()) {
      holdingAsPlayed = true;
      session.run().hearAsPlayed(true);
      return true;
    }
    return playing && carryOut(playTable, e, repeat) || carryOut(table, e, repeat);
  }

  private boolean carryOut(List<Shortcut> shortcutTable, KeyEvent e, boolean repeat) {
    boolean lettersAreCommands = performer.keysMode() == KeysMode.COMMANDS;
    for (Shortcut shortcut : shortcutTable) {
      if (shortcut.matches(e, lettersAreCommands)) {
        if (!repeat || shortcut.repeats()) {
          shortcut.action().run();
        }
        return true;
      }
    }
    return false;
  }

  private void released(KeyEvent e) {
    long now = System.nanoTime();
    Name name = Name.of(e);
    stale = stale.filter(s -> !s.name().equals(name));
    pedalKeys.release(e, now);
    if (session.keyboard().isAsking()) {
      session.keyboard().release(signOf(e));
    }
    if (!down.containsKey(name) && !isTyping(e)) {
      releaseUnknown(now);
    }
    Optional<PhysicalKey> place = down.remove(name);
    if (place != null && place.isPresent()) {
      performer.release(place.get(), now);
      deck.showDown(place.get(), false);
      e.consume();
    }
    if (holdingAsPlayed && (e.getCode() == KeyCode.T || e.getCode() == KeyCode.CONTROL)) {
      holdingAsPlayed = false;
      session.run().hearAsPlayed(false);
    }
  }

  /**
   * A key comes up that never went down: the system has another layout by now, and which of the
   * held keys it is cannot be known. Better all end than one hangs.
   */
  private void releaseUnknown(long now) {
    performer.releaseKeys(now);
    down.values().forEach(place -> place.ifPresent(key -> deck.showDown(key, false)));
    down.values().removeIf(Optional::isPresent);
  }

  /** No release comes for what is held when the focus goes: everything ends now. */
  private void focusChanged(boolean focused) {
    long now = System.nanoTime();
    if (focused) {
      stale = stale.map(s -> new Stale(s.name(), now, false));
      return;
    }
    performer.releaseAll(now);
    session.run().sweep(false);
    stale = lastStruck.filter(down::containsKey).map(name -> new Stale(name, now, false));
    down.forEach((name, place) -> place.ifPresent(key -> deck.showDown(key, false)));
    down.clear();
    if (holdingAsPlayed) {
      holdingAsPlayed = false;
      session.run().hearAsPlayed(false);
    }
  }

  /**
   * Whether a press only repeats one from before the focus was lost. Once it has, the key is known
   * to be down, and all that comes until its release is repeats.
   */
  private boolean isStaleRepeat(Name name, long now) {
    if (stale.isEmpty() || !stale.get().name().equals(name)) {
      return false;
    }
    boolean repeats = stale.get().repeated() || now - stale.get().sinceNanos() < FIRST_REPEAT_NANOS;
    stale = repeats ? Optional.of(new Stale(name, now, true)) : Optional.empty();
    return repeats;
  }

  private void leaveTextField(MouseEvent e) {
    Scene scene = (Scene) e.getSource();
    Node owner = scene.getFocusOwner();
    if (owner instanceof TextInputControl && !isInside((Node) e.getTarget(), owner)) {
      scene.getRoot().requestFocus();
    }
  }

  private static boolean isInside(Node node, Node ancestor) {
    for (Node n = node; n != null; n = n.getParent()) {
      if (n == ancestor) {
        return true;
      }
    }
    return false;
  }

  private static boolean isTyping(KeyEvent e) {
    return ((Scene) e.getSource()).getFocusOwner() instanceof TextInputControl;
  }

  private static boolean hasCommandModifier(KeyEvent e) {
    return e.isControlDown() || e.isAltDown() || e.isMetaDown();
  }

  /** Letters never reach a control: a click somewhere must not change who has them. */
  private static boolean isLetterKey(KeyEvent e) {
    return !hasCommandModifier(e)
        && (e.getCode().isLetterKey() || e.getCode().isDigitKey() || e.getCode() == KeyCode.SPACE);
  }
}
