package flailbeat.app.view.timing;

import java.util.List;

/** The grids that are offered by a press; any other can be typed. */
public final class GridChoices {
  /** What part of a whole note lies between two lines, straight and in triplets. */
  public static final List<Integer> DENOMINATORS = List.of(4, 8, 16, 32);

  private GridChoices() {}
}
