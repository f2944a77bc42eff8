package flailbeat.core.playback;

import java.util.HashMap;
import java.util.Map;

/**
 * Where sound goes.
 *
 * @param device the device's name; empty for whichever the system prefers
 * @param bufferBytes how much the device's buffer shall hold; 0 to find the smallest that works
 * @param found the buffers that were found to work, by the device's name
 */
public record SoundSettings(String device, int bufferBytes, Map<String, Integer> found) {
  /** A second of sound; a larger buffer helps nobody. */
  private static final int LARGEST = 44_100 * 4;

  public SoundSettings {
    device = device == null ? "" : device;
    found = found == null ? Map.of() : Map.copyOf(found);
    require(bufferBytes);
    found.values().forEach(SoundSettings::require);
  }

  private static void require(int bytes) {
    if (bytes < 0 || bytes > LARGEST) {
      throw new IllegalArgumentException("A buffer of " + bytes + " bytes is none for sound");
    }
  }

  /** The system's device, with a buffer that is found. */
  public static SoundSettings standard() {
    return new SoundSettings("", 0, Map.of());
  }

  /** Whether the buffer is found by trying. */
  public boolean isAutomatic() {
    return bufferBytes == 0;
  }

  /** What to begin with: what was chosen, else what was found before, else the smallest. */
  public int bufferToBegin(int smallest) {
    return isAutomatic() ? found.getOrDefault(device, smallest) : bufferBytes;
  }

  public SoundSettings withDevice(String value) {
    return new SoundSettings(value, bufferBytes, found);
  }

  public SoundSettings withBuffer(int bytes) {
    return new SoundSettings(device, bytes, found);
  }

  /** With the buffer to be found by trying anew, whatever was found before. */
  public SoundSettings triedAnew() {
    Map<String, Integer> all = new HashMap<>(found);
    all.remove(device);
    return new SoundSettings(device, 0, all);
  }

  /** With what was found to work for the device. */
  public SoundSettings withFound(int bytes) {
    Map<String, Integer> all = new HashMap<>(found);
    all.put(device, bytes);
    return new SoundSettings(device, bufferBytes, all);
  }
}
