package flailbeat.core.edit;

import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Copies of notes laid down elsewhere: once, or again and again.
 *
 * @param ticks how far apart in time one copy is from the one before
 * @param semitones how much higher one copy is than the one before
 * @param times how often, 0 or more; as many as there is room for are laid down
 */
public record NoteCopies(Set<NoteId> ids, long ticks, int semitones, int times) implements Edit {
  public NoteCopies {
    ids = NoteIds.of(ids);
    if (times < 0) {
      throw new IllegalArgumentException("Notes cannot be copied " + times + " times");
    }
  }

  /** Copies right behind the notes and one another, whole beats apart. */
  public static NoteCopies behind(Song song, Set<NoteId> ids, int times) {
    return new NoteCopies(ids, span(song, ids), 0, times);
  }

  /** How many ticks some notes take, in whole beats; 0 for none. */
  public static long span(Song song, Set<NoteId> ids) {
    TickRange range = NoteTools.range(NoteEdits.find(song, ids));
    long beat = song.meters().meterAt(range.start()).ticksPerBeat();
    return Math.ceilDiv(range.length(), beat) * beat;
  }

  @Override
  public Song apply(Song song) {
    Ids given = new Ids(song.nextId());
    Song result = song;
    for (Track track : song.tracks()) {
      List<Note> originals = NoteEdits.find(track, ids);
      if (!originals.isEmpty()) {
        List<Note> copies = copies(originals, Room.of(NoteEdits.find(song, ids)), given);
        result =
            result.withTrack(
                track.id(), t -> new Placing(t, song.meters(), given).enter(copies).track());
      }
    }
    return given.toldTo(result);
  }

  private List<Note> copies(List<Note> originals, Room room, Ids given) {
    List<Note> result = new ArrayList<>();
    for (int time = 1; time <= times; time++) {
      long later = ticks * time;
      int higher = semitones * time;
      if (room.ticks(later) != later || room.semitones(higher) != higher) {
        break;
      }
      originals.forEach(n -> result.add(n.moved(later, higher).withId(given.note())));
    }
    return result;
  }

  /** The ids of what it lays down, in a song from which it is done. */
  public static Set<NoteId> added(Song before, Song after) {
    List<NoteId> result = new ArrayList<>();
    for (Track track : after.tracks()) {
      track.clips().stream()
          .flatMap(c -> c.content().notes().stream())
          .filter(n -> n.idNumber() >= before.nextId())
          .forEach(n -> result.add(n.id()));
    }
    return NoteIds.of(result);
  }

  @Override
  public boolean isNothing() {
    return ids.isEmpty() || times == 0 || ticks == 0 && semitones == 0;
  }

  @Override
  public String label() {
    String notes = ids.size() == 1 ? "note" : ids.size() + " notes";
    return times == 1 ? "Copy " + notes : "Copy " + notes + ", " + times + " times";
  }
}
