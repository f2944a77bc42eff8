package flailbeat.core.format.smf;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * What came of reading a MIDI file.
 *
 * @param file what could be read
 * @param damage everything in which it departs from the standard; empty for a sound file
 * @param cutTracks tracks of which the end is missing
 * @param lostBytes bytes of tracks that are there and could not be read
 */
public record SmfReading(SmfFile file, List<Damage> damage, int cutTracks, long lostBytes) {
  /** Whether it keeps to the standard in everything. */
  public boolean isSound() {
    return damage.isEmpty();
  }

  /** Whether all of it could be read, whether or not it keeps to the standard. */
  public boolean isWhole() {
    return damage.stream().noneMatch(Damage::loses);
  }

  /** The damage by which something is lost, in one line. */
  public String describeDamage() {
    List<Damage> losing = damage.stream().filter(Damage::loses).toList();
    String first = losing.stream().limit(2).map(Damage::toString).collect(Collectors.joining("; "));
    String more = losing.size() > 2 ? "; and " + (losing.size() - 2) + " more" : "";
    return first + more;
  }

  /** Where it departs from the standard and nothing is lost, a line each. */
  public List<String> departures() {
    return damage.stream()
        .filter(d -> !d.loses())
        .map(d -> "departs from the standard, nothing is lost: " + d)
        .toList();
  }

  /** What was lost, counted, in one line. */
  public String describeLoss() {
    List<String> parts = new ArrayList<>();
    if (cutTracks > 0) {
      parts.add("the end of " + cutTracks + (cutTracks == 1 ? " track" : " tracks"));
    }
    if (cutTracks == 0 && lostBytes == 0) {
      return "lost: nothing that can be counted";
    }
    if (lostBytes > 0) {
      parts.add(lostBytes + (lostBytes == 1 ? " byte" : " bytes") + " of track data");
    }
    return "lost: " + String.join(", ", parts);
  }
}
