package flailbeat.core.format.smf;

import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/**
 * Puts the notes of a song back into the MIDI file that it was made of, and touches nothing else: a
 * note that stands where it stood keeps its very events, and all other events their order, even at
 * a resolution finer than 960. A note that keeps its length keeps it to the file's tick.
 *
 * @param file the file with the notes moved; the very one that was given where none moves
 * @param moved how many notes stand elsewhere, or last otherwise, in the file's own ticks
 * @param trimmed how many had to end where another of their pitch begins, to be told apart
 */
public record SmfPatch(SmfFile file, int moved, int trimmed) {
  /**
   * The file with some notes at other times.
   *
   * @param file what {@code song} was imported from
   * @param song the song as imported
   * @param mover gives each note as it shall stand: the note itself where it stays
   */
  public static SmfPatch apply(SmfFile file, Song song, UnaryOperator<Note> mover) {
    List<Note> notes = inFileOrder(song);
    List<SmfTrack> tracks = new ArrayList<>();
    int moved = 0;
    int trimmed = 0;
    int next = 0;
    long start = 0;
    for (SmfTrack track : file.tracks()) {
      NotePairs pairs = NotePairs.of(track);
      int end = next + pairs.size();
      OneTrack one = new OneTrack(track, file.ppq(), pairs, start);
      start += file.format() == 2 ? track.endTick() : 0;
      for (int i = 0; i < pairs.size(); i++) {
        Note was = notes.get(next + i);
        one.move(i, was, mover.apply(was));
      }
      tracks.add(one.patched());
      moved += one.moved;
      trimmed += one.trimmed;
      next = end;
    }
    SmfFile result = moved == 0 ? file : file.withTracks(tracks);
    return new SmfPatch(result, moved, trimmed);
  }

  /** What has to be said of it, a line each. */
  public List<String> remarks() {
    return trimmed == 0 ? List.of() : List.of(Overlaps.told(trimmed));
  }

  /** A tick of a song in the ticks of a file of some resolution, to the nearest. */
  public static long toFile(long tick, int ppq) {
    return (2 * tick * ppq + Ticks.PPQ) / (2L * Ticks.PPQ);
  }

  /** A tick of a file of some resolution in the ticks of a song, to the nearest. */
  static long toSong(long tick, int ppq) {
    return (2 * tick * Ticks.PPQ + ppq) / (2L * ppq);
  }

  /** Names were given out in the order of the file's note-ons, so they tell it. */
  private static List<Note> inFileOrder(Song song) {
    return song.tracks().stream()
        .flatMap(t -> t.notes().stream())
        .sorted(Comparator.comparingLong(n -> n.id().value()))
        .toList();
  }

  private static final class OneTrack {
    private final SmfTrack track;
    private final int ppq;
    private final NotePairs pairs;
    private final Overlaps.Span[] spans;
    private final boolean[] moves;

    /** Where in the song, in the file's ticks, it begins: patterns come one after another. */
    private final long start;

    private int moved;
    private int trimmed;

    OneTrack(SmfTrack track, int ppq, NotePairs pairs, long start) {
      this.start = start;
      this.track = track;
      this.ppq = ppq;
      this.pairs = pairs;
      this.spans = new Overlaps.Span[pairs.size()];
      this.moves = new boolean[pairs.size()];
    }

    private long on(int i) {
      return track.events().get(pairs.on(i)).tick();
    }

    private long off(int i) {
      int off = pairs.off(i);
      return off < 0 ? track.endTick() : track.events().get(off).tick();
    }

    void move(int i, Note was, Note is) {
      long on = was.onset() == is.onset() ? on(i) : inTrack(is.onset());
      long off;
      if (was.length() == is.length()) {
        off = on + off(i) - on(i);
      } else if (was.end() == is.end()) {
        off = Math.max(on + 1, off(i));
      } else {
        off = Math.max(on + 1, inTrack(is.end()));
      }
      spans[i] = new Overlaps.Span(on, off);
      moves[i] = on != on(i) || off != off(i);
      moved += moves[i] ? 1 : 0;
    }

    private long inTrack(long songTick) {
      return Math.max(0, toFile(songTick, ppq) - start);
    }

    SmfTrack patched() {
      if (moved == 0) {
        return track;
      }
      trimWhereMoved();
      return new Merged().track();
    }

    /** Only where a note of the pitch moved: what the file had before is its own affair. */
    private void trimWhereMoved() {
      Map<Integer, List<Overlaps.Span>> ofPitch = new HashMap<>();
      Map<Integer, Boolean> touched = new HashMap<>();
      for (int i = 0; i < spans.length; i++) {
        SmfEvent event = track.events().get(pairs.on(i));
        int key = event.channel() << 7 | event.data1();
        ofPitch.computeIfAbsent(key, k -> new ArrayList<>()).add(spans[i]);
        touched.merge(key, moves[i], Boolean::logicalOr);
      }
      ofPitch.forEach((key, all) -> trimmed += touched.get(key) ? Overlaps.trim(all) : 0);
      for (int i = 0; i < spans.length; i++) {
        moves[i] = spans[i].on() != on(i) || spans[i].off() != off(i);
      }
    }

    /**
     * What stays, in its order, with what moved merged into it: at one tick, ends first, starts
     * last.
     */
    private final class Merged {
      private final List<SmfEvent> ends = new ArrayList<>();
      private final List<SmfEvent> starts = new ArrayList<>();

      SmfTrack track() {
        List<SmfEvent> events = track.events();
        boolean[] gone = new boolean[events.size()];
        for (int i = 0; i < spans.length; i++) {
          if (moves[i]) {
            take(events, i, spans[i]);
            gone[pairs.on(i)] = true;
            if (pairs.off(i) >= 0) {
              gone[pairs.off(i)] = true;
            }
          }
        }
        ends.sort(Comparator.comparingLong(SmfEvent::tick));
        starts.sort(Comparator.comparingLong(SmfEvent::tick));
        return merged(events, gone);
      }

      private void take(List<SmfEvent> events, int note, Overlaps.Span span) {
        SmfEvent on = events.get(pairs.on(note));
        SmfEvent off =
            pairs.off(note) >= 0
                ? events.get(pairs.off(note))
                : SmfEvent.channel(0, 0x80 | on.channel(), on.data1(), Note.RELEASE);
        starts.add(on.at(span.on()));
        // A note of no length ends after it has begun.
        (span.off() == span.on() ? starts : ends).add(off.at(span.off()));
      }

      private SmfTrack merged(List<SmfEvent> events, boolean[] gone) {
        List<SmfEvent> result = new ArrayList<>(events.size());
        int end = 0;
        int start = 0;
        for (int i = 0; i < events.size(); i++) {
          if (gone[i]) {
            continue;
          }
          long tick = events.get(i).tick();
          while (start < starts.size() && starts.get(start).tick() < tick) {
            end = addEnds(result, end, starts.get(start).tick());
            result.add(starts.get(start++));
          }
          end = addEnds(result, end, tick);
          result.add(events.get(i));
        }
        while (start < starts.size()) {
          end = addEnds(result, end, starts.get(start).tick());
          result.add(starts.get(start++));
        }
        addEnds(result, end, Long.MAX_VALUE);
        return new SmfTrack(result, Math.max(track.endTick(), result.getLast().tick()));
      }

      private int addEnds(List<SmfEvent> result, int from, long upTo) {
        int end = from;
        while (end < ends.size() && ends.get(end).tick() <= upTo) {
          result.add(ends.get(end++));
        }
        return end;
      }
    }
  }
}
