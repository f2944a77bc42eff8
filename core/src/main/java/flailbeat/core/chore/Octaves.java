package flailbeat.core.chore;

import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.model.Note;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.work.InOrder;
import java.util.List;
import java.util.Map;

/**
 * Lays octaves beside notes of a track, but where there would be none on the piano's 128 notes, or
 * where a note of that pitch sounds already.
 */
final class Octaves {
  private final Area.Part part;
  private final Map<Integer, List<Note>> byPitch;
  private final long[][] latestEnds = new long[Pitch.HIGHEST + 1][];
  private final Draft draft;

  Octaves(Area.Part part, Draft draft) {
    this.part = part;
    this.draft = draft;
    boolean all = part.notes().size() == part.track().noteCount();
    byPitch = NoteTools.byPitch(all ? part.notes() : part.track().notes());
    byPitch.forEach((pitch, notes) -> latestEnds[pitch] = latestEnds(notes));
  }

  /** Of notes in order, for each the latest end of it and of all before it. */
  private static long[] latestEnds(List<Note> notes) {
    long[] result = new long[notes.size()];
    long latest = 0;
    for (int i = 0; i < result.length; i++) {
      latest = Math.max(latest, notes.get(i).end());
      result[i] = latest;
    }
    return result;
  }

  /** Adds the note that lies so many semitones away. */
  void add(Note note, int semitones) {
    int pitch = note.pitch() + semitones;
    if (Pitch.isValid(pitch) && isFree(pitch, note)) {
      draft.add(part.track(), note.moved(0, semitones));
    }
  }

  private boolean isFree(int pitch, Note like) {
    int begun = firstFrom(byPitch.getOrDefault(pitch, List.of()), like.end());
    return begun == 0 || latestEnds[pitch][begun - 1] <= like.onset();
  }

  private static int firstFrom(List<Note> notes, long tick) {
    return InOrder.countPassing(notes.size(), i -> notes.get(i).onset() < tick);
  }
}
