package flailbeat.app.view.deck;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Commands;
import flailbeat.app.command.Keystroke;
import flailbeat.core.keys.ChordCheck;
import flailbeat.core.keys.Hands;
import flailbeat.core.keys.Lesson;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.pitch.DrumNames;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.session.Session;
import flailbeat.core.session.hands.KeyboardStudy;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.timing.DoubtWalk;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;

/**
 * The caps of the person's keyboard, laid out in staggered rows as large as there is room. They can
 * be clicked, and glided over with the button down; a right click leaves a note down.
 */
final class CapBoard extends Pane {
  private static final double COLUMNS = 14;
  private static final double ROWS = 4;
  private static final double GAP = 4;
  private static final double WIDEST = 84;
  private static final double HIGHEST = 56;

  private final Commands commands;
  private final DoubtWalk doubts;
  private final Performer performer;
  private final KeyboardStudy keyboard;
  private final Map<PhysicalKey, KeyCap> caps = new EnumMap<>(PhysicalKey.class);
  private final Set<PhysicalKey> heldCommands = EnumSet.noneOf(PhysicalKey.class);
  private Optional<KeyCap> underMouse = Optional.empty();
  private boolean ofKit;
  private boolean playing;
  private final Session session;
  private String shown = "";

  CapBoard(Session session, Commands commands) {
    this.commands = commands;
    this.session = session;
    this.doubts = session.doubts();
    this.performer = session.performer();
    this.keyboard = session.keyboard();
    setMinHeight(4 * 27);
    setPrefHeight(4 * 38);
    for (PhysicalKey key : PhysicalKey.values()) {
      KeyCap cap = new KeyCap(key);
      cap.setMouseTransparent(true);
      caps.put(key, cap);
      getChildren().add(cap);
    }
    setPickOnBounds(true);
    setOnMousePressed(this::pressed);
    setOnMouseDragged(this::dragged);
    setOnMouseReleased(e -> released());
  }

  @Override
  protected void layoutChildren() {
    double unit = Math.min(getWidth() / COLUMNS, WIDEST);
    double height = Math.min((getHeight() + GAP) / ROWS, HIGHEST);
    double left = Math.max(0, (getWidth() - COLUMNS * unit) / 2);
    for (KeyCap cap : caps.values()) {
      double x = left + cap.key().column() * unit;
      cap.resizeRelocate(x, cap.key().row() * height, unit - GAP, Math.max(20, height - GAP));
    }
  }

  private Optional<KeyCap> capAt(MouseEvent e) {
    return caps.values().stream()
        .filter(c -> c.getBoundsInParent().contains(e.getX(), e.getY()))
        .findFirst();
  }

  private void pressed(MouseEvent e) {
    long now = System.nanoTime();
    Optional<KeyCap> cap = capAt(e);
    if (cap.isEmpty() || keyboard.isAsking()) {
      return;
    }
    if (!playing) {
      if (e.getButton() == MouseButton.PRIMARY) {
        commandOf(cap.get().key()).ifPresent(c -> c.press().run());
      }
      return;
    }
    List<Integer> pitches = performer.hands().pitchesAt(cap.get().key());
    if (e.getButton() == MouseButton.SECONDARY) {
      if (!pitches.isEmpty()) {
        performer.latch(pitches, velocityOn(cap.get(), e), now);
      }
    } else if (!pitches.isEmpty()) {
      underMouse = cap;
      performer.press(pitches, velocityOn(cap.get(), e), now);
    } else {
      underMouse = cap;
      atPlay(cap.get().key()).ifPresent(c -> c.press().run());
    }
    refreshDown();
  }

  /** Gliding over the caps plays one after another. */
  private void dragged(MouseEvent e) {
    if (underMouse.isEmpty() || e.getButton() != MouseButton.PRIMARY) {
      return;
    }
    Optional<KeyCap> cap = capAt(e);
    if (cap.isEmpty() || cap.equals(underMouse)) {
      return;
    }
    long now = System.nanoTime();
    List<Integer> pitches = performer.hands().pitchesAt(cap.get().key());
    if (!pitches.isEmpty()) {
      underMouse = cap;
      performer.press(pitches, velocityOn(cap.get(), e), now);
    }
  }

  private void released() {
    performer.releasePointer(System.nanoTime());
    underMouse = Optional.empty();
    refreshDown();
  }

  private static int velocityOn(KeyCap cap, MouseEvent e) {
    return KeyDeck.velocityAt(e.getY() - cap.getLayoutY(), cap.getHeight());
  }

