package flailbeat.core.session.first;

import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.session.Session;
import flailbeat.core.session.run.NoteVersion;
import java.util.ArrayList;
import java.util.List;

/** What was done since a task was given. */
final class Seen {
  private static final int OCTAVE = 12;

  private final Session session;
  private final Song before;
  private final int lowest;
  private final List<Integer> pitches = new ArrayList<>();
  private boolean played;
  private boolean recorded;
  private boolean heardAsPlayed;

  Seen(Session session) {
    this.session = session;
    before = session.song();
    lowest = session.performer().hands().lowest();
  }

  void heard(int pitch) {
    pitches.add(pitch);
  }

  /** Looks at what goes on. */
  void look() {
    boolean runs = session.runControl().transport().isRunning();
    boolean records = session.runControl().transport().isRecording();
    played |= runs && !records;
    recorded |= records;
    heardAsPlayed |= session.timing().version() == NoteVersion.PLAYED;
  }

  Session session() {
    return session;
  }

  /** Whether the song went on its way, with nothing recorded. */
  boolean wasPlayed() {
    return played;
  }

  /** Whether something was recorded, and is no longer. */
  boolean hasRecorded() {
    return recorded && !session.runControl().transport().isRunning();
  }

  boolean wasHeardAsPlayed() {
    return heardAsPlayed;
  }

  boolean hasLeftTheOctave() {
    return session.performer().hands().lowest() != lowest;
  }

  /** How many notes were heard. */
  int heard() {
    return pitches.size();
  }

  /** How many of these notes, in whatever octave, were played last and in order: the beginning. */
  int inOrder(int... wanted) {
    for (int count = Math.min(wanted.length, pitches.size()); count > 0; count--) {
      boolean same = true;
      for (int i = 0; i < count; i++) {
        int pitch = pitches.get(pitches.size() - count + i);
        same &= Math.floorMod(pitch - wanted[i], OCTAVE) == 0;
      }
      if (same) {
        return count;
      }
    }
    return 0;
  }

  /** Whether all of these notes sound, in whatever octave. */
  boolean sound(int... wanted) {
    List<Integer> sounding =
        session.performer().hands().soundingPitches().stream()
            .map(p -> Math.floorMod(p, OCTAVE))
            .toList();
    boolean all = true;
    for (int pitch : wanted) {
      all &= sounding.contains(Math.floorMod(pitch, OCTAVE));
    }
    return all;
  }

  /** The notes of the chosen track, in order. */
  List<Note> notes() {
    return session.document().track().notes();
  }

  /** The song as it was when the task was given. */
  Song before() {
    return before;
  }

  boolean isAsBefore() {
    return session.song() == before;
  }
}
