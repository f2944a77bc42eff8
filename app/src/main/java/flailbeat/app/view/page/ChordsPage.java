package flailbeat.app.view.page;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.control.Segments;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.Page;
import flailbeat.app.view.base.PageBox;
import flailbeat.core.harmony.BrokenChords;
import flailbeat.core.harmony.ChordEdits;
import flailbeat.core.harmony.ChordFault;
import flailbeat.core.harmony.ChordReading;
import flailbeat.core.harmony.ChordSpan;
import flailbeat.core.harmony.Figured;
import flailbeat.core.harmony.KeyReading;
import flailbeat.core.harmony.KeySpan;
import flailbeat.core.pitch.Key;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import flailbeat.core.session.harmony.ChordActions;
import flailbeat.core.session.harmony.Harmony;
import flailbeat.core.session.harmony.TypedChords.Rhythm;
import flailbeat.core.text.Counted;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;

/** The key, the chord at the playhead and its other names; chords by name; chords laid out anew. */
public final class ChordsPage extends PageBox {
  private static final int MOST_CHANGES = 4;
  private static final int PERCENT = 100;

  private final Session session;
  private final ChordActions actions;
  private final Label key = Form.remark("");
  private final Label overTime = Form.remark("");
  private final Label here = new Label();
  private final Label others = Form.remark("");
  private final FlowPane names = new FlowPane(6, 6);
  private final EntryField name;
  private final EntryField typed;
  private final Segments<Rhythm> rhythm;
  private final Segments<Boolean> source;
  private final CheckBox bass;
  private Rhythm chosen = Rhythm.HELD;
  private Optional<ChordSpan> shown = Optional.empty();

  /**
   * The page.
   *
   * @param content makes what is on it
   */
  public static Page page(Supplier<ChordsPage> content) {
    return new Page(
        "chords",
        "Chords",
        "",
        "What chords are called, typing them, laying them out",
        "",
        "M4 4 H18 M4 9 H18 M4 14 H12 M15 12 V17 M12.5 14.5 H17.5",
        content);
  }

  public ChordsPage(Session session) {
    super("chords-page");
    this.session = session;
    this.actions = session.chords().actions();
    key.setId("chord-key");
    overTime.setId("chord-keys-over-time");
    here.setId("chord-here");
    here.getStyleClass().add("readout");
    others.setId("chord-others");
    name =
        new EntryField(
            "chord-name-field",
            8,
            "What the chord at the playhead is called; empty for as it is found",
            actions::sayHere);
    typed =
        new EntryField(
            "chords-typed",
            17,
            "Chords and bar lines, such as Dm7 G13 | Cmaj7; Enter puts them in ({chords-type})",
            this::type);
    typed.prompt("Dm7 G13 | Cmaj7");
    rhythm = new Segments<Rhythm>(this::choose);
    for (Rhythm each : Rhythm.values()) {
      rhythm.add(each, each.title(), each.hint());
    }
    rhythm.named("chord-rhythm");
    rhythm.show(chosen);
    source =
        new Segments<Boolean>(session.chords().harmony()::setTrackAlone)
            .add(false, "All tracks", "Chords are found from all tracks that are not muted")
            .add(true, "This track", "Chords are found from the chosen track ({chords-alone})");
    source.named("chord-source");
    bass =
        Form.check("chords-with-bass", "With a bass", "The lowest note below the others", b -> {});
    bass.setSelected(true);
    getChildren()
        .addAll(
            Form.heading("Key"),
            key,
            overTime,
            new FlowPane(
                6,
                6,
                button(
                    "key-take-button", "Write it", "Into the song ({key-take})", actions::takeKey),
                button(
                    "key-hands-button",
                    "Under the hands",
                    "Scale, Chords and chores go by it ({key-under-hands})",
                    actions::keyUnderHands)),
            Form.heading("At the playhead"),
            Form.row("Found in", source),
            here,
            others,
            names,
            Form.row("Called", name),
            Form.heading("By name"),
            typed,
            Form.row("Struck", rhythm),
            bass,
            Form.heading("Laid out"),
            layouts());
    Follow.changes(this, session, this::follow);
    refresh();
  }

  private static Button button(String id, String text, String hint, Runnable press) {
    Button button = Buttons.text(text, hint, press);
    button.setId(id);
    return button;
  }

