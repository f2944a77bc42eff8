package flailbeat.core.session.first;

import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.Timing;
import flailbeat.core.session.timing.QuantizePreview;
import flailbeat.core.time.Ticks;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * A short lesson on made-up material: tasks, each of which is done by doing it, as seen from what
 * was played or changed.
 */
public enum Lesson {
  LETTERS("Letters are notes", LessonSongs::empty) {
    @Override
    List<Task> tasks() {
      return List.of(
          Task.counted(
              "Play C, D, E, F one after another: the keys below show where they are",
              4,
              s -> s.inOrder(60, 62, 64, 65)),
          new Task(
              "{octave-up} moves your keys an octave up: do that, and play any C",
              s -> s.hasLeftTheOctave() && s.inOrder(60) == 1),
          new Task("Hold C, E and G together: a chord", s -> s.sound(60, 64, 67)));
    }
  },
  RECORD("Record on the click", LessonSongs::empty) {
    @Override
    List<Task> tasks() {
      return List.of(
          new Task(
              "{record}: it counts in; then play a note on each click, four or more; {record} again"
                  + " ends it",
              s -> s.hasRecorded() && s.notes().size() >= CLICKS,
              s -> s.hasRecorded() ? "Too few notes came: once more. " : ""),
          new Task("{play}: hear what you played", Seen::wasPlayed, Lesson::howLate));
    }
  },
  LATE("Put late notes right", LessonSongs::late) {
    @Override
    List<Task> tasks() {
      return List.of(
          new Task("{play}: hear a tune that was played late throughout", Seen::wasPlayed),
          new Task("{quantize}: all of it where it was meant", s -> moved(s) > 0),
          new Task("Hold {as-played}: so it was played", Seen::wasHeardAsPlayed),
          new Task("{undo}: and it is late again", s -> moved(s) > 0));
    }
  },
  WRONG_NOTE("Mend a wrong note", LessonSongs::wrongInScale) {
    @Override
    List<Task> tasks() {
      return List.of(
          new Task("{play}: a scale upwards, with one wrong note", Seen::wasPlayed),
          new Task(
              "{keys-commands} gives the letters to commands; then {note-next} goes from note to"
                  + " note: choose the wrong one, the sixth",
              s -> selected(s).equals(Set.of(LessonSongs.WRONG))),
          new Task(
              "{move-up}: a semitone up, and it is right",
              s -> pitches(s).equals(RIGHT_SCALE),
              s -> s.isAsBefore() ? "" : "Not that: {undo} takes it back. "));
    }
  },
  STEPS("Step a line in", LessonSongs::empty) {
    @Override
    List<Task> tasks() {
      return List.of(
          new Task(
              "{keys-steps}: letters are put into the song a step at a time",
              s -> s.session().performer().keysMode() == KeysMode.STEPS),
          Task.counted(
              "Press C, E, G, C: each comes where the line ends",
              4,
              s -> (int) IntStream.rangeClosed(1, 4).filter(n -> begins(s, n)).count()),
          new Task(
              "{keys-switch}: the letters are notes to be played again",
              s -> s.session().performer().keysMode() != KeysMode.STEPS));
    }
  },
  KEEP("Nothing you play is lost", LessonSongs::empty) {
    @Override
    List<Task> tasks() {
      return List.of(
          Task.counted("Do not record: just play four notes or more", 4, Seen::heard),
          new Task("{keep}: what you played is in the song", s -> !s.notes().isEmpty()),
          new Task("{play}: hear it", Seen::wasPlayed));
    }
  };

  private static final int CLICKS = 4;
  private static final int[] ARPEGGIO = {60, 64, 67, 72};
  private static final List<Integer> RIGHT_SCALE = List.of(60, 62, 64, 65, 67, 69, 71, 72);

  private final String title;
  private final Function<String, Song> song;

  Lesson(String title, Function<String, Song> song) {
    this.title = title;
    this.song = song;
  }

  /** What it is called. */
  public String title() {
    return title;
  }

  /** Whether letters are to be notes in it. */
  boolean isPlayed() {
    return this == LETTERS || this == RECORD || this == KEEP;
  }

  /** The song that it is had on. */
  Song song() {
    return song.apply(title);
  }

  /** What is to be done, in order. */
  abstract List<Task> tasks();

  /**
   * One thing to do.
   *
   * @param says what, with the commands that it names in braces
   * @param done whether it is done, by what was seen since it was given
   * @param besides what there is to be said beside it; empty for nothing
   */
  record Task(String says, Predicate<Seen> done, Function<Seen, String> besides) {
    Task(String says, Predicate<Seen> done) {
      this(says, done, s -> "");
    }

    /** So many of something. */
    static Task counted(String says, int of, Function<Seen, Integer> count) {
      return new Task(
          says,
          s -> count.apply(s) >= of,
          s -> count.apply(s) > 0 ? "(" + count.apply(s) + " of " + of + ") " : "");
    }
  }

  private static long moved(Seen seen) {
    List<Note> before = seen.before().tracks().getFirst().notes();
    List<Note> now = seen.notes();
    return before.size() != now.size()
        ? 0
        : IntStream.range(0, now.size())
            .filter(i -> now.get(i).onset() != before.get(i).onset())
            .count();
  }

  private static List<Integer> pitches(Seen seen) {
    return seen.notes().stream().map(Note::pitch).toList();
  }

  /** The numbers of the notes that are selected. */
  private static Set<Integer> selected(Seen seen) {
    List<Note> notes = seen.notes();
    Set<NoteId> chosen = seen.session().document().selection().notes();
    return IntStream.range(0, notes.size())
        .filter(i -> chosen.contains(notes.get(i).id()))
        .boxed()
        .collect(Collectors.toSet());
  }

  /** Whether so many notes of the line are there, in whatever octave. */
  private static boolean begins(Seen seen, int count) {
    List<Note> notes = seen.notes();
    return notes.size() >= count
        && IntStream.range(0, count)
            .allMatch(i -> Math.floorMod(notes.get(i).pitch() - ARPEGGIO[i], 12) == 0);
  }

  /** How far what was recorded lies from the clicks. */
  private static String howLate(Seen seen) {
    double[] ms =
        seen.notes().stream()
            .mapToDouble(n -> offBeatMs(seen.session().song(), n.played().onset()))
            .toArray();
    Timing timing = Timing.of(ms);
    return String.format(
        Locale.ROOT,
        "You were %s, give or take %.0f ms. ",
        QuantizePreview.inWords(timing.lagMs()),
        timing.spreadMs());
  }

  private static double offBeatMs(Song song, long tick) {
    long beat = Math.round((double) tick / Ticks.PPQ) * Ticks.PPQ;
    return song.tempos().millisBetween(beat, tick);
  }
}
