package flailbeat.core.model.carried;

import flailbeat.core.pitch.KeyMap;
import flailbeat.core.pitch.KeySignature;
import flailbeat.core.time.Ticks;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * What the file that a song came from said of the whole song beside its tracks. It goes out as it
 * came in; what is understood of it, the keys and markers, is read here and kept nowhere else.
 * Immutable.
 */
public final class FromFile {
  /** Nothing: the song was made here. */
  public static final FromFile NONE = new FromFile(List.of(), Ticks.PPQ, MidiOrigin.NONE);

  /** The type of the meta event that is a marker, and likewise the other. */
  private static final int MARKER = 0x06;

  private static final int KEY = 0x59;

  private final List<CarriedEvent> carried;
  private final int resolution;
  private final MidiOrigin origin;
  private final KeyMap keys;

  /**
   * What a file said.
   *
   * @param carried events of the whole song that are handed on, in order of tick
   * @param resolution the PPQ that a MIDI file written from the song gets, 1 to 32767
   * @param origin of which MIDI file it was made
   */
  public FromFile(List<CarriedEvent> carried, int resolution, MidiOrigin origin) {
    this.carried = List.copyOf(carried);
    this.resolution = resolution;
    this.origin = origin;
    this.keys = keysOf(this.carried);
    if (resolution < 1 || resolution > 0x7FFF) {
      throw new IllegalArgumentException("A resolution of " + resolution + " PPQ does not exist");
    }
  }

  public List<CarriedEvent> carried() {
    return carried;
  }

  public int resolution() {
    return resolution;
  }

  public MidiOrigin origin() {
    return origin;
  }

  /** The key over time, as key signatures say it; those that make no sense are passed over. */
  public KeyMap keys() {
    return keys;
  }

  /** The places that have names. */
  public List<Marker> markers() {
    return carried.stream()
        .filter(c -> c.isMeta(MARKER))
        .map(c -> new Marker(c.tick(), new String(c.payload().bytes(), StandardCharsets.UTF_8)))
        .toList();
  }

  private static KeyMap keysOf(List<CarriedEvent> carried) {
    List<KeyMap.Change> changes = new ArrayList<>();
    for (CarriedEvent event : carried) {
      if (event.isMeta(KEY)) {
        keyOf(event.payload().bytes())
            .ifPresent(k -> changes.add(new KeyMap.Change(event.tick(), k)));
      }
    }
    return changes.isEmpty() ? KeyMap.NONE : new KeyMap(changes);
  }

  /** Two bytes: sharps, or flats where less than 0; and 1 for minor. */
  private static Optional<KeySignature> keyOf(byte... bytes) {
    boolean known =
        bytes.length == 2 && Math.abs(bytes[0]) <= 7 && (bytes[1] == 0 || bytes[1] == 1);
    return known ? Optional.of(new KeySignature(bytes[0], bytes[1] == 1)) : Optional.empty();
  }

  /** A key signature from a tick on, as it is carried. */
  public static CarriedEvent event(long tick, KeySignature key) {
    Payload bytes = Payload.of((byte) key.sharps(), (byte) (key.minor() ? 1 : 0));
    return CarriedEvent.meta(tick, KEY, bytes);
  }

  /** A marker as it is carried. */
  public static CarriedEvent event(Marker marker) {
    Payload text = Payload.of(marker.name().getBytes(StandardCharsets.UTF_8));
    return CarriedEvent.meta(marker.tick(), MARKER, text);
  }

  public FromFile withCarried(List<CarriedEvent> value) {
    return new FromFile(value, resolution, origin);
  }

  public FromFile withResolution(int value) {
    return new FromFile(carried, value, origin);
  }

  public FromFile withOrigin(MidiOrigin value) {
    return new FromFile(carried, resolution, value);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof FromFile f
        && carried.equals(f.carried)
        && resolution == f.resolution
        && origin.equals(f.origin);
  }

  @Override
  public int hashCode() {
    return Objects.hash(carried, resolution);
  }

  @Override
  public String toString() {
    return "FromFile[" + carried + ", " + resolution + ", " + origin + "]";
  }
}