  private FlowPane layouts() {
    return new FlowPane(
        6,
        6,
        button("invert-up-button", "Over, up", "({invert-up})", () -> actions.invert(1)),
        button("invert-down-button", "Over, down", "({invert-down})", () -> actions.invert(-1)),
        button("chord-close-button", "Close", "All within an octave", actions::close),
        button("chord-open-button", "Open", "Every second voice an octave up", actions::open),
        button(
            "chord-drop-2-button",
            "Drop 2",
            "The second voice from the top",
            () -> actions.drop(2)),
        button(
            "chord-drop-3-button", "Drop 3", "The third voice from the top", () -> actions.drop(3)),
        button("chord-lead-button", "Lead", "Each nearest to the one before", actions::lead),
        button("chord-bass-button", "Bass", "Put below", actions::addBass),
        button("chord-bass-off-button", "No bass", "Take the lowest away", actions::removeBass),
        button("strum-button", "Strum", "One after another upwards ({strum})", this::strum),
        button(
            "break-up-button",
            "Break",
            "Upwards, on the lines of the grid ({break-up})",
            () -> actions.breakUp(BrokenChords.Order.UP)),
        button(
            "break-stencil-button",
            "As stencil",
            "In the rhythm of selected notes: take them with {stencil} ({break-stencil})",
            actions::breakByStencil));
  }

  private void strum() {
    actions.strum(
        session.person().commandNumbers().of("strum", ChordEdits.USUAL_STRUM_MS), false, false);
  }

  private void choose(Rhythm value) {
    chosen = value;
    rhythm.show(value);
  }

  private void type(String line) {
    try {
      session.chords().typed().type(line, chosen, bass.isSelected());
      // It stays to be looked at; leaving the field does not enter it once more.
      typed.show(line);
    } catch (ChordFault e) {
      typed.select(e.start(), e.end());
      throw new IllegalArgumentException(e.getMessage(), e);
    }
  }

  /** Puts the caret where chords are typed. */
  public void editTyped() {
    typed.edit();
  }

  /** Puts the caret where the chord at the playhead is named. */
  public void editName() {
    name.edit();
  }

  /** Called for each frame: the playhead goes on to other chords. */
  public void follow() {
    if (!session.chords().harmony().here().equals(shown)) {
      refreshHere();
    }
  }

  private void follow(Change change) {
    if (change.isOf(Aspect.SONG, Aspect.CHORDS, Aspect.TRANSPORT, Aspect.CHOICE, Aspect.SETTINGS)) {
      refresh();
    }
  }

  private void refresh() {
    Harmony harmony = session.chords().harmony();
    source.show(harmony.isOfTrackAlone());
    String keys = KeyReading.words(harmony.found().keys());
    key.setText(keys.isEmpty() ? "There are no notes yet to find a key from." : keys);
    overTime.setText(overTime(harmony));
    Form.show(overTime, !overTime.getText().isEmpty());
    refreshHere();
  }

  /** What goes along with the playhead. */
  private void refreshHere() {
    Harmony harmony = session.chords().harmony();
    shown = harmony.here();
    here.setText(shown.map(s -> s.chord().name()).orElse("no chord"));
    others.setText(shown.map(this::words).orElse("Put the playhead where notes sound together."));
    names.getChildren().clear();
    shown.ifPresent(this::showNames);
    name.show(shown.filter(ChordSpan::byHand).map(s -> s.chord().name()).orElse(""));
  }

  /** Where the key changes, and that of the chosen clip where it is another; empty for neither. */
  private String overTime(Harmony harmony) {
    List<KeySpan> spans = harmony.found().keySpans();
    List<String> lines = new ArrayList<>();
    spans.stream().skip(1).limit(MOST_CHANGES).map(this::words).forEach(lines::add);
    if (spans.size() - 1 > MOST_CHANGES) {
      lines.add("and " + Counted.of(spans.size() - 1 - MOST_CHANGES, "change") + " more");
    }
    List<KeyReading> clip = harmony.clipKeys();
    Optional<Key> all = harmony.found().keys().stream().findFirst().map(KeyReading::key);
    Optional<Key> own = clip.stream().findFirst().map(KeyReading::key);
    if (own.isPresent() && !own.equals(all)) {
      lines.add("this clip by itself: " + KeyReading.words(clip));
    }
    return String.join("\n", lines);
  }

  private String words(KeySpan span) {
    int bar = session.song().meters().barAt(span.range().start()) + 1;
    return "from bar " + bar + ": " + KeyReading.words(span.readings());
  }

  private static String percent(double share) {
    return String.format(Locale.ROOT, "%.0f %%", share * PERCENT);
  }

  private String words(ChordSpan span) {
    String numeral =
        session
            .chords()
            .harmony()
            .keyHere()
            .map(k -> ", " + Figured.numeral(span.chord(), k) + " in " + k)
            .orElse("");
    String how = span.byHand() ? "said by hand" : percent(span.share());
    return span.chord().words() + ", " + how + numeral;
  }

  private void showNames(ChordSpan span) {
    long tick = span.range().start();
    if (span.byHand()) {
      names
          .getChildren()
          .add(
              Buttons.text(
                  "As found",
                  "Take back what was said",
                  () -> actions.say(tick, Optional.empty())));
      return;
    }
    for (ChordReading each : span.readings().subList(1, span.readings().size())) {
      Button other =
          Buttons.text(
              each.chord().name() + "  " + percent(each.share()),
              "It is rather this",
              () -> actions.say(tick, Optional.of(each.chord())));
      other.getStyleClass().add("small");
      names.getChildren().add(other);
    }
  }
}
