package flailbeat.app.view.deck;

import flailbeat.app.command.Commands;
import flailbeat.app.command.KeyAsk;
import flailbeat.app.control.Caret;
import flailbeat.app.control.ControlWalk;
import flailbeat.app.control.Form;
import flailbeat.app.control.KeyTexts;
import flailbeat.app.control.Palette;
import flailbeat.app.control.Segments;
import flailbeat.app.view.base.Follow;
import flailbeat.core.keys.Hands;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.keys.VelocityMark;
import flailbeat.core.pitch.KeySignature;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.person.Folds.WindowPart;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import javafx.beans.value.ObservableValue;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * The person's keyboard as it lies under the hands, with the Keys switch at its left and the piano
 * strip above it. Caps show what they play now, go down as keys go down, and can be clicked.
 */
public final class KeyDeck extends HBox {
  private static final PseudoClass SLIM = PseudoClass.getPseudoClass("slim");
  private static final PseudoClass ASKING = PseudoClass.getPseudoClass("asking");
  private static final PseudoClass TYPING = PseudoClass.getPseudoClass("typing");
  private static final PseudoClass PLAY = PseudoClass.getPseudoClass("play");
  private static final PseudoClass STEPS = PseudoClass.getPseudoClass("steps");
  private static final double LEFT = 200;
  private static final double ASKING_WIDTH = 420;
  private static final double SLIM_HEIGHT = 70;

  /** From this height on there is room for what the keys of step entry do. */
  private static final double WITH_HELP = 225;

  /** With less than this it cannot show its caps. */
  private static final double LOW = 176;

  private static final double TALL_ENOUGH = 720;

  /** So much larger than usual texts may be within the usual heights. */
  private static final double ROOM_FOR_TEXT = 1.3;

  private final Session session;
  private final Performer performer;
  private final ObservableValue<Boolean> typing =
      sceneProperty().flatMap(Scene::focusOwnerProperty).map(Caret::standsIn).orElse(false);
  private final ControlWalk walk;
  private final DeckWords words;
  private final CapBoard caps;
  private final AskRow ask;
  private final PianoStrip strip;
  private final ArrangementMenu arrangements;
  private final Segments<KeysMode> keysSwitch;
  private final VBox left;
  private final VBox right;
  private final Label slimLine = new Label();
  private boolean slim;
  private double room = Double.MAX_VALUE;
  private double leftWidth = LEFT;
  private double windowHeight;
  private final Label who = new Label();
  private final Label octave = new Label();
  private final Label velocity = new Label();
  private final Label pedals = new Label();
  private final Label chord = new Label();
  private final HBox chordRow = readout("Chord", chord);
  private boolean ofKit;
  private Optional<KeySignature> shownKey = Optional.empty();
  private String saying = "";
  private String shaped = "";

  /**
   * The deck.
   *
   * @param offering whether lost songs are offered
   * @param walk leads through the controls
   */
  public KeyDeck(
      Session session,
      Palette palette,
      Commands commands,
      KeyAsk keyAsk,
      BooleanSupplier offering,
      ControlWalk walk) {
    this.session = session;
    this.walk = walk;
    words = new DeckWords(session, keyAsk, offering, typing::getValue, walk.on()::get);
    this.performer = session.performer();
    getStyleClass().add("deck");
    setId("key-deck");
    keysSwitch =
        new Segments<KeysMode>(session.keysSwitch()::set)
            .add(KeysMode.COMMANDS, "Commands", "Letters are commands ({keys-commands})")
            .add(KeysMode.PLAY, "Play", "Letters are notes ({keys-switch})")
            .add(KeysMode.STEPS, "Steps", "Letters are notes, entered step by step ({keys-steps})");
    keysSwitch.getStyleClass().add("keys-switch");
    keysSwitch.setId("keys-switch");
    arrangements = new ArrangementMenu(performer);
    strip = new PianoStrip(session, palette);
    caps = new CapBoard(session, commands);
    ask = new AskRow(session.keyboard());
    right = new VBox(6, strip, caps);
    VBox.setVgrow(caps, Priority.ALWAYS);
    HBox.setHgrow(right, Priority.ALWAYS);
    left = leftSide();
    getChildren().addAll(left, right);
    Form.show(slimLine, false);
    Follow.changes(this, session, this::onChange);
    keyAsk.onChange(this::refresh);
    typing.addListener((property, was, is) -> refresh());
    walk.on().addListener((property, was, is) -> refresh());
    commands.onKeys(
        () -> {
          caps.forget();
          refresh();
        });
    refresh();
  }