  /** Draws what has changed. */
  void refresh(boolean play, boolean kit, String arrangement) {
    playing = play;
    ofKit = kit;
    String state =
        performer.keysMode()
            + " "
            + doubts.isOn()
            + " "
            + performer.hands().base()
            + " "
            + System.identityHashCode(performer.layout())
            + " "
            + kit
            + " "
            + session.soundedKeys().changes()
            + " "
            + session.document().track().instrument().program()
            + " "
            + arrangement;
    if (!state.equals(shown)) {
      shown = state;
      caps.values().forEach(this::show);
    }
    refreshDown();
    refreshFindings();
  }

  private void show(KeyCap cap) {
    Hands hands = performer.hands();
    cap.setLetter(performer.layout().cap(cap.key()));
    if (!playing) {
      cap.setSilent(false);
      Optional<Command> command = commandOf(cap.key());
      cap.show(command.map(Command::word).orElse(""), command.isEmpty() ? "idle" : "does", false);
      return;
    }
    List<Integer> pitches = hands.pitchesAt(cap.key());
    List<Integer> semitones = hands.arrangement().semitonesAt(cap.key());
    if (!pitches.isEmpty()) {
      boolean black = pitches.size() == 1 && Pitch.isBlack(pitches.get(0));
      cap.show(legend(pitches), "plays", black);
      cap.setSilent(pitches.stream().noneMatch(session.soundedKeys()::sounds));
      return;
    }
    cap.setSilent(false);
    if (!semitones.isEmpty()) {
      cap.show(hands.base() + semitones.get(0) < 0 ? "too low" : "too high", "idle", false);
      return;
    }
    String does = atPlay(cap.key()).map(Command::cap).orElse("");
    cap.show(does, does.isEmpty() ? "idle" : "does", false);
  }

  /**
   * The command that a key is while letters are commands; while doubts are walked, there is none.
   */
  private Optional<Command> commandOf(PhysicalKey key) {
    return doubts.isOn()
        ? Optional.empty()
        : Keystroke.find(performer.layout().cap(key))
            .map(k -> commands.at(KeyContext.COMMANDS, k))
            .or(() -> Optional.ofNullable(commands.at(KeyContext.COMMANDS, key)));
  }

  /** The command of a key on which no note lies, while letters are notes. */
  private Optional<Command> atPlay(PhysicalKey key) {
    return Optional.ofNullable(commands.at(KeyContext.of(performer.keysMode()), key));
  }

  /** What caps say is another by now. */
  void forget() {
    shown = "";
  }

  /** A note by its name, or its drum's; a chord by what it is called. */
  private String legend(List<Integer> pitches) {
    if (pitches.size() > 1) {
      return session.chords().harmony().names(pitches).stream()
          .findFirst()
          .map(r -> r.chord().name())
          .orElse(session.nameOf(pitches.getFirst()) + "+");
    }
    String name = session.nameOf(pitches.get(0));
    return ofKit
        ? session
            .soundedKeys()
            .drum(session.document().track(), pitches.get(0))
            .map(DrumNames::brief)
            .orElse(name)
        : name;
  }

  private void refreshDown() {
    Set<Integer> latched = performer.hands().latchedPitches();
    caps.forEach(
        (key, cap) -> {
          boolean held = performer.hands().isDown(key) || heldCommands.contains(key);
          cap.setDown(held || underMouse.filter(c -> c == cap).isPresent());
          List<Integer> pitches = performer.hands().pitchesAt(key);
          cap.setLatched(!pitches.isEmpty() && latched.containsAll(pitches));
        });
  }

  /** What is asked for, and which keys are known not to pass together. */
  private void refreshFindings() {
    Optional<PhysicalKey> asked = keyboard.lesson().flatMap(Lesson::asked);
    Optional<ChordCheck> check = keyboard.check();
    Set<PhysicalKey> known = new HashSet<>();
    keyboard.ghosting().combinations().forEach(known::addAll);
    Set<PhysicalKey> held = EnumSet.noneOf(PhysicalKey.class);
    caps.keySet().stream().filter(performer.hands()::isDown).forEach(held::add);
    caps.forEach(
        (key, cap) -> {
          boolean found = check.filter(c -> c.blocked().contains(key)).isPresent();
          boolean wanted = check.filter(c -> c.wanted().contains(key)).isPresent();
          cap.setAsked(asked.filter(key::equals).isPresent() || wanted);
          cap.setBlocked(found || !held.isEmpty() && keyboard.ghosting().blocks(key, held));
          cap.setSuspect(known.contains(key));
        });
  }

  /** Shows a key that does something as down. */
  void showDown(PhysicalKey key, boolean down) {
    if (down) {
      heldCommands.add(key);
    } else {
      heldCommands.remove(key);
    }
    refreshDown();
  }
}
