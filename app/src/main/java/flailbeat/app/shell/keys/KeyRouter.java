package flailbeat.app.shell.keys;

import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Commands;
import flailbeat.app.command.KeyAsk;
import flailbeat.app.command.Keystroke;
import flailbeat.app.control.Caret;
import flailbeat.app.control.ControlWalk;
import flailbeat.app.control.Nodes;
import flailbeat.app.view.deck.KeyDeck;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.session.Session;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.stage.Stage;
import javafx.stage.WindowEvent;

/**
 * Decides who gets a key, before any control of the window sees it. A text field with the caret and
 * an open menu go before all; then those are asked, in order, whom {@link #takers} lists. What is
 * held belongs to whom it went down to.
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

  /**
   * No system waits so little before it begins to repeat a key: what is repeated sooner is an older
   * key that goes on repeating, under the name that it has in another layout.
   */
  private static final long TOO_SOON_NANOS = 100_000_000;

  /** A key went down. */
  private record Struck(KeyName name, long nanos) {}

  /** The key that was struck last before the focus went: the only one that the system repeats. */
  private record Stale(KeyName name, long sinceNanos, boolean repeated) {}

  private final OpenMenus menus = new OpenMenus();
  private final NoteKeys notes;
  private final CommandKeys commands;
  private final ControlWalk walk;
  private final Session session;
  private final List<KeyTaker> takers;

  /** What is down, and who has it; nobody may. */
  private final Map<KeyName, Optional<KeyTaker>> down = new HashMap<>();

  /** Went down in a menu or a text field, which may be gone when they come up. */
  private final Set<KeyName> passedOn = new HashSet<>();

  private final SpacesInField spaces;
  private final ThriceInARow lettersInVain = new ThriceInARow();
  private boolean swallowsTyped;
  private Optional<Struck> lastStruck = Optional.empty();
  private Optional<Stale> stale = Optional.empty();

  /**
   * Routes keys.
   *
   * @param walk while it leads through the controls, plain keys are theirs
   * @param keyAsk while it asks, every key is its answer
   * @param sheetIsOpen while it is, the keys that put it away are its own
   * @param mouseIsBusy while it is, the keys that take back what it holds are its own
   * @param lostAreOffered while they are, the keys that choose among them are their own
   */
  public KeyRouter(
      Session session,
      KeyDeck deck,
      Commands commands,
      ControlWalk walk,
      KeyAsk keyAsk,
      BooleanSupplier sheetIsOpen,
      BooleanSupplier mouseIsBusy,
      BooleanSupplier lostAreOffered) {
    this.session = session;
    this.walk = walk;
    this.spaces = new SpacesInField(session.notices());
    this.notes = new NoteKeys(session.performer(), deck, commands);
    this.commands = new CommandKeys(session, commands);
    this.takers =
        List.of(
            new ControlKeys(walk, commands),
            new KeyAskKeys(keyAsk),
            new StudyKeys(session.keyboard(), commands),
            new WalkKeys(session, commands),
            new AnswerKeys(
                "lines to be read",
                commands,
                KeyContext.TOLD,
                () -> !session.notices().lines().isEmpty(),
                false),
            new AnswerKeys(
                "lost songs that are offered", commands, KeyContext.LOST, lostAreOffered, false),
            new AnswerKeys(
                "the sounds that are gone through",
                commands,
                KeyContext.SOUNDS,
                () -> session.sounds().isOpen(),
                false),
            notes,
            new AnswerKeys("what the mouse holds", commands, KeyContext.MOUSE, mouseIsBusy, true),
            new AnswerKeys(
                "a chore that is shown",
                commands,
                KeyContext.TRIAL,
                () -> session.chores().isTrying(),
                false),
            new AnswerKeys("the sheet of keys", commands, KeyContext.SHEET, sheetIsOpen, false),
            this.commands);
  }

  public void install(Stage stage, Scene scene) {
    scene.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    scene.addEventFilter(KeyEvent.KEY_RELEASED, this::released);
    scene.addEventFilter(KeyEvent.KEY_TYPED, this::typed);
    scene.addEventFilter(MouseEvent.MOUSE_PRESSED, this::leaveTextField);
    scene.addEventFilter(MouseEvent.MOUSE_PRESSED, e -> walk.leave());
    stage.focusedProperty().addListener((property, before, focused) -> focusChanged(focused));
    stage.addEventHandler(WindowEvent.WINDOW_HIDDEN, e -> focusChanged(false));
  }

  /** Who may have a key, the first to be asked first. */
  List<KeyTaker> takers() {
    return takers;
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
    KeyName name = KeyName.of(e);
    Keystroke stroke = Keystroke.of(e);
    boolean typing = KeyPress.isTyping(e);
    swallowsTyped = typing && down.containsKey(name) && !passedOn.contains(name);
    if (swallowsTyped) {
      e.consume();
      return;
    }
    if (typing && !menus.isOpen() && goesOnFrom(e)) {
      walk.step(e.isShiftDown() ? -1 : 1);
      e.consume();
      return;
    }
    if (menus.isOpen() || typing && stroke.isTextEditing()) {
      boolean fresh = passedOn.add(name);
      spaces.pressed(stroke, typing && fresh);
      return;
    }
    boolean repeat = down.containsKey(name) || isStaleRepeat(name, now);
    if (!repeat) {
      lastStruck = Optional.of(new Struck(name, now));
    } else if (isOldKeyOfNewName(name, now)) {
      releaseUnknown(now);
      down.put(name, Optional.empty());
    }
    give(new KeyPress(e, name, stroke, repeat, now));
  }

  /** In a field Tab goes on to the next control, but where what the field is in goes on itself. */
  private static boolean goesOnFrom(KeyEvent e) {
    Node owner = ((Scene) e.getSource()).getFocusOwner();
    boolean plain = !e.isControlDown() && !e.isAltDown() && !e.isMetaDown();
    return e.getCode() == KeyCode.TAB
        && plain
        && !isWithin(owner, "note-panel")
        && !isWithin(owner, "overlay");
  }

  private static boolean isWithin(Node node, String styleClass) {
    return Nodes.isWithin(node, n -> n.getStyleClass().contains(styleClass));
  }

  private void give(KeyPress press) {
    Optional<KeyTaker> taker = takers.stream().filter(t -> t.take(press)).findFirst();
    if (taker.isPresent() || !press.repeat()) {
      down.putIfAbsent(press.name(), taker);
    }
    if (taker.isPresent() || press.isLetterKey()) {
      press.event().consume();
    }
    if (!press.repeat() && press.isLetterKey()) {
      seeIfInVain(taker.isPresent());
    }
  }

  /** Who presses letters that do nothing, again and again, is told what has the keys. */
  private void seeIfInVain(boolean taken) {
    if (lettersInVain.pressed(!taken)) {
      boolean areCommands = session.performer().keysMode() == KeysMode.COMMANDS;
      session
          .notices()
          .tell(
              areCommands
                  ? "Letter keys are commands now, and these have none: {keys-switch} makes them notes"
                  : "These keys have no note in this arrangement: the deck shows which have");
    }
  }

  private void released(KeyEvent e) {
    long now = System.nanoTime();
    KeyName name = KeyName.of(e);
    stale = stale.filter(s -> !s.name().equals(name));
    boolean known = passedOn.remove(name) || down.containsKey(name);
    if (!known && !KeyPress.isTyping(e) && couldPlay(e)) {
      releaseUnknown(now);
    }
    Optional<KeyTaker> owner = down.remove(name);
    if (owner != null && owner.isPresent() && owner.get().release(name, e, now)) {
      e.consume();
    }
    if (e.getCode().isModifierKey()) {
      commands.modifierUp(e.getCode());
    }
  }

  /** Whether what is repeated is a note that was held before, in another layout. */
  private boolean isOldKeyOfNewName(KeyName name, long now) {
    boolean tooSoon =
        lastStruck
            .filter(s -> s.name().equals(name) && now - s.nanos() < TOO_SOON_NANOS)
            .isPresent();
    return tooSoon
        && down.entrySet().stream()
            .anyMatch(
                d -> !d.getKey().equals(name) && d.getValue().filter(notes::equals).isPresent());
  }

  /** Whether a key might play in some layout: Esc, say, that went down in a menu, does not. */
  private static boolean couldPlay(KeyEvent e) {
    return e.getCode() == KeyCode.UNDEFINED || Keystroke.of(e).withoutModifiers().isTyped();
  }

  /**
   * A key comes up that never went down, or one repeats that was not struck: the system has another
   * layout by now, and which of the held keys it is cannot be known. Better all end than one hangs.
   */
  private void releaseUnknown(long now) {
    notes.releaseAll(now);
    down.values().removeIf(owner -> owner.filter(notes::equals).isPresent());
  }

  /** No release comes for what is held when the focus goes: everything ends now. */
  private void focusChanged(boolean focused) {
    long now = System.nanoTime();
    if (focused) {
      stale = stale.map(s -> new Stale(s.name(), now, false));
      return;
    }
    takers.forEach(t -> t.letGo(now));
    stale =
        lastStruck.map(Struck::name).filter(down::containsKey).map(n -> new Stale(n, now, false));
    down.clear();
    passedOn.clear();
  }

  /**
   * Whether a press only repeats one from before the focus was lost. Once it has, the key is known
   * to be down, and all that comes until its release is repeats.
   */
  private boolean isStaleRepeat(KeyName name, long now) {
    if (stale.isEmpty() || !stale.get().name().equals(name)) {
      return false;
    }
    boolean repeats = stale.get().repeated() || now - stale.get().sinceNanos() < FIRST_REPEAT_NANOS;
    stale = repeats ? Optional.of(new Stale(name, now, true)) : Optional.empty();
    return repeats;
  }

  /**
   * A press elsewhere than on a field, or on the list that it belongs to, takes the keys from it.
   */
  private void leaveTextField(MouseEvent e) {
    Scene scene = (Scene) e.getSource();
    Node owner = scene.getFocusOwner();
    Node target = (Node) e.getTarget();
    boolean there =
        Nodes.isWithin(
            owner, n -> n.getStyleClass().contains("overlay") && Nodes.isWithin(target, n));
    if (Caret.standsIn(owner) && !there && !Nodes.isWithin(target, owner)) {
      scene.getRoot().requestFocus();
    }
  }
}
