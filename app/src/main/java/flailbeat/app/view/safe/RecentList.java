package flailbeat.app.view.safe;

import flailbeat.app.control.FoundList;
import flailbeat.core.session.Session;
import flailbeat.core.session.person.SongsAtHand.Recent;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** The songs that were used last, to be found by a part of their name or folder. */
public final class RecentList extends FoundList<Recent> {
  private static final double WIDTH = 620;
  private static final int ROWS = 12;

  /** Finds out which files are not there any more. */
  @FunctionalInterface
  public interface Looking {
    /** Gives those of some that are missing, on the window's thread. */
    void missing(List<String> paths, Consumer<Set<String>> then);
  }

  private final Session session;
  private final Consumer<Path> onChoose;
  private final Looking looking;

  /** Those whose files are not there any more, as far as that was looked at. */
  private final Set<String> gone = new HashSet<>();

  /**
   * The list.
   *
   * @param onChoose opens a file
   * @param looking finds out whether files are there: a network may take its time
   */
  public RecentList(Session session, Consumer<Path> onChoose, Looking looking) {
    super(
        "recent-list",
        "A part of a song's name, or of its folder",
        "No song that was used lately has this in its name.",
        WIDTH,
        ROWS);
    this.session = session;
    this.onChoose = onChoose;
    this.looking = looking;
  }

  @Override
  public void open() {
    super.open();
    looking.missing(all().stream().map(Recent::path).toList(), this::mark);
  }

  private void mark(Set<String> missing) {
    if (!missing.equals(gone)) {
      gone.clear();
      gone.addAll(missing);
      search();
    }
  }

  private List<Recent> all() {
    return session.person().songs().kept().recent();
  }

  @Override
  protected List<Recent> find(String words) {
    String wanted = words.strip().toLowerCase(Locale.ROOT);
    return all().stream()
        .filter(r -> (r.title() + " " + r.path()).toLowerCase(Locale.ROOT).contains(wanted))
        .toList();
  }

  @Override
  protected void choose(Recent recent) {
    close();
    if (gone.contains(recent.path())) {
      session.notices().warn(recent.path() + " is not there any more");
    } else {
      onChoose.accept(Path.of(recent.path()));
    }
  }

  @Override
  protected Row<Recent> row() {
    return new RecentRow();
  }

  private final class RecentRow implements Row<Recent> {
    private final Label title = new Label();
    private final Label folder = new Label();
    private final Label length = new Label();
    private final Label when = new Label();
    private final HBox box;

    RecentRow() {
      Region gap = new Region();
      HBox.setHgrow(gap, Priority.ALWAYS);
      title.setMinWidth(Region.USE_PREF_SIZE);
      folder.getStyleClass().addAll("soft", "small");
      folder.setTextOverrun(OverrunStyle.LEADING_ELLIPSIS);
      length.getStyleClass().addAll("figures", "small");
      length.setMinWidth(Region.USE_PREF_SIZE);
      when.getStyleClass().addAll("soft", "small");
      when.setMinWidth(Region.USE_PREF_SIZE);
      box = new HBox(8, title, folder, gap, length, when);
      box.setAlignment(Pos.CENTER_LEFT);
    }

    @Override
    public Node box() {
      return box;
    }

    @Override
    public void show(Recent item) {
      Path path = Path.of(item.path());
      title.setText(item.title());
      folder.setText(path.getFileName() + ", " + path.getParent());
      length.setText(item.length());
      boolean isGone = gone.contains(item.path());
      when.setText(isGone ? "not there any more" : When.of(item.millis()));
      box.setOpacity(isGone ? 0.5 : 1);
    }
  }
}
