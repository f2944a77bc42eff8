package flailbeat.core.session.map;

import flailbeat.core.edit.clips.ClipMoves;
import flailbeat.core.edit.clips.Landing;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.session.bench.EditActions;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.run.RunControl;
import flailbeat.core.session.timing.QuantizePreview;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Brings the first note of a clip onto a bar line. */
final class FirstNote {
  private final Document document;
  private final EditActions editing;
  private final RunControl runControl;
  private final QuantizePreview timing;
  private final Notices notices;
  private Optional<Other> other = Optional.empty();

  FirstNote(
      Document document,
      EditActions editing,
      RunControl runControl,
      QuantizePreview timing,
      Notices notices) {
    this.document = document;
    this.editing = editing;
    this.runControl = runControl;
    this.timing = timing;
    this.notices = notices;
  }

  /** A bar line that the first note of a clip may have been meant for. */
  private record BarLine(int bar, long ticks) {}

  /** Which other line it may have been, told with the song in which it went to the likelier. */
  private record Other(Song song, ClipId clip, BarLine line) {}

  /**
   * Moves the clip so that its first note comes to stand on the bar line that it was meant for, by
   * the reading of the timing desk: how early or late it was played stays. Done again at once, it
   * goes to the bar line on the other side.
   */
  void toBar(Optional<Clip> only) {
    if (only.isEmpty() || only.get().noteCount() == 0) {
      notices.tell("Select one clip, whose first note shall come onto a bar line");
      return;
    }
    Clip clip = only.get();
    Optional<Other> again =
        other.filter(o -> o.song() == document.song() && o.clip().equals(clip.id()));
    if (again.isPresent()) {
      moveOntoBar(clip, again.get().line(), Optional.empty());
      return;
    }
    List<BarLine> lines = barLines(clip);
    if (lines.isEmpty()) {
      notices.tell("There is no other bar line that its first note could come onto");
      return;
    }
    moveOntoBar(
        clip, lines.getFirst(), lines.size() > 1 ? Optional.of(lines.get(1)) : Optional.empty());
  }

  /**
   * The bar lines before and after the first note, the likelier first, as far as it can go there.
   */
  private List<BarLine> barLines(Clip clip) {
    MeterMap meters = document.song().meters();
    long line = lineOf(clip.placed().notes());
    TickRange bar = meters.barRangeAt(line);
    ClipMoves.Room room = ClipMoves.room(document.song(), Set.of(clip.id()));
    int number = meters.barAt(bar.start()) + 1;
    BarLine after = new BarLine(number + 1, bar.end() - line);
    BarLine at = new BarLine(number, bar.start() - line);
    BarLine before = new BarLine(number - 1, meters.barStart(Math.max(0, number - 2)) - line);
    // One that stands on a bar line already was mostly begun a bar late.
    List<BarLine> lines =
        line == bar.start()
            ? List.of(before, after)
            : at.ticks() + after.ticks() >= 0 ? List.of(at, after) : List.of(after, at);
    return lines.stream()
        .filter(l -> l.ticks() != 0 && room.ticks(l.ticks()) == l.ticks())
        .toList();
  }

  /** The line that the first of some notes was meant for. */
  private long lineOf(List<Note> notes) {
    NoteId first = notes.getFirst().id();
    return timing.planOf(notes).notes().stream()
        .filter(p -> p.note().id().equals(first))
        .findFirst()
        .map(NotePlan::line)
        .orElse(notes.getFirst().onset());
  }

  private void moveOntoBar(Clip clip, BarLine line, Optional<BarLine> instead) {
    editing.edit(
        "First note onto bar " + line.bar(),
        s -> ClipMoves.move(s, Set.of(clip.id()), line.ticks(), 0, Landing.OVER));
    if (!runControl.transport().isRecording()) {
      other =
          instead.map(
              l ->
                  new Other(
                      document.song(), clip.id(), new BarLine(l.bar(), l.ticks() - line.ticks())));
      notices.tell(
          "First note on bar "
              + line.bar()
              + instead.map(l -> "; again, on bar " + l.bar() + " ({clip-on-bar})").orElse(""));
    }
  }
}
