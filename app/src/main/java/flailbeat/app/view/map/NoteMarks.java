package flailbeat.app.view.map;

import flailbeat.core.model.Content;
import flailbeat.core.model.Note;
import java.util.IdentityHashMap;
import java.util.Map;

/**
 * The notes of a clip's content as numbers side by side: a map of two hundred thousand is drawn
 * with each turn of the wheel. Clips that share their content share this too.
 */
final class NoteMarks {
  final long[] onset;
  final long[] length;
  final int[] pitch;
  final int low;
  final int high;

  private NoteMarks(Content content) {
    int size = content.notes().size();
    onset = new long[size];
    length = new long[size];
    pitch = new int[size];
    int least = 127;
    int most = 0;
    int i = 0;
    for (Note note : content.notes()) {
      onset[i] = note.onset();
      length[i] = note.length();
      pitch[i] = note.pitch();
      least = Math.min(least, note.pitch());
      most = Math.max(most, note.pitch());
      i++;
    }
    low = least;
    high = most;
  }

  /** Those that were drawn last: what is drawn no more is forgotten with the next drawing. */
  static final class Kept {
    private Map<Content, NoteMarks> last = new IdentityHashMap<>();
    private Map<Content, NoteMarks> now = new IdentityHashMap<>();

    /** A drawing begins. */
    void begin() {
      last = now;
      now = new IdentityHashMap<>();
    }

    NoteMarks of(Content content) {
      NoteMarks marks = now.get(content);
      if (marks == null) {
        marks = last.get(content);
        marks = marks == null ? new NoteMarks(content) : marks;
        now.put(content, marks);
      }
      return marks;
    }
  }
}
