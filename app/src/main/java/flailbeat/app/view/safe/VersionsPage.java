package flailbeat.app.view.safe;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Form;
import flailbeat.app.control.Palette;
import flailbeat.app.control.Segments;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.Page;
import flailbeat.app.view.base.PageBox;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.person.SongsAtHand;
import flailbeat.core.version.ToldVersion;
import flailbeat.core.version.VersionParts;
import flailbeat.core.version.VersionParts.ClipPart;
import flailbeat.core.version.VersionParts.TrackPart;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What the song was before it was saved over: to hear, to open, or to take back in part. */
public final class VersionsPage extends PageBox {
  private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
  private static final double PICTURE_WIDTH = 258;
  private static final double PICTURE_HEIGHT = 54;

  private final Session session;
  private final VersionFiles files;
  private final Label empty = Form.remark("");
  private final VBox rows = new VBox(2);
  private final VBox inside = new VBox(4);
  private final SongPicture picture;
  private final VBox parts = new VBox(2);
  private final Button hear;
  private final Segments<Integer> autosave;
  private final CheckBox reopens;
  private Optional<Path> looked = Optional.empty();
  private int lookedOpening = -1;
  private boolean lookedSaved;

  /** The page. */
  public static Page page(Session session, VersionFiles files, Palette palette) {
    return new Page(
        "versions",
        "Versions",
        "",
        "What the song was before it was saved over",
        "",
        "M11 3 A8 8 0 1 1 4 7 M4 3 V7 H8 M11 6 V11 L15 13",
        () -> new VersionsPage(session, files, palette));
  }

  private VersionsPage(Session session, VersionFiles files, Palette palette) {
    super("versions-page");
    this.session = session;
    this.files = files;
    picture = new SongPicture(palette, PICTURE_WIDTH, PICTURE_HEIGHT);
    empty.setId("versions-empty");
    rows.setId("versions-rows");
    hear = button("version-hear", "Hear it", "This version, with its own sounds", files::hear);
    Button open =
        button(
            "version-open",
            "Open it",
            "As a song of its own, in no file yet; this one is asked about first",
            files::open);
    parts.setId("version-parts");
    inside.getChildren().addAll(picture, new HBox(6, hear, open), parts);
    autosave = new Segments<Integer>(session.person().songs()::setAutosaveMinutes);
    for (int minutes : SongsAtHand.MINUTES) {
      autosave.add(
          minutes,
          minutes == 0 ? "Never" : minutes + " min",
          minutes == 0
              ? "The journal keeps what you do in any case"
              : "A song that has a file is saved every so often, while nothing goes on");
    }
    autosave.named("autosave");
    reopens =
        Form.check(
            "reopens",
            "Open the last song at the start",
            "Where no other is named",
            session.person().songs()::setReopens);
    getChildren()
        .addAll(
            Form.heading("Saving"),
            Form.row("By itself", autosave),
            reopens,
            Form.heading("Before it was saved over"),
            empty,
            rows);
    files.onChange(this::refresh);
    Follow.changes(this, session, this::follow, Aspect.SONG, Aspect.SETTINGS);
  }

  private static Button button(String id, String text, String hint, Runnable press) {
    Button button = Buttons.text(text, hint, press);
    button.setId(id);
    return button;
  }

  /** Another file has other versions, and each save makes one more. */
  private void follow() {
    Optional<Path> file = session.document().file();
    boolean saved = !session.document().hasUnsavedWork();
    int opening = session.document().openings();
    boolean another = !file.equals(looked) || opening != lookedOpening;
    if (another || saved && !lookedSaved) {
      looked = file;
      lookedOpening = opening;
      files.look();
    }
    lookedSaved = saved;
    refresh();
  }

  private void refresh() {
    Optional<Path> file = session.document().file();
    empty.setText(
        file.isEmpty()
            ? "The song is in no file yet. Once it is, each save keeps the one before here."
            : "Each save keeps the one before: all of the last hour, one an hour for a day, one a"
                + " day for a month, then one a week.");
    autosave.show(session.person().songs().kept().autosaveMinutes());
    reopens.setSelected(session.person().songs().kept().reopens());
    rows.getChildren().clear();
    files.rows().forEach(this::show);
    hear.setText(files.isHearing() ? "Stop" : "Hear it");
  }

  /** What was changed after a version stands above it: between it and the one that came then. */
  private void show(ToldVersion row) {
    if (!row.words().isEmpty()) {
      Label words = Form.remark(row.words());
      words.setWrapText(true);
      words.setPadding(new Insets(0, 0, 2, 10));
      rows.getChildren().add(words);
    }
    Button choose =
        Buttons.text(
            When.exactly(row.version().millis()),
            "Look into it",
            () -> files.choose(row.version()));
    choose.getStyleClass().addAll("quiet", "version");
    choose.setMaxWidth(Double.MAX_VALUE);
    choose.setAlignment(Pos.CENTER_LEFT);
    rows.getChildren().add(choose);
    Optional<VersionFiles.Chosen> chosen =
        files.chosen().filter(c -> c.version().equals(row.version()));
    choose.pseudoClassStateChanged(CHOSEN, chosen.isPresent());
    chosen.ifPresent(
        c -> {
          showParts(c);
          rows.getChildren().add(inside);
        });
  }

  private void showParts(VersionFiles.Chosen chosen) {
    picture.show(chosen.song());
    parts.getChildren().clear();
    List<TrackPart> tracks = VersionParts.of(session.song(), chosen.song());
    if (tracks.isEmpty()) {
      parts.getChildren().add(Form.remark("All its tracks are as they were."));
    }
    for (TrackPart track : tracks) {
      add(
          track.name() + ": " + track.words(),
          "The whole track as it was; the rest stays as it is",
          0,
          () -> files.takeBack(track.id()));
      for (ClipPart clip : track.clips()) {
        add(
            clip.words(),
            "This clip where it lay; the rest stays as it is",
            12,
            () -> files.takeBack(clip.id()));
      }
    }
  }

  private void add(String text, String hint, double indent, Runnable press) {
    Label label = new Label(text);
    label.setWrapText(true);
    label.setMaxWidth(Double.MAX_VALUE);
    label.setMinHeight(USE_PREF_SIZE);
    HBox.setHgrow(label, Priority.ALWAYS);
    Button take = Buttons.text("Take back", hint, press);
    take.getStyleClass().add("small");
    take.setMinWidth(USE_PREF_SIZE);
    HBox row = new HBox(6, label, take);
    row.setAlignment(Pos.CENTER_LEFT);
    row.setPadding(new Insets(0, 0, 0, indent));
    parts.getChildren().add(row);
  }
}
