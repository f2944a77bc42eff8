package flailbeat.app.view;

import flailbeat.app.control.KeyTexts;
import flailbeat.app.control.Palette;
import flailbeat.app.control.Segments;
import flailbeat.core.keys.Hands;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.Pedals;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.keys.VelocityMark;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.session.Aspect;
import flailbeat.core.session.Change;
import flailbeat.core.session.Performer;
import flailbeat.core.session.Session;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
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
  private static final PseudoClass ASKING = PseudoClass.getPseudoClass("asking");
  private static final PseudoClass PLAY = PseudoClass.getPseudoClass("play");
  private static final double LEFT = 200;

  private final Session session;
  private final Performer performer;
  private final CapBoard caps;
  private final AskRow ask;
  private final PianoStrip strip;
  private final ArrangementMenu arrangements;
  private final Segments<KeysMode> keysSwitch;
  private final Label who = new Label();
  private final Label octave = new Label();
  private final Label velocity = new Label();
  private final Label pedals = new Label();
  private String saying = "";
  private String shaped = "";

  public KeyDeck(Session session, Palette palette) {
    this.session = session;
    this.performer = session.performer();
    getStyleClass().add("deck");
    setId("key-deck");
    keysSwitch =
        new Segments<KeysMode>(session.keyboard()::setKeysMode)
            .add(KeysMode.COMMANDS, "Commands", "Letters are commands ({keys-commands})")
            .add(KeysMode.PLAY, "Play", "Letters are notes ({keys-switch})");
    keysSwitch.getStyleClass().add("keys-switch");
    keysSwitch.setId("keys-switch");
    arrangements = new ArrangementMenu(performer);
    strip = new PianoStrip(session, palette);
    caps = new CapBoard(session);
    ask = new AskRow(session.keyboard());
    VBox right = new VBox(6, strip, caps);
    VBox.setVgrow(caps, Priority.ALWAYS);
    HBox.setHgrow(right, Priority.ALWAYS);
    getChildren().addAll(leftSide(), right);
    session.changes().listen(this::onChange);
    refresh();
  }

  private VBox leftSide() {
    Label title = new Label("Keys");
    title.getStyleClass().add("deck-title");
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox head = new HBox(4, title, gap, arrangements, new LayoutMenu(session));
    head.setAlignment(Pos.CENTER_LEFT);
    who.getStyleClass().addAll("small", "who");
    who.setWrapText(true);
    who.setMinHeight(32);
    who.setAlignment(Pos.TOP_LEFT);
    who.setId("who-has-the-keys");
    octave.getStyleClass().add("readout");
    octave.setId("octave");
    velocity.getStyleClass().add("readout");
    velocity.setId("velocity");
    VBox left =
        new VBox(
            4,
            head,
            keysSwitch,
            who,
            readout("Reach", octave),
            readout("Velocity", velocity),
            pedals);
    pedals.getStyleClass().add("small");
    pedals.setId("pedals");
    left.setMinWidth(LEFT);
    left.setPrefWidth(LEFT);
    left.getChildren().addAll(arrangements.keyRow(), ask);
    return left;
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
    if (change.isOf(Aspect.KEYS) || asks) {
      refresh();
    }
  }

  private void refresh() {
    boolean play = performer.keysMode() == KeysMode.PLAY;
    pseudoClassStateChanged(PLAY, play);
    keysSwitch.show(performer.keysMode());
    String asked = session.doubts().isOn() ? session.doubts().says() : session.keyboard().says();
    String says =
        !asked.isEmpty()
            ? asked
            : play
                ? "Letter keys are notes. {keys-commands} gives them to commands."
                : "Letter keys are commands. {keys-switch} makes them notes.";
    pseudoClassStateChanged(ASKING, !asked.isEmpty());
    if (!saying.equals(says)) {
      saying = says;
      KeyTexts.set(who, says);
      getStyleClass().remove("resting");
      if (!play) {
        getStyleClass().add("resting");
      }
    }
    Hands hands = performer.hands();
    String reach = name(hands.lowest()) + " to " + name(hands.highest());
    if (!octave.getText().equals(reach)) {
      octave.setText(reach);
    }
    arrangements.refresh();
    caps.refresh(play, arrangements.shown());
    ask.refresh();
    String loud = hands.velocity() + "  " + VelocityMark.nearest(hands.velocity()).text();
    if (!velocity.getText().equals(loud)) {
      velocity.setText(loud);
    }
    String shaping = pedalText(performer.pedals());
    if (!shaped.equals(shaping)) {
      shaped = shaping;
      KeyTexts.set(pedals, shaping);
    }
    strip.refresh();
  }

  /** Shows a key that does something as down. */
  public void showDown(PhysicalKey key, boolean down) {
    caps.showDown(key, down);
  }

  /** What shapes the notes now; what could, with its keys, when nothing does. */
  private static String pedalText(Pedals p) {
    String sustain = p.isLatched() ? "sustain latched" : p.isSustaining() ? "sustain" : "";
    String bend = p.bend() == 0 ? "" : String.format(Locale.ROOT, "bend %+.0f %%", p.bend() * 100);
    String modulation = p.modulation() == 0 ? "" : "modulation " + p.modulation();
    String all =
        Stream.of(sustain, bend, modulation)
            .filter(t -> !t.isEmpty())
            .collect(Collectors.joining(", "));
    return all.isEmpty() ? "{sustain} sustains, {bend-down} {bend-up} bend" : all;
  }

  private static String name(int pitch) {
    return Pitch.name(pitch, OctaveNames.MIDDLE_C4);
  }
}
