package flailbeat.core.harmony;

import flailbeat.core.model.Song;
import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.FromFile;
import flailbeat.core.model.carried.Payload;
import flailbeat.core.pitch.KeyMap;
import flailbeat.core.time.TickRange;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Chords that a person said, and keys. They stand in the song as cue points of Standard MIDI Files
 * (meta event 07, {@code chord Dm7}) and as key signatures (59), so that they are saved, undone,
 * moved along and exported as all that stands there is.
 */
public final class ChordMarks {
  private static final int CUE = 0x07;
  private static final int KEY = 0x59;
  private static final String PREFIX = "chord ";

  private ChordMarks() {}

  /** A chord that holds from a tick on, until the next change. */
  public record Mark(long tick, Chord chord) {}

  /** Those of a song, in order. */
  public static List<Mark> of(Song song) {
    List<Mark> result = new ArrayList<>();
    for (CarriedEvent event : song.carried()) {
      if (event.isMeta(CUE)) {
        chordOf(event).ifPresent(c -> result.add(new Mark(event.tick(), c)));
      }
    }
    return result;
  }

  private static Optional<Chord> chordOf(CarriedEvent event) {
    String text = new String(event.payload().bytes(), StandardCharsets.UTF_8);
    return text.startsWith(PREFIX)
        ? ChordParser.parse(text.substring(PREFIX.length()))
        : Optional.empty();
  }

  /** A song in which a chord is said at a tick, or none any more. */
  public static Song with(Song song, long tick, Optional<Chord> chord) {
    List<CarriedEvent> carried = new ArrayList<>(song.carried());
    carried.removeIf(c -> c.isMeta(CUE) && c.tick() == tick && chordOf(c).isPresent());
    chord.ifPresent(c -> carried.add(event(tick, c)));
    return withCarried(song, carried);
  }

  private static CarriedEvent event(long tick, Chord chord) {
    byte[] text = (PREFIX + chord.name()).getBytes(StandardCharsets.UTF_8);
    return CarriedEvent.meta(tick, CUE, Payload.of(text));
  }

  /** A song that is in some keys over time, and in no others. */
  public static Song withKeys(Song song, KeyMap keys) {
    List<CarriedEvent> carried = new ArrayList<>(song.carried());
    carried.removeIf(c -> c.isMeta(KEY));
    keys.changes().forEach(c -> carried.add(FromFile.event(c.tick(), c.key())));
    return withCarried(song, carried);
  }

  private static Song withCarried(Song song, List<CarriedEvent> carried) {
    carried.sort(Comparator.comparingLong(CarriedEvent::tick));
    return carried.equals(song.carried()) ? song : song.withCarried(carried);
  }

  /** Chords that were found, with those that a person said in their place. */
  static List<ChordSpan> over(List<ChordSpan> found, List<Mark> marks) {
    if (marks.isEmpty()) {
      return found;
    }
    List<ChordSpan> result = new ArrayList<>();
    int next = 0;
    for (ChordSpan span : found) {
      long at = span.range().start();
      ChordSpan now = span;
      while (next < marks.size() && marks.get(next).tick() < span.range().end()) {
        Mark mark = marks.get(next++);
        if (mark.tick() > at) {
          result.add(now.over(new TickRange(at, mark.tick())));
          at = mark.tick();
        }
        now = new ChordSpan(span.range(), List.of(new ChordReading(mark.chord(), 1)), true);
      }
      result.add(now.over(new TickRange(at, span.range().end())));
    }
    return result;
  }
}
