package flailbeat.app.view.deck;

import flailbeat.app.command.KeyAsk;
import flailbeat.app.control.RepeatValues;
import flailbeat.core.harmony.ChordReading;
import flailbeat.core.keys.ArrangementKind;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.Pedals;
import flailbeat.core.session.Session;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.harmony.Harmony;
import flailbeat.core.session.run.Repeater;
import java.util.List;
import java.util.Locale;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What the deck says beside the keys: who has them, what shapes the notes, what a chord is called.
 */
final class DeckWords {
  private static final String SOUNDS =
      " {sounds-up} {sounds-down} go on, {sounds-keep} keeps, {sounds-leave} leaves.";
  private static final String LOST =
      " {lost-up} {lost-down} choose, {lost-take} takes it up, {lost-hear} hears it, {lost-leave} leaves.";
  private static final String TYPED = "The field has the letters. Enter or Esc gives them back.";
  private static final String WALKED =
      "The controls have the keys. Tab goes on, Space presses, Esc gives them back.";
  private static final String TOLD = " {told-read} puts the lines away.";
  private static final String STEP_KEYS =
      "{step-advance} on, {step-back} back, {step-remove} removes the last step, {step-repeat}"
          + " enters it again, {step-tie} ties it, {step-line} goes to the next line";

  private static final String COVERED_KEYS =
      "{step-advance} on, {step-back} back, {step-remove} removes the last step. Ctrl and a digit"
          + " choose its length, Alt and the dot dot it";

  private final Session session;
  private final Performer performer;
  private final KeyAsk keyAsk;
  private final BooleanSupplier offering;
  private final BooleanSupplier typing;
  private final BooleanSupplier walking;

  /**
   * The words.
   *
   * @param offering whether lost songs are offered
   * @param walking whether a control has been led to, and has plain keys
   * @param typing whether the caret stands in a field of the window: letters are its own then
   */
  DeckWords(
      Session session,
      KeyAsk keyAsk,
      BooleanSupplier offering,
      BooleanSupplier typing,
      BooleanSupplier walking) {
    this.walking = walking;
    this.session = session;
    this.performer = session.performer();
    this.keyAsk = keyAsk;
    this.offering = offering;
    this.typing = typing;
  }

  /** Who has the letters, or what is asked instead. */
  String who() {
    String asked = asked();
    return !asked.isEmpty()
        ? asked
        : switch (performer.keysMode()) {
          case PLAY -> "Letter keys are notes. {keys-commands} gives them to commands.";
          case STEPS -> "Letter keys are steps. {keys-switch} plays, {keys-commands} commands.";
          case COMMANDS -> "Letter keys are commands. {keys-switch} makes them notes.";
        };
  }

  /** What is held is called so, else what is selected. */
  String chord() {
    List<ChordReading> held = session.chords().harmony().held();
    return Harmony.words(held.isEmpty() ? session.chords().harmony().selected() : held);
  }

  private boolean isOffering() {
    return (offering.getAsBoolean() || isTelling()) && !session.sounds().isOpen();
  }

  private boolean isTelling() {
    return !session.notices().lines().isEmpty();
  }

  /** What is gone through takes some keys, and the letters stay whose they are. */
  private String letters(String sound) {
    return switch (performer.keysMode()) {
      case PLAY -> "Letter keys play " + sound + ".";
      case STEPS -> "Letters are steps; {keys-switch} lets them play.";
      case COMMANDS -> "Letters are commands; {keys-switch} lets them play.";
    };
  }

  /** What is asked, if anything, or gone through: some keys are its answers then. */
  String asked() {
    return typing.getAsBoolean() ? TYPED : walking.getAsBoolean() ? WALKED : askedOfKeys();
  }

  private String askedOfKeys() {
    return keyAsk.isOn()
        ? keyAsk.says()
        : session.doubts().isOn()
            ? session.doubts().says()
            : session.sounds().isOpen()
                ? letters("the marked sound") + SOUNDS
                : isOffering()
                    ? letters("as ever") + (isTelling() ? TOLD : LOST)
                    : session.keyboard().says();
  }

  /** What the arrows do; and where notes lie on length keys, how those are reached. */
  private String stepKeys() {
    boolean covers = performer.hands().arrangement().kind() != ArrangementKind.HOME;
    return covers ? COVERED_KEYS : STEP_KEYS;
  }

  /** What shapes the notes now; what could, with its keys, when nothing does. */
  String shaping(boolean hasRoom) {
    Pedals p = performer.pedals();
    KeysMode mode = performer.keysMode();
    String sustain = p.isLatched() ? "sustain latched" : p.isSustaining() ? "sustain" : "";
    String bend = p.bend() == 0 ? "" : String.format(Locale.ROOT, "bend %+.0f %%", p.bend() * 100);
    String modulation = p.modulation() == 0 ? "" : "modulation " + p.modulation();
    Repeater repeater = session.runControl().repeater();
    String repeats =
        repeater.isOn()
            ? "held notes strike again, "
                + RepeatValues.name(repeater.value())
                + " ({repeat} ends it)"
            : "";
    String all =
        Stream.of(repeats, sustain, bend, modulation)
            .filter(t -> !t.isEmpty())
            .collect(Collectors.joining(", "));
    return !all.isEmpty() || session.sounds().isOpen() || isOffering()
        ? all
        : switch (mode) {
          case PLAY -> "{sustain} sustains, {bend-down} {bend-up} bend";
          case STEPS -> hasRoom ? stepKeys() : "";
          case COMMANDS -> "";
        };
  }
}
