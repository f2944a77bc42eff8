package flailbeat.app.view.map;

import flailbeat.app.control.Hairline;
import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.view.bench.surface.Layer;
import flailbeat.core.edit.tracks.TrackEdits;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.session.Session;
import java.util.List;
import java.util.function.Supplier;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;
import javafx.scene.text.TextAlignment;

/** The names of the tracks at the left of the large map, with their sounds and what is set. */
final class NamesLayer extends Layer {
  private static final double DOT = 18;
  private static final double TEXT = 32;
  private static final double LEAST_SOUND = 44;
  private static final int MOST_LETTERS = 15;

  private final Session session;
  private final Palette palette;
  private final Supplier<LaneScale> scale;

  NamesLayer(Region owner, Session session, Palette palette, Supplier<LaneScale> scale) {
    super(owner);
    this.session = session;
    this.palette = palette;
    this.scale = scale;
  }

  @Override
  protected void draw(GraphicsContext g) {
    Song song = session.song();
    LaneScale lanes = scale.get();
    g.setTextBaseline(VPos.CENTER);
    List<Track> tracks = song.tracks();
    for (int i = 0; i < tracks.size(); i++) {
      double top = lanes.laneTop(i);
      if (top + lanes.laneHeight() > 0 && top < getHeight()) {
        draw(g, tracks.get(i), top, lanes.laneHeight());
      }
    }
  }

  private void draw(GraphicsContext g, Track track, double top, double height) {
    boolean chosen = track.id().equals(session.document().track().id());
    if (chosen) {
      g.setFill(palette.color(Ink.WHEAT_PALE));
      g.fillRoundRect(6, top + 3, getWidth() - 10, height - 7, 8, 8);
    }
    boolean twoLines = height >= LEAST_SOUND;
    double middle = top + height / 2;
    double first = twoLines ? middle - 9 : middle;
    g.setFill(
        palette.color(
            Ink.ofTrack(TrackEdits.color(session.song(), track)),
            session.song().isAudible(track) ? 1 : 0.45));
    g.fillOval(DOT - 5, first - 5, 10, 10);
    g.setTextAlign(TextAlignment.LEFT);
    g.setFill(palette.color(Ink.INK));
    g.setFont(chosen ? palette.bold(13) : palette.font(13));
    g.fillText(cut(track.name()), TEXT, first);
    if (twoLines) {
      g.setFill(palette.color(Ink.INK_SOFT));
      g.setFont(palette.font(11));
      g.fillText(cut(track.instrument().title()), TEXT, middle + 9);
    }
    g.setTextAlign(TextAlignment.RIGHT);
    g.setFont(palette.bold(10));
    String set = (track.muted() ? "M" : "") + (track.solo() ? "S" : "");
    g.setFill(palette.color(Ink.LATE));
    g.fillText(set, getWidth() - 12, first);
    if (track.armed()) {
      g.setFill(palette.color(Ink.RECORD));
      g.fillOval(getWidth() - 18, (twoLines ? middle + 9 : first) - 4, 8, 8);
    }
    Hairline.across(g, palette.color(Ink.RULE), top + height - 1, 0, getWidth());
  }

  private static String cut(String text) {
    return text.length() <= MOST_LETTERS ? text : text.substring(0, MOST_LETTERS - 1) + "\u2026";
  }
}
