package flailbeat.core.session.bench;

import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.session.timing.QuantizePreview;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.Ticks;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.Locale;

/** What a note is, in words: for who goes from one to the next, and for who hears them read out. */
final class NoteWords {
  private final Song song;
  private final GridLines lines;

  /**
   * Words for notes of a song.
   *
   * @param lines those that how late they were played is told from
   */
  NoteWords(Song song, GridLines lines) {
    this.song = song;
    this.lines = lines;
  }

  /** Such as {@code D5 at 2.1.000, 0.5 beats, velocity 80, played 34 ms late}. */
  String of(Note note) {
    String name = song.keys().name(note.pitch(), note.onset(), OctaveNames.MIDDLE_C4);
    return name
        + " at "
        + song.meters().positionAt(note.onset())
        + ", "
        + beats(note.length())
        + ", velocity "
        + note.velocity()
        + (note.played().isPerformed() ? ", played " + howLate(note) : "");
  }

  private static String beats(long ticks) {
    DecimalFormat plain = new DecimalFormat("0.##", DecimalFormatSymbols.getInstance(Locale.ROOT));
    String number = plain.format((double) ticks / Ticks.PPQ);
    return number + (number.equals("1") ? " beat" : " beats");
  }

  private String howLate(Note note) {
    long played = note.played().onset();
    long line = lines.nearest(Math.max(0, played));
    return QuantizePreview.inWords(song.tempos().millisBetween(line, played));
  }
}
