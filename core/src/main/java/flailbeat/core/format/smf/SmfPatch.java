package flailbeat.core.format.smf;

import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * Puts the notes of a song back into the MIDI file that it was made of, and touches nothing else: a
 * note that stands where it stood keeps its very events, and every other event its place, even at a
 * resolution finer than 960.
 */
public final class SmfPatch {
  private SmfPatch() {}

  /**
   * The file with some notes at other times.
   *
   * @param file what {@code song} was imported from
   * @param song the song as imported
   * @param mover gives each note as it shall stand: the note itself where it stays
   */
  public static SmfFile apply(SmfFile file, Song song, UnaryOperator<Note> mover) {
    List<Note> notes = inFileOrder(song);
    List<SmfTrack> tracks = new ArrayList<>();
    int next = 0;
    for (SmfTrack track : file.tracks()) {
      List<NotePairs.Pair> pairs = NotePairs.of(track).pairs();
      int end = next + pairs.size();
      tracks.add(track(track, file.ppq(), pairs, notes.subList(next, end), mover));
      next = end;
    }
    return new SmfFile(file.format(), file.ppq(), tracks);
  }

  /** Names were given out in the order of the file's note-ons, so they tell it. */
  private static List<Note> inFileOrder(Song song) {
    return song.tracks().stream()
        .flatMap(t -> t.clips().stream())
        .flatMap(c -> c.notes().stream())
        .sorted(Comparator.comparingLong(n -> n.id().value()))
        .toList();
  }

  private static SmfTrack track(
      SmfTrack track,
      int ppq,
      List<NotePairs.Pair> pairs,
      List<Note> notes,
      UnaryOperator<Note> mover) {
    List<SmfEvent> events = new ArrayList<>(track.events());
    boolean changed = false;
    for (int i = 0; i < pairs.size(); i++) {
      Note was = notes.get(i);
      Note is = mover.apply(was);
      if (was.onset() != is.onset() || was.end() != is.end()) {
        changed = true;
        NotePairs.Pair pair = pairs.get(i);
        long onset = toFile(is.onset(), ppq);
        events.set(pair.on(), events.get(pair.on()).at(onset));
        long end = Math.max(onset + 1, toFile(is.end(), ppq));
        if (pair.off() >= 0) {
          events.set(pair.off(), events.get(pair.off()).at(end));
        } else {
          SmfEvent on = events.get(pair.on());
          events.add(SmfEvent.channel(end, 0x80 | on.channel(), on.data1(), 64));
        }
      }
    }
    if (!changed) {
      return track;
    }
    // Ends first where events meet, so that a note never cuts off the next of its pitch.
    events.sort(
        Comparator.comparingLong(SmfEvent::tick)
            .thenComparingInt(e -> e.isNoteOff() ? 0 : e.isNoteOn() ? 2 : 1));
    return new SmfTrack(events, Math.max(track.endTick(), events.get(events.size() - 1).tick()));
  }

  private static long toFile(long tick, int ppq) {
    return (2 * tick * ppq + Ticks.PPQ) / (2L * Ticks.PPQ);
  }
}
