package flailbeat.app.control;

import java.util.List;
import javafx.scene.paint.Color;

/** The dots of the tracks: earthy, apart from one another, and never the only sign. */
public final class TrackColors {
  private static final List<Color> COLORS =
      List.of(
          Color.web("#3F6C8F"),
          Color.web("#8A5A83"),
          Color.web("#5F7A3D"),
          Color.web("#A9772B"),
          Color.web("#7B4B3A"),
          Color.web("#4B5B8C"),
          Color.web("#2F7F74"),
          Color.web("#94506B"));

  private TrackColors() {}

  public static Color of(int track) {
    return COLORS.get(track % COLORS.size());
  }
}
