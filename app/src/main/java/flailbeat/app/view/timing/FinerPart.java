package flailbeat.app.view.timing;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.control.Segments;
import flailbeat.core.quantize.QuantizeSettings.Chords;
import flailbeat.core.quantize.QuantizeSettings.Ends;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.session.Session;
import flailbeat.core.time.NoteValue;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;

/** Which notes are moved, where they end, and what becomes of chords, lag and pedal. */
final class FinerPart extends TimingPart {
  private static final double MOST_TIGHT = 40;

  private final Slider reach = Form.slider("catch", 0, 100, v -> change(s -> s.withCatchRange(v)));
  private final Label reachText = Form.figure();
  private final CheckBox outside;
  private final Slider tight =
      Form.slider(
          "tight", 0, MOST_TIGHT, v -> change(s -> s.withFilter(s.filter().withTightMs(v))));
  private final Label tightText = Form.figure();
  private final Segments<Ends> ends;
  private final Segments<Ends> only;
  private final Segments<Long> shortest;
  private final Segments<Chords> chords;
  private final Segments<String> lag;
  private final EntryField lagMs;
  private final CheckBox pedal;

  FinerPart(Session session) {
    super(session);
    outside =
        Form.check(
            "catch-outside",
            "only those farther off",
            "Move only notes that are farther from a line than this; nearer ones stay",
            on -> change(s -> s.withFilter(s.filter().withOutside(on))));
    ends =
        new Segments<Ends>(e -> change(s -> s.withEnds(e)))
            .add(Ends.KEEP, "Keep length", "Notes stay as long as they were played")
            .add(Ends.SNAP, "Snap", "Ends go to a line as well")
            .add(
                Ends.MEANT,
                "As meant",
                "Ends go where they were meant, found from all of the part: legato, detached or short")
            .named("ends");
    only =
        new Segments<Ends>(e -> change(s -> s.withEnds(e)))
            .add(Ends.LENGTHS, "Whole", "Lengths become whole steps of the grid")
            .add(Ends.STAY, "Only starts", "Notes end where they were let go")
            .add(Ends.ONLY, "Only ends", "Starts stay, ends go to a line")
            .named("ends");
    shortest =
        new Segments<Long>(t -> change(s -> s.withFilter(s.filter().withLeastLength(t))))
            .add(NoteValue.straight(64).ticks(), "1/64", "No note becomes shorter than 1/64")
            .add(NoteValue.straight(32).ticks(), "1/32", "No note becomes shorter than 1/32")
            .add(NoteValue.straight(16).ticks(), "1/16", "No note becomes shorter than 1/16");
    chords =
        new Segments<Chords>(c -> change(s -> s.withChords(c)))
            .add(Chords.CLOSE, "Close up", "All notes of a chord go to the line")
            .add(Chords.KEEP, "Keep spread", "A chord moves as it was struck")
            .named("chords");
    lag =
        new Segments<String>(this::setLag)
            .add("auto", "Found", "Found from the notes, and taken out")
            .add("off", "Left in", "Nothing is taken out before lines are chosen")
            .named("lag");
    lagMs =
        new EntryField(
            "lag-ms", 4, "A lag of your own, in ms, late above 0", text -> setLagMs(text));
    pedal =
        Form.check(
            "pedal-along",
            "Sustain pedal moves along",
            "Pedal times move with the note they belong to",
            on -> change(s -> s.withControls(on)));
    Button pitches =
        Buttons.text(
            "Same pitches",
            "Take every note of the selected pitches in hand ({select-pitches})",
            session.quantizing()::selectSamePitches);
    pitches.setId("same-pitches");
    Button all =
        Buttons.text(
            "All tracks",
            "Quantize every track, each with a lag of its own",
            session.quantizing()::quantizeAllTracks);
    all.setId("all-tracks");
    getChildren()
        .addAll(
            row("Catch", reach, reachText),
            row("", outside),
            row("Tight", tight, tightText),
            row("Ends", ends),
            row("", only),
            row("Shortest", shortest),
            row("Chords", chords),
            row("Lag", lag, lagMs),
            row("", pedal),
            row("Which", pitches, all));
  }

  private void setLag(String kind) {
    change(s -> s.withLag(kind.equals("auto") ? new Lag.Auto() : new Lag.Off()));
  }

  private void setLagMs(String text) {
    try {
      double ms = Double.parseDouble(text.replace("ms", "").strip());
      change(s -> s.withLag(new Lag.Millis(ms)));
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException("A number of ms", e);
    }
  }

  @Override
  void refresh() {
    reach.setValue(settings().filter().catchRange());
    outside.setSelected(settings().filter().outside());
    reachText.setText(percent(settings().filter().catchRange()));
    tight.setValue(settings().filter().tightMs());
    tightText.setText(
        settings().filter().tightMs() == 0
            ? "none"
            : String.format(Locale.ROOT, "%.0f ms", settings().filter().tightMs()));
    ends.show(settings().ends());
    only.show(settings().ends());
    shortest.show(settings().filter().leastLength());
    chords.show(settings().chords());
    pedal.setSelected(settings().controls());
    switch (settings().lag()) {
      case Lag.Auto auto -> showLag("auto", "");
      case Lag.Off off -> showLag("off", "");
      case Lag.Millis given -> showLag("given", String.format(Locale.ROOT, "%.0f", given.value()));
    }
  }

  private void showLag(String kind, String ms) {
    lag.show(kind);
    lagMs.show(ms);
  }
}
