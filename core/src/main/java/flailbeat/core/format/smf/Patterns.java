package flailbeat.core.format.smf;

import flailbeat.core.format.smf.SmfFile.SmfTrack;
import java.util.ArrayList;
import java.util.List;

/**
 * The patterns of a file of type 2, which are played one after another, each with tempos of its own
 * (MMA RP-001): as tracks that begin where the one before has ended.
 */
final class Patterns {
  private Patterns() {}

  /** A file of type 1; a pattern that says no tempo begins at that which is usual, 120 bpm. */
  static SmfFile inARow(SmfFile file) {
    List<SmfTrack> tracks = new ArrayList<>();
    long start = 0;
    boolean tempoIsUsual = true;
    for (SmfTrack pattern : file.tracks()) {
      long from = start;
      List<SmfEvent> events = new ArrayList<>();
      boolean saysTempo =
          pattern.events().stream().anyMatch(e -> e.isMeta(SmfEvent.TEMPO) && e.tick() == 0);
      if (!saysTempo && !tempoIsUsual) {
        events.add(SmfEvent.meta(from, SmfEvent.TEMPO, (byte) 0x07, (byte) 0xA1, (byte) 0x20));
      }
      pattern.events().forEach(e -> events.add(e.at(from + e.tick())));
      tempoIsUsual &= events.stream().noneMatch(e -> e.isMeta(SmfEvent.TEMPO));
      start += pattern.endTick();
      tracks.add(new SmfTrack(events, start));
    }
    return new SmfFile(1, file.ppq(), tracks, file.others());
  }
}