  private VBox leftSide() {
    Label title = new Label("Keys");
    title.getStyleClass().add("deck-title");
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox head = new HBox(4, title, gap, arrangements, new LayoutMenu(session));
    head.setAlignment(Pos.CENTER_LEFT);
    who.getStyleClass().addAll("small", "who", "two-lines");
    who.setWrapText(true);
    who.setAlignment(Pos.TOP_LEFT);
    who.setId("who-has-the-keys");
    octave.getStyleClass().add("readout");
    octave.setId("octave");
    velocity.getStyleClass().add("readout");
    velocity.setId("velocity");
    VBox side =
        new VBox(
            4,
            head,
            keysSwitch,
            who,
            readout("Reach", octave),
            readout("Velocity", velocity),
            chordRow,
            pedals);
    chord.getStyleClass().add("readout");
    chord.setId("chord-held");
    pedals.getStyleClass().add("small");
    pedals.setWrapText(true);
    pedals.setId("pedals");
    pedals.setMinHeight(Region.USE_PREF_SIZE);
    side.getChildren().addAll(arrangements.keyRow(), ask);
    slimLine.getStyleClass().add("small");
    slimLine.setId("slim-line");
    slimLine.setWrapText(true);
    side.getChildren().add(slimLine);
    return side;
  }

