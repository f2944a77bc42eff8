package flailbeat.app.view.page;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.Page;
import flailbeat.app.view.base.PageBox;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ClipTraits;
import flailbeat.core.model.Track;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.map.ClipActions;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;

/** The clips that are meant: how they are called and heard, and how they are laid out. */
public final class ClipPage extends PageBox {
  private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
  private static final int MOST_TIMES = 999;

  private final Session session;
  private final ClipActions clips;
  private final Label of = Form.remark("");
  private final EntryField name;
  private final List<Button> colours = new ArrayList<>();
  private final CheckBox muted;
  private final EntryField transpose;
  private final EntryField louder;
  private final Button settle;
  private final Label linked = Form.remark("");
  private final Button unlink;
  private final CheckBox links;
  private final EntryField times;
  private final Button hand;
  private final Label inHand = Form.remark("");

  /**
   * The page.
   *
   * @param content makes what is on it
   */
  public static Page page(Supplier<ClipPage> content) {
    return new Page(
        "clip",
        "Clip",
        "",
        "How clips are called and heard, and laying them out",
        "Shift+F10",
        "M3 4 V14 H19 V10 M7 7 H12 M9 10 H15",
        content);
  }

  public ClipPage(Session session) {
    super("clip-page");
    this.session = session;
    this.clips = session.clips();
    of.setId("clip-of");
    name =
        new EntryField(
            "clip-name-field", 14, "What it is called ({clip-name})", clips.traits()::rename);
    muted =
        Form.check(
            "clip-muted",
            "Muted",
            "Its notes are silent, and stay out of an exported file ({clip-mute})",
            on -> clips.traits().toggleMuted());
    transpose =
        Form.number(
            "clip-transpose-field",
            "Sounds so many semitones higher, or lower; its notes stay as they are ({clip-transpose})",
            this::transpose);
    louder =
        Form.number(
            "clip-louder-field",
            "Sounds so much louder, or softer; its notes stay as they are ({clip-louder})",
            this::louder);
    transpose.setColumns(2);
    louder.setColumns(2);
    settle =
        button(
            "clip-settle-button",
            "Write it into the notes",
            "Notes as they sound now ({clip-settle})",
            clips.traits()::settle);
    linked.setId("clip-linked-words");
    unlink =
        button(
            "clip-unlink-button",
            "Make it its own",
            "An edit here is no edit there any more ({clip-unlink})",
            clips.traits()::unlink);
    links =
        Form.check(
            "clip-links-check",
            "Copies are linked",
            "An edit in one is an edit in all ({clip-links})",
            clips::setLinking);
    times =
        new EntryField(
            "clip-times", 4, "Lays it out so often, each right behind the last: x8", this::layOut);
    times.prompt("x8");
    hand =
        button(
            "clip-hand",
            "Take in hand",
            "Then press on the map to lay it down, and drag for more ({clip-in-hand})",
            () -> {
              if (!clips.putAway()) {
                clips.takeInHand();
              }
            });
    inHand.setId("clip-in-hand-words");
    getChildren()
        .addAll(
            Form.heading("Clip"),
            of,
            Form.row("Name", name),
            Form.row("Colour", swatches()),
            Form.row("Sounds", transpose, said("semitones"), louder, said("louder")),
            new FlowPane(10, 4, muted, settle),
            linked,
            unlink,
            Form.heading("Lay it out"),
            links,
            Form.row("Times", times),
            new FlowPane(
                6,
                6,
                hand,
                button(
                    "clip-fill",
                    "To the loop's end",
                    "As often as there is room ({clip-fill-loop})",
                    clips::fillLoop)),
            inHand,
            Form.heading("Put it right"),
            new FlowPane(
                6,
                6,
                button(
                    "clip-bar",
                    "First note on its bar",
                    "How early or late it was played stays; again, on the other bar ({clip-on-bar})",
                    clips::firstNoteToBar),
                button(
                    "clip-start",
                    "To the song's start",
                    "It begins where the song does ({clip-to-start})",
                    clips::moveToStart)));
    Follow.changes(this, session, this::refresh, Aspect.SONG, Aspect.CHOICE, Aspect.SETTINGS);
  }

  private static Label said(String words) {
    Label label = Form.remark(words);
    label.setWrapText(false);
    label.setMinWidth(USE_PREF_SIZE);
    return label;
  }

  private static Button button(String id, String text, String hint, Runnable press) {
    Button button = Buttons.text(text, hint, press);
    button.setId(id);
    return button;
  }

