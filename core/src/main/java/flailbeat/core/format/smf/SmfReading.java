package flailbeat.core.format.smf;

import java.util.List;
import java.util.stream.Collectors;

/**
 * What came of reading a MIDI file.
 *
 * @param file what could be read
 * @param damage everything that was wrong; empty for a sound file
 * @param lostTracks tracks the header announces of which nothing could be read
 * @param lostBytes bytes of tracks that could not be read
 */
public record SmfReading(SmfFile file, List<Damage> damage, int lostTracks, long lostBytes) {
  public boolean isSound() {
    return damage.isEmpty();
  }

  /** The damage in one line. */
  public String describeDamage() {
    String first = damage.stream().limit(2).map(Damage::toString).collect(Collectors.joining("; "));
    String more = damage.size() > 2 ? "; and " + (damage.size() - 2) + " more" : "";
    return first + more;
  }

  /** What was lost, counted, in one line. */
  public String describeLoss() {
    return "lost: "
        + lostTracks
        + (lostTracks == 1 ? " whole track, " : " whole tracks, ")
        + lostBytes
        + (lostBytes == 1 ? " byte of track data" : " bytes of track data");
  }
}
