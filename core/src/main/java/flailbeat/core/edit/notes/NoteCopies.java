package flailbeat.core.edit.notes;

import flailbeat.core.edit.Edit;
import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.edit.Leeway;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteIds;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

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
    Leeway room = Leeway.of(NoteEdits.find(song, ids));
    Song result = song;
    for (Track track : song.tracks()) {
      List<Note> originals = NoteEdits.find(track, ids);
      if (!originals.isEmpty()) {
        List<Long> from = originals.stream().map(Note::onset).toList();
        result = EnteredNotes.copy(result, track.id(), copies(originals, room), from);
      }
    }
    return result;
  }

  private List<Note> copies(List<Note> originals, Leeway room) {
    List<Note> result = new ArrayList<>();
    for (int time = 1; time <= times; time++) {
      long later = ticks * time;
      int higher = semitones * time;
      if (room.ticks(later) != later || room.semitones(higher) != higher) {
        break;
      }
      originals.forEach(n -> result.add(n.moved(later, higher)));
    }
    return result;
  }

  /**
   * The ids of notes that came into a song. The rounds of a loop that was written out have new ids
   * as well, and did not come: they stand where they sounded before.
   */
  public static Set<NoteId> added(Song before, Song after) {
    List<NoteId> result = new ArrayList<>();
    for (Track track : after.tracks()) {
      Set<Place> sounded =
          before.track(track.id()).stream()
              .flatMap(t -> t.placed().repeats().stream())
              .map(Place::of)
              .collect(Collectors.toSet());
      track.notes().stream()
          .filter(n -> n.idNumber() >= before.nextId() && !sounded.contains(Place.of(n)))
          .forEach(n -> result.add(n.id()));
    }
    return NoteIds.of(result);
  }

  private record Place(long onset, int pitch) {
    static Place of(Note note) {
      return new Place(note.onset(), note.pitch());
    }
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
