package flailbeat.app.shell.keys;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.Kind;
import flailbeat.app.command.Command.Where;
import flailbeat.app.command.Commands;
import flailbeat.app.command.KeyAsk;
import flailbeat.app.command.Keystroke;
import flailbeat.app.control.EntryField;
import flailbeat.app.view.deck.KeyDeck;
import flailbeat.core.keys.KeySign;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.session.Session;
import flailbeat.core.session.hands.Performer;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
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
public final class KeyRouter {
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
  private final Commands commands;
  private final KeyAsk keyAsk;
  private final OpenMenus menus = new OpenMenus();
  private final BooleanSupplier sheetIsOpen;
  private final BooleanSupplier mouseIsBusy;
  private final Map<Name, Optional<PhysicalKey>> down = new HashMap<>();

  /** Went down in a menu or a text field, which may be gone when they come up. */
  private final Set<Name> passedOn = new HashSet<>();

  private final Map<Name, Command> held = new HashMap<>();
  private boolean swallowsTyped;
  private boolean walkEnded;
  private Optional<Name> lastStruck = Optional.empty();
  private Optional<Stale> stale = Optional.empty();

  /**
   * Routes keys.
   *
   * @param keyAsk while it asks, every key is its answer
   * @param sheetIsOpen while it is, the keys that put it away are its own
   * @param mouseIsBusy while it is, the keys that take back what it holds are its own
   */
  public KeyRouter(
      Session session,
      KeyDeck deck,
      Commands commands,
      KeyAsk keyAsk,
      BooleanSupplier sheetIsOpen,
      BooleanSupplier mouseIsBusy) {
    this.session = session;
    this.performer = session.performer();
    this.deck = deck;
    this.commands = commands;
    this.keyAsk = keyAsk;
    this.sheetIsOpen = sheetIsOpen;
    this.mouseIsBusy = mouseIsBusy;
  }

  public void install(Stage stage, Scene scene) {
    scene.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    scene.addEventFilter(KeyEvent.KEY_RELEASED, this::released);
    scene.addEventFilter(KeyEvent.KEY_TYPED, this::typed);
    scene.addEventFilter(MouseEvent.MOUSE_PRESSED, this::leaveTextField);
    stage.focusedProperty().addListener((property, before, focused) -> focusChanged(focused));
    stage.addEventHandler(WindowEvent.WINDOW_HIDDEN, e -> focusChanged(false));
  }

  /**
   * What is typed by a key that was down before the caret came into a field is not for the field.
   */
  private void typed(KeyEvent e) {
    if (swallowsTyped) {
      e.consume();
    }
  }

  private void pressed(KeyEvent e) {
    long now = System.nanoTime();
    Keystroke key = Keystroke.of(e);
    Name name = Name.of(e);
    boolean heldElsewhere = down.containsKey(name) && !passedOn.contains(name);
    swallowsTyped = isTyping(e) && heldElsewhere;
    if (swallowsTyped) {
      e.consume();
      return;
    }
    if (menus.isOpen() || isTyping(e) && key.isTextEditing()) {
      passedOn.add(name);
      return;
    }
    boolean repeat = down.containsKey(name) || isStaleRepeat(name, now);
    if (!repeat) {
      lastStruck = Optional.of(name);
    }
    if (keyAsk.isOn()) {
      if (!repeat) {
        keyAsk.press(key, e.getCode().name(), e.getText());
      }
      down.putIfAbsent(name, Optional.empty());
      e.consume();
      return;
    }
    if (session.keyboard().isAsking() && !hasCommandModifier(e)) {
      answer(e, key, repeat);
      down.putIfAbsent(name, Optional.empty());
      e.consume();
      return;
    }
    boolean walkJustEnded = walkEnded;
    walkEnded = false;
    if (walkJustEnded && e.getCode() == KeyCode.ESCAPE) {
      // It was meant for the walk, which its last note has ended.
      down.putIfAbsent(name, Optional.empty());
      e.consume();
      return;
    }
    if (session.doubts().isOn() && !hasCommandModifier(e) && decides(key)) {
      if (!repeat) {
        decide(key);
        walkEnded = !session.doubts().isOn() && e.getCode() != KeyCode.ESCAPE;
      }
      down.putIfAbsent(name, Optional.empty());
      e.consume();
      return;
    }
    if (!repeat && playNote(e, name, now)) {
      e.consume();
      return;
    }
    if (mouseIsBusy.getAsBoolean() && answered(Where.MOUSE, key.withoutModifiers())
        || session.chores().isTrying() && answered(Where.TRIAL, key)
        || sheetIsOpen.getAsBoolean() && answered(Where.SHEET, key)) {
      down.putIfAbsent(name, Optional.empty());
      e.consume();
      return;
    }
    boolean handled = repeat && down.getOrDefault(name, Optional.empty()).isPresent();
    if (!handled) {
      handled = carryOut(e, key, name, repeat);
    }
    if (!repeat) {
      down.putIfAbsent(name, Optional.empty());
    }
    if (handled || isLetterKey(e)) {
      e.consume();
    }
  }

  /** While the application asks for keys, they are answers. */
  private void answer(KeyEvent e, Keystroke key, boolean repeat) {
    if (repeat || e.getCode().isModifierKey()) {
      return;
    }
    Command command = commands.at(Where.LESSON, key);
    if (command == null) {
      session.keyboard().press(signOf(e));
    } else {
      command.press().run();
    }
  }

