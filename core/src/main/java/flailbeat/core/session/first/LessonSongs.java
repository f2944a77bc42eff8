package flailbeat.core.session.first;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.List;

/** Made-up songs to practise on; at 120 bpm, where a tick lasts some half a millisecond. */
final class LessonSongs {
  /** The note of {@link #wrongInScale} that is a semitone too low, counted from 0. */
  static final int WRONG = 5;

  private static final int VELOCITY = 84;
  private static final double TICKS_PER_MS = 1.92;

  private static final int[] SCALE = {60, 62, 64, 65, 67, 68, 71, 72};
  private static final int[] TUNE = {
    62, 65, 69, 67, 65, 64, 62, 60, 62, 65, 67, 64, 60, 64, 62, 57
  };
  private static final int[] LATE_MS = {
    38, 52, 41, 60, 47, 33, 55, 44, 50, 36, 58, 42, 49, 39, 53, 45
  };

  private LessonSongs() {}

  /** With nothing in it. */
  static Song empty(String title) {
    return Song.empty().withTitle(title);
  }

  /** A tune in eighths, every note of it some 46 ms late. */
  static Song late(String title) {
    List<Note> notes = new ArrayList<>();
    for (int i = 0; i < TUNE.length; i++) {
      long onset = i * Ticks.PPQ / 2 + Math.round(LATE_MS[i] * TICKS_PER_MS);
      Played played = new Played(onset, onset + Ticks.PPQ / 2 - 80);
      notes.add(Note.asPlayed(new NoteId(i + 1L), TUNE[i], VELOCITY, played));
    }
    return with(title, notes);
  }

  /** A scale upwards in quarters, one note of it wrong. */
  static Song wrongInScale(String title) {
    List<Note> notes = new ArrayList<>();
    for (int i = 0; i < SCALE.length; i++) {
      long onset = (long) i * Ticks.PPQ;
      notes.add(Note.placed(new NoteId(i + 1L), SCALE[i], VELOCITY, onset, Ticks.PPQ - 60L));
    }
    return with(title, notes);
  }

  private static Song with(String title, List<Note> notes) {
    Song empty = empty(title);
    Track first = empty.tracks().getFirst();
    ClipId clip = new ClipId(notes.size() + 1L);
    return empty
        .withTrack(
            first.id(),
            t -> t.withClips(List.of(Clip.around(clip, notes, List.of(), empty.meters()))))
        .withNextId(notes.size() + 2L);
  }
}
