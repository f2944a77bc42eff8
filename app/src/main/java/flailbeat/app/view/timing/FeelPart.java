package flailbeat.app.view.timing;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.control.Menus;
import flailbeat.app.control.Palette;
import flailbeat.app.control.SlotBars;
import flailbeat.core.quantize.Groove;
import flailbeat.core.session.Session;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.Slider;

/** Where in the bar the person is early or late; grooves; presets; back as played. */
final class FeelPart extends TimingPart {
  private final SlotBars bars;
  private final MenuButton groove = Menus.button("groove", "Lines as somebody places them");
  private final Slider share =
      Form.slider(
          "groove-velocity",
          0,
          100,
          v -> change(s -> s.withGroove(s.groove().withVelocityShare((int) v))));
  private final Label shareText = Form.figure();
  private final MenuButton presets = Menus.button("presets", "Your own ways to quantize");
  private final EntryField name;
  private final GrooveFiles files;

  FeelPart(Session session, Palette palette, double width, GrooveFiles files) {
    super(session);
    this.files = files;
    bars = new SlotBars(palette, width, 84);
    bars.setId("slot-bars");
    groove.setMaxWidth(Double.MAX_VALUE);
    presets.setMaxWidth(Double.MAX_VALUE);
    name =
        new EntryField(
            "preset-name",
            11,
            "A name, to keep these settings under it",
            text -> session.person().presets().keep(text, settings()));
    Button lagOut =
        Buttons.text(
            "Take out the lag",
            "Move all alike by the lag; the feel stays",
            session.quantizing()::takeOutLag);
    lagOut.setId("take-out-lag");
    Button back =
        Buttons.text(
            "Back as played",
            "Put the notes back where they were played ({bring-back})",
            session.quantizing()::bringBackPlayed);
    back.setId("back-as-played");
    getChildren()
        .addAll(
            Form.remark("Early or late on average, at each place in the bar:"),
            bars,
            row("Groove", groove),
            row("Velocity", share, shareText),
            row("Presets", presets),
            row("Keep as", name),
            row("", lagOut, back));
  }

  @Override
  void refresh() {
    bars.show(session().timing().slotTimings());
    Groove now = settings().groove();
    groove.setText(now.isNone() ? "None: even lines" : now.name());
    groove
        .getItems()
        .setAll(
            Menus.item("None: even lines", () -> change(s -> s.withGroove(Groove.NONE))),
            Menus.item("From these notes, one bar", () -> take(1)),
            Menus.item("From these notes, two bars", () -> take(2)),
            new SeparatorMenuItem(),
            Menus.item("Open a groove\u2026", files::openGroove),
            Menus.item("Save this groove\u2026", files::saveGroove));
    share.setDisable(now.isNone());
    share.setValue(now.velocityShare());
    shareText.setText(percent(now.velocityShare()));
    showPresets();
  }

  private void take(int bars) {
    if (!session().document().scope().notes().isEmpty()) {
      session().quantizing().takeGroove(session().document().track().name(), bars);
    }
  }

  private void showPresets() {
    Optional<String> inForce =
        session().person().presets().all().entrySet().stream()
            .filter(e -> e.getValue().equals(settings()))
            .map(java.util.Map.Entry::getKey)
            .findFirst();
    presets.setText(
        inForce.orElse(
            session().person().presets().all().isEmpty() ? "None kept yet" : "As set by hand"));
    presets.getItems().clear();
    session()
        .person()
        .presets()
        .all()
        .forEach(
            (title, kept) ->
                presets
                    .getItems()
                    .add(Menus.item(title, () -> session().timing().setSettings(kept))));
    inForce.ifPresent(
        title -> {
          presets.getItems().add(new SeparatorMenuItem());
          presets
              .getItems()
              .add(
                  Menus.item(
                      "Forget \u201c" + title + "\u201d",
                      () -> session().person().presets().remove(title)));
        });
    presets.setDisable(presets.getItems().isEmpty());
    name.show(inForce.orElse(""));
  }
}