  /**
   * Whether a key is an answer in the walk: one that types something is, or that is a command's.
   */
  private boolean decides(Keystroke key) {
    return key.isTyped() || commands.at(Where.WALK, key) != null;
  }

  /**
   * While doubtful notes are walked through, every key that types decides: any but commands keeps.
   */
  private void decide(Keystroke key) {
    Command command = commands.at(Where.WALK, key);
    if (command == null) {
      session.doubts().keep().ifPresent(session.notices()::tell);
    } else {
      command.press().run();
    }
  }

  private boolean answered(Where where, Keystroke key) {
    Command command = commands.at(where, key);
    if (command != null) {
      command.press().run();
    }
    return command != null;
  }

  private static KeySign signOf(KeyEvent e) {
    return new KeySign(e.getCode().name(), e.getText());
  }

  /** Notes first: a letter that plays must not wait for a table to be searched. */
  private boolean playNote(KeyEvent e, Name name, long now) {
    if (!performer.keysMode().playsNotes() || hasCommandModifier(e)) {
      return false;
    }
    Optional<PhysicalKey> place = performer.layout().placeOf(e.getCode().name(), e.getText());
    if (place.isEmpty()) {
      return false;
    }
    PhysicalKey key = place.get();
    if (!performer.hands().arrangement().semitonesAt(key).isEmpty()) {
      performer.press(key, e.isShiftDown(), now);
    } else {
      Command command = commands.at(position(), key);
      if (command == null) {
        return false;
      }
      command.press().run();
    }
    deck.showDown(key, true);
    down.put(name, place);
    return true;
  }

  /** Carries out the command of a key; false when there is none. */
  private boolean carryOut(KeyEvent e, Keystroke key, Name name, boolean repeat) {
    Optional<PhysicalKey> place = performer.layout().placeOf(e.getCode().name(), e.getText());
    Command command = commandAt(key, place);
    if (command == null) {
      command = placeCommand(e);
    }
    if (command == null) {
      return false;
    }
    if (!EntryField.takeTyped((Scene) e.getSource())) {
      return true;
    }
    if (!command.enabled().getAsBoolean()) {
      if (!repeat) {
        session.notices().tell(command.title() + ": there is nothing here to do it to");
      }
      return true;
    }
    if (command.kind() == Kind.HOLD) {
      if (!repeat && held.putIfAbsent(name, command) == null) {
        command.press().run();
      }
    } else if (!repeat || command.kind() == Kind.REPEAT) {
      command.press().run();
    }
    return true;
  }

  /** At Steps, Ctrl or Alt reaches the command at a place that a note covers. */
  private Command placeCommand(KeyEvent e) {
    boolean covered = performer.keysMode() == KeysMode.STEPS && e.isShortcutDown() != e.isAltDown();
    return hasCommandModifier(e) && !covered
        ? null
        : performer
            .layout()
            .placeOf(e.getCode().name(), e.getText())
            .map(place -> commands.at(position(), place))
            .filter(command -> !covered || command.where() == Where.STEPS)
            .orElse(null);
  }

  private Where position() {
    return Where.of(performer.keysMode());
  }

  /** While Shift is held to accent, what a key does while it is held is still there. */
  private Command commandAt(Keystroke key, Optional<PhysicalKey> place) {
    Where where = position();
    Command found = commands.at(where, key, place);
    if (found != null || !key.shift() || where == Where.COMMANDS) {
      return found;
    }
    Command plain = commands.at(where, key.withoutShift(), place);
    return plain != null && plain.kind() == Kind.HOLD ? plain : null;
  }

  private void released(KeyEvent e) {
    long now = System.nanoTime();
    Name name = Name.of(e);
    stale = stale.filter(s -> !s.name().equals(name));
    release(held.remove(name));
    if (session.keyboard().isAsking()) {
      session.keyboard().release(signOf(e));
    }
    if (!passedOn.remove(name) && !down.containsKey(name) && !isTyping(e) && couldPlay(e)) {
      releaseUnknown(now);
    }
    Optional<PhysicalKey> place = down.remove(name);
    if (place != null && place.isPresent()) {
      performer.release(place.get(), now);
      deck.showDown(place.get(), false);
      e.consume();
    }
    if (e.getCode().isModifierKey() && e.getCode() != KeyCode.SHIFT) {
      releaseShortcuts();
    }
  }

  private static void release(Command command) {
    if (command != null) {
      command.release().run();
    }
  }

  /** What is held by a key with Ctrl or Alt ends with whichever of them comes up first. */
  private void releaseShortcuts() {
    held.values()
        .removeIf(
            command -> {
              boolean ends = command.keys().own().stream().noneMatch(Keystroke::isPlain);
              if (ends) {
                command.release().run();
              }
              return ends;
            });
  }

  /** Whether a key might play in some layout: Esc, say, that went down in a menu, does not. */
  private static boolean couldPlay(KeyEvent e) {
    return e.getCode() == KeyCode.UNDEFINED || Keystroke.of(e).withoutModifiers().isTyped();
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
    performer.releaseOwn(now);
    held.values().forEach(KeyRouter::release);
    held.clear();
    stale = lastStruck.filter(down::containsKey).map(name -> new Stale(name, now, false));
    down.forEach((name, place) -> place.ifPresent(key -> deck.showDown(key, false)));
    down.clear();
    passedOn.clear();
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
