package flailbeat.core.model;

import flailbeat.core.time.TickRange;
import java.util.List;

/**
 * One part.
 *
 * @param channel MIDI channel, 0 to 15; 9 is the drum channel
 * @param armed whether it is played and recorded along with the chosen track
 * @param clips in order, and apart: none begins before the one before it has ended
 * @param controls in order of tick
 * @param carried in order of tick
 * @param traits what the MIDI file that it came from says of it
 */
public record Track(
    TrackId id,
    String name,
    Instrument instrument,
    int channel,
    boolean armed,
    boolean muted,
    boolean solo,
    List<Clip> clips,
    List<ControlPoint> controls,
    List<CarriedEvent> carried,
    FileTraits traits) {
  /** The channel that General MIDI keeps for drums, counted from 0. */
  public static final int DRUM_CHANNEL = 9;

  public Track {
    if (channel < 0 || channel > 15) {
      throw new IllegalArgumentException("A channel goes from 0 to 15, not " + channel);
    }
    clips = List.copyOf(clips);
    requireApart(clips);
    controls = List.copyOf(controls);
    carried = List.copyOf(carried);
  }

  private static void requireApart(List<Clip> clips) {
    for (int i = 1; i < clips.size(); i++) {
      TickRange before = clips.get(i - 1).range();
      TickRange range = clips.get(i).range();
      if (range.start() < before.end()) {
        throw new IllegalArgumentException(
            "A clip at " + range + " after one at " + before + ": clips do not overlap");
      }
    }
  }

  /** An empty track. */
  public static Track empty(TrackId id, String name, Instrument instrument, int channel) {
    return new Track(
        id,
        name,
        instrument,
        channel,
        false,
        false,
        false,
        List.of(),
        List.of(),
        List.of(),
        FileTraits.NONE);
  }

  /** All its notes, clip by clip. */
  public List<Note> notes() {
    if (clips.size() == 1) {
      return clips.get(0).notes();
    }
    return clips.stream().flatMap(c -> c.notes().stream()).toList();
  }

  public int noteCount() {
    return clips.stream().mapToInt(c -> c.notes().size()).sum();
  }

  /** The tick at which its last note ends; 0 without notes. */
  public long end() {
    return clips.stream().flatMap(c -> c.notes().stream()).mapToLong(Note::end).max().orElse(0);
  }

  public Track withClips(List<Clip> value) {
    return new Track(
        id, name, instrument, channel, armed, muted, solo, value, controls, carried, traits);
  }

  public Track withEvents(List<ControlPoint> controlPoints, List<CarriedEvent> carriedEvents) {
    return new Track(
        id,
        name,
        instrument,
        channel,
        armed,
        muted,
        solo,
        clips,
        controlPoints,
        carriedEvents,
        traits);
  }

  /** With another sound. A kit lives on the drum channel, so the channel may change with it. */
  public Track withInstrument(Instrument value, int newChannel) {
    return new Track(
        id, name, value, newChannel, armed, muted, solo, clips, controls, carried, traits);
  }

  public Track withArmed(boolean value) {
    return new Track(
        id, name, instrument, channel, value, muted, solo, clips, controls, carried, traits);
  }

  public Track withMuted(boolean value) {
    return new Track(
        id, name, instrument, channel, armed, value, solo, clips, controls, carried, traits);
  }

  public Track withSolo(boolean value) {
    return new Track(
        id, name, instrument, channel, armed, muted, value, clips, controls, carried, traits);
  }

  public Track withTraits(FileTraits value) {
    return new Track(
        id, name, instrument, channel, armed, muted, solo, clips, controls, carried, value);
  }
}
