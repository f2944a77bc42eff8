package flailbeat.core.model.carried;

import flailbeat.core.time.Ticks;
import java.util.Set;

/**
 * An event of a MIDI file that Flailbeat does not edit and hands on as it came: lyrics, markers,
 * key signatures, system exclusive and the like.
 *
 * @param tick 0 to {@link Ticks#LAST}
 * @param status F0 or F7 (system exclusive) or FF (meta), hexadecimal
 * @param type the meta event's type; 0 for system exclusive
 * @param fileTrack for what belongs to the song, the track of the file that it stands in, from 0
 */
public record CarriedEvent(long tick, int status, int type, Payload payload, int fileTrack) {
  private static final int META = 0xFF;
  private static final int LYRIC = 0x05;
  private static final int CUE = 0x07;

  /** The types of meta events that the song itself says: end of track, tempo, time signature. */
  private static final Set<Integer> SAID = Set.of(0x2F, 0x51, 0x58);

  private static final int LONGEST = 0x0FFFFFFF;

  public CarriedEvent {
    Ticks.require(tick);
    if (fileTrack < 0 || fileTrack > 0xFFFF) {
      throw new IllegalArgumentException("A file has no track " + fileTrack);
    }
    boolean exclusive = (status == 0xF0 || status == 0xF7) && type == 0;
    boolean meta = status == META && type >= 0 && type <= 0x7F && !SAID.contains(type);
    if (!exclusive && !meta) {
      throw new IllegalArgumentException(
          String.format("An event of kind %X %X is none that is carried", status, type));
    }
    if (payload.length() > LONGEST) {
      throw new IllegalArgumentException("An event of " + payload.length() + " bytes is too long");
    }
  }

  /** In the first track of the file, or in that of its part. */
  public CarriedEvent(long tick, int status, int type, Payload payload) {
    this(tick, status, type, payload, 0);
  }

  /** A meta event of the first track. */
  public static CarriedEvent meta(long tick, int type, Payload payload) {
    return new CarriedEvent(tick, META, type, payload);
  }

  /** Whether it is a meta event of a type. */
  public boolean isMeta(int of) {
    return status == META && type == of;
  }

  /** Whether it belongs to a moment: lyrics, markers and cues do. */
  public boolean isInTime() {
    return status == META && type >= LYRIC && type <= CUE;
  }

  /** The same in another track of the file. */
  public CarriedEvent inFileTrack(int value) {
    return new CarriedEvent(tick, status, type, payload, value);
  }

  /** The same at another time. */
  public CarriedEvent at(long newTick) {
    return new CarriedEvent(newTick, status, type, payload, fileTrack);
  }
}