  private static HBox readout(String name, Label value) {
    Label label = new Label(name);
    label.getStyleClass().add("group-label");
    label.setMinWidth(52);
    HBox row = new HBox(6, label, value);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  /** The lower down a key is struck, the louder. */
  static int velocityAt(double y, double height) {
    return Math.clamp(Math.round(20 + 107 * y / Math.max(1, height)), 1, 127);
  }

  private void onChange(Change change) {
    boolean asks = change.isOf(Aspect.TIMING) && session.doubts().isOn();
    boolean kit = session.rows().areOfKit() != ofKit;
    boolean key = !session.keyHere().equals(shownKey);
    if (key) {
      shownKey = session.keyHere();
      caps.forget();
    }
    if (key
        || change.isOf(
            Aspect.KEYS, Aspect.SETTINGS, Aspect.SOUNDS, Aspect.LOST, Aspect.NOTICE, Aspect.CHOICE)
        || asks
        || kit) {
      refresh();
    }
  }

  /** Whether it is a slim row now: folded, and not needed to show what is asked. */
  private boolean isSlim() {
    boolean wanted = session.person().folds().isFolded(WindowPart.DECK) || room < low();
    return wanted && !session.keyboard().isAsking();
  }

  /** Takes no more height than this; slim where that is too little, whatever the person wants. */
  public void takeRoom(double height) {
    if (room != height) {
      room = height;
      fitWindow(windowHeight);
      refresh();
    }
  }

  /** The least height that it can stand with, slim or not. */
  public double leastHeight(boolean asSlim) {
    boolean low = asSlim || session.person().folds().isFolded(WindowPart.DECK);
    return low && !session.keyboard().isAsking() ? slimHeight() : low();
  }

  /** Texts that are larger than these heights have room for need more. */
  private double grown() {
    return Math.max(1, session.person().appearance().textScale() / ROOM_FOR_TEXT);
  }

  private double low() {
    return LOW * grown();
  }

  private double slimHeight() {
    return SLIM_HEIGHT * grown();
  }

  private double fullHeight() {
    return windowHeight >= TALL_ENOUGH
        ? Math.max(low(), Math.min(236, windowHeight * 0.29))
        : low();
  }

  /** In the slim row there is the switch, what lies under the hands in a line, and the piano. */
  private void showSlim() {
    if (slim != isSlim()) {
      slim = isSlim();
      for (Node node : left.getChildren()) {
        Form.show(node, node == keysSwitch || slim == (node == slimLine));
      }
      Form.show(caps, !slim);
      pseudoClassStateChanged(SLIM, slim);
      setLeftWidth(LEFT);
      fitWindow(windowHeight);
    }
  }

  /** What is asked wants more room in the slim row than what lies under the hands. */
  private void showLine(String asked, String hands) {
    KeyTexts.set(slimLine, asked.isEmpty() ? hands : asked);
    setLeftWidth(asked.isEmpty() ? LEFT : ASKING_WIDTH);
  }

  private void setLeftWidth(double width) {
    leftWidth = width;
    double scaled = width * session.person().appearance().textScale();
    left.setMinWidth(scaled);
    left.setPrefWidth(scaled);
  }

  /** Takes about a quarter of a window's height, less in a low one, and little when it is slim. */
  public void fitWindow(double height) {
    windowHeight = height;
    double wanted = slim ? slimHeight() : Math.clamp(room, low(), fullHeight());
    setMinHeight(wanted);
    setPrefHeight(wanted);
    setMaxHeight(wanted);
    showPedals();
  }

  private void refresh() {
    showSlim();
    setLeftWidth(leftWidth);
    KeysMode mode = performer.keysMode();
    boolean play = mode.playsNotes();
    pseudoClassStateChanged(TYPING, typing.getValue() || walk.on().get());
    boolean rests = !play || typing.getValue() || walk.on().get();
    pseudoClassStateChanged(PLAY, mode == KeysMode.PLAY);
    pseudoClassStateChanged(STEPS, mode == KeysMode.STEPS);
    keysSwitch.show(performer.keysMode());
    String asked = words.asked();
    String says = words.who();
    pseudoClassStateChanged(ASKING, !asked.isEmpty());
    if (!saying.equals(says)) {
      saying = says;
      KeyTexts.set(who, says);
      getStyleClass().remove("resting");
      if (rests) {
        getStyleClass().add("resting");
      }
    }
    Hands hands = performer.hands();
    String reach = name(hands.lowest()) + " to " + name(hands.highest());
    if (!octave.getText().equals(reach)) {
      octave.setText(reach);
    }
    arrangements.refresh();
    ofKit = session.rows().areOfKit();
    caps.refresh(play, ofKit, arrangements.shown());
    ask.refresh();
    String loud = hands.velocity() + "  " + VelocityMark.nearest(hands.velocity()).text();
    if (!velocity.getText().equals(loud)) {
      velocity.setText(loud);
    }
    showPedals();
    String name = showChord();
    if (slim) {
      showLine(asked, reach + "   " + loud + (name.isEmpty() ? "" : "   " + name));
    }
    strip.refresh();
  }

  /** While a chord is told, the pedals give way. */
  private String showChord() {
    String name = words.chord();
    if (!name.equals(chord.getText())) {
      chord.setText(name);
    }
    Form.show(chordRow, !name.isEmpty() && !slim);
    Form.show(pedals, name.isEmpty() && !slim);
    return name;
  }

  private void showPedals() {
    String shaping = words.shaping(getPrefHeight() >= WITH_HELP);
    if (!shaped.equals(shaping)) {
      shaped = shaping;
      KeyTexts.set(pedals, shaping);
    }
  }

  /** Shows a key that does something as down. */
  public void showDown(PhysicalKey key, boolean down) {
    caps.showDown(key, down);
  }

  private String name(int pitch) {
    return session.nameOf(pitch);
  }
}
