package flailbeat.core.model.carried;

import java.util.List;

/**
 * What the file that a track came from said of it beside its notes and controllers.
 *
 * @param carried events that are handed on, in order of tick
 */
public record TrackFromFile(List<CarriedEvent> carried, FileTraits traits) {
  /** Nothing: the track was made here. */
  public static final TrackFromFile NONE = new TrackFromFile(List.of(), FileTraits.NONE);

  public TrackFromFile {
    carried = List.copyOf(carried);
  }
}
