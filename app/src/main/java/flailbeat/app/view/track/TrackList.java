package flailbeat.app.view.track;

import flailbeat.app.control.FoundList;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Notice;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.shape.Circle;

/** All tracks, to be found by a part of their name, their sound or their group. */
public final class TrackList extends FoundList<Track> {
  private static final double WIDTH = 460;
  private static final int ROWS = 12;

  private final Session session;

  public TrackList(Session session) {
    super(
        "track-list",
        "A part of a track's name, or of its sound",
        "No track has this in its name or its sound.",
        WIDTH,
        ROWS);
    this.session = session;
  }

  /** Shows them, with the chosen one under the cursor. */
  @Override
  public void open() {
    super.open();
    select(session.song().indexOf(session.document().track().id()));
  }

  @Override
  protected List<Track> find(String words) {
    String wanted = words.strip().toLowerCase(Locale.ROOT);
    return session.song().tracks().stream()
        .filter(t -> text(t, session.song().indexOf(t.id())).contains(wanted))
        .map(t -> t.withClips(List.of()))
        .toList();
  }

  private static String text(Track track, int index) {
    return String.join(
            " ",
            Integer.toString(index + 1),
            track.name(),
            track.instrument().title(),
            track.personal().group())
        .toLowerCase(Locale.ROOT);
  }

  @Override
  protected void choose(Track track) {
    close();
    TrackId id = track.id();
    if (track.personal().folded()) {
      session.tracks().fold(id);
    }
    session.document().chooseTrack(id);
    session.notices().tell(new Notice(track.name() + ", " + track.instrument().title(), false));
  }

  @Override
  protected Row<Track> row() {
    return new TrackRow();
  }

  private final class TrackRow implements Row<Track> {
    private final Circle dot = new Circle(5);
    private final Label number = new Label();
    private final Label name = new Label();
    private final Label sound = new Label();
    private final Label set = new Label();
    private final HBox box;

    TrackRow() {
      Region gap = new Region();
      HBox.setHgrow(gap, Priority.ALWAYS);
      number.getStyleClass().addAll("soft", "figures", "small");
      number.setMinWidth(24);
      sound.getStyleClass().addAll("soft", "small");
      set.getStyleClass().add("tab-mark");
      box = new HBox(8, number, dot, name, sound, gap, set);
      box.setAlignment(Pos.CENTER_LEFT);
    }

    @Override
    public Node box() {
      return box;
    }

    @Override
    public void show(Track item) {
      Track track = session.song().track(item.id()).orElse(item);
      number.setText(Integer.toString(session.song().indexOf(track.id()) + 1));
      dot.getStyleClass().setAll(TrackTab.ink(session.song(), track));
      name.setText(track.name());
      String group = track.personal().group();
      sound.setText(track.instrument().title() + (group.isEmpty() ? "" : ", in " + group));
      set.setText(
          (track.armed() ? "\u25CF " : "")
              + (track.muted() ? "M " : "")
              + (track.solo() ? "S" : ""));
    }
  }
}
