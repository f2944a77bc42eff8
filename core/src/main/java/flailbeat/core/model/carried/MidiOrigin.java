package flailbeat.core.model.carried;

import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.Ticks;
import java.util.List;
import java.util.Optional;
import java.util.function.LongUnaryOperator;

/**
 * How the MIDI file was made up that a song came from, so that it goes out as it came in.
 *
 * @param type 0 for one track, 1 for tracks side by side
 * @param saysTempo whether it says a tempo for its start; else none is written where 120 bpm holds
 * @param saysMeter the same of a time signature, and 4/4
 * @param tracks the file's tracks; the first holds tempos, meters and what belongs to the whole
 * @param orders what stood at one tick in another order than the usual one
 */
public record MidiOrigin(
    int type, boolean saysTempo, boolean saysMeter, List<FileTrack> tracks, TickOrders orders) {
  /** Of no file: tempos and the like go into a first track, each part into one of its own. */
  public static final MidiOrigin NONE = new MidiOrigin(1, true, true, List.of(), TickOrders.NONE);

  /**
   * A track of the file.
   *
   * @param name the event that names it, where there is one
   * @param shown what it is called here: a name was made up where there was none
   * @param parts the tracks that were made of it, one for each channel; none where it had neither
   *     notes nor controllers
   * @param endTick where it ends, if it has no parts
   */
  public record FileTrack(
      Optional<CarriedEvent> name, String shown, List<TrackId> parts, long endTick) {
    public FileTrack {
      parts = List.copyOf(parts);
      Ticks.require(endTick);
    }

    private FileTrack mapTicks(LongUnaryOperator change) {
      return new FileTrack(
          name.map(n -> n.at(change.applyAsLong(n.tick()))),
          shown,
          parts,
          change.applyAsLong(endTick));
    }
  }

  public MidiOrigin {
    if (type < 0 || type > 1) {
      throw new IllegalArgumentException("A MIDI file of type " + type + " is not written");
    }
    tracks = List.copyOf(tracks);
  }

  public boolean isNone() {
    return tracks.isEmpty();
  }

  /** With the ends of tracks that have no parts elsewhere. */
  public MidiOrigin mapEnds(LongUnaryOperator change) {
    return new MidiOrigin(
        type,
        saysTempo,
        saysMeter,
        tracks.stream()
            .map(
                t -> new FileTrack(t.name(), t.shown(), t.parts(), change.applyAsLong(t.endTick())))
            .toList(),
        orders);
  }

  /** With all that is known by its tick elsewhere. */
  public MidiOrigin mapTicks(LongUnaryOperator change) {
    return isNone()
        ? this
        : new MidiOrigin(
            type,
            saysTempo,
            saysMeter,
            tracks.stream().map(t -> t.mapTicks(change)).toList(),
            orders.mapTicks(change));
  }
}