  private FlowPane swatches() {
    FlowPane row = new FlowPane(3, 3);
    for (int i = ClipTraits.AS_TRACK; i < ClipTraits.COLORS; i++) {
      int color = i;
      Button swatch =
          button(
              "clip-color-" + (i + 1),
              i == ClipTraits.AS_TRACK ? "track" : "",
              i == ClipTraits.AS_TRACK
                  ? "The colour of its track"
                  : "Colour " + (i + 1) + " of tracks",
              () -> clips.traits().color(color));
      swatch.setAccessibleText(
          i == ClipTraits.AS_TRACK
              ? "The colour of its track"
              : "Colour " + (i + 1) + " of tracks");
      swatch.getStyleClass().addAll("quiet", "small", "swatch");
      if (i >= 0) {
        swatch.setStyle("-fx-background-color: -track-" + (i + 1) + ";");
      }
      colours.add(swatch);
      row.getChildren().add(swatch);
    }
    return row;
  }

  /** Puts the caret where the name is typed. */
  public void editName() {
    name.edit();
  }

  private void transpose(int value) {
    require(value, ClipTraits.MOST_SEMITONES);
    clips.traits().setTranspose(value);
  }

  private void louder(int value) {
    require(value, ClipTraits.MOST_LOUDER);
    clips.traits().setLouder(value);
  }

  private static void require(int value, int most) {
    if (Math.abs(value) > most) {
      throw new IllegalArgumentException("From -" + most + " to " + most);
    }
  }

  private void layOut(String typed) {
    String number = typed.strip().toLowerCase(java.util.Locale.ROOT).replaceFirst("^x\\s*", "");
    int count;
    try {
      count = Integer.parseInt(number);
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException("How often: x8", e);
    }
    if (count < 1 || count > MOST_TIMES) {
      throw new IllegalArgumentException("x1 to x" + MOST_TIMES);
    }
    clips.repeat(count, clips.isLinking());
  }

  private void refresh() {
    List<Clip> all = clips.choice().clips();
    boolean none = all.isEmpty();
    of.setText(words(all));
    name.show(common(all, c -> c.traits().name(), ""));
    muted.setSelected(!none && all.stream().noneMatch(Clip::isAudible));
    transpose.show(common(all, c -> String.valueOf(c.traits().transpose()), ""));
    louder.show(common(all, c -> String.valueOf(c.traits().louder()), ""));
    settle.setDisable(all.stream().noneMatch(c -> c.traits().changesNotes()));
    int shared = none ? 1 : links(all.getFirst());
    linked.setText(shared + " clips share it: an edit in one is in all.");
    Form.show(linked, shared > 1);
    Form.show(unlink, shared > 1);
    links.setSelected(clips.isLinking());
    times.show("");
    hand.setText(clips.inHand().isPresent() ? "Put it away" : "Take in hand");
    inHand.setText(
        clips
            .inHand()
            .map(p -> "In hand: press on the map to lay it down, drag for more.")
            .orElse(""));
    Form.show(inHand, clips.inHand().isPresent());
    String color = common(all, c -> String.valueOf(c.traits().color()), "none");
    for (int i = 0; i < colours.size(); i++) {
      colours.get(i).pseudoClassStateChanged(CHOSEN, color.equals(String.valueOf(i - 1)));
    }
  }

  private int links(Clip clip) {
    return session.song().tracks().stream()
        .filter(t -> t.clip(clip.id()).isPresent())
        .findFirst()
        .map(Track::links)
        .map(l -> l.count(clip))
        .orElse(1);
  }

  private String words(List<Clip> all) {
    if (all.isEmpty()) {
      return "There is no clip on this track yet: record, step or draw, or make an empty one.";
    }
    Clip first = all.getFirst();
    var meters = session.song().meters();
    return all.size() > 1
        ? all.size() + " clips are selected."
        : "From "
            + meters.positionAt(first.start())
            + " to "
            + meters.positionAt(first.end())
            + ", "
            + first.noteCount()
            + (first.noteCount() == 1 ? " note" : " notes")
            + (first.loops()
                ? ", " + Math.ceilDiv(first.length(), first.period()) + " rounds."
                : ".");
  }

  /** What all of them have in common; else something else. */
  private static String common(List<Clip> all, Function<Clip, String> of, String otherwise) {
    List<String> values = all.stream().map(of).distinct().toList();
    return values.size() == 1 ? values.getFirst() : otherwise;
  }
}
