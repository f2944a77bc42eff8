package flailbeat.core.session.run;

import flailbeat.core.capture.Pass;
import flailbeat.core.capture.RecordingMode;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.TakeEdits;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;

/** Writes what was played in a pass into a song, as the mode of recording says. */
final class PassWriter {
  private final NoteTiming timing;
  private final List<TrackId> onto;
  private final RecordSettings settings;
  private final Optional<TickRange> round;
  private final long startTick;

  PassWriter(
      NoteTiming timing,
      List<TrackId> onto,
      RecordSettings settings,
      Optional<TickRange> round,
      long startTick) {
    this.timing = timing;
    this.onto = onto;
    this.settings = settings;
    this.round = round;
    this.startTick = startTick;
  }

  /** What the passes run over: to the end of the song, where no loop ends it. */
  TickRange range() {
    return round.orElse(new TickRange(startTick, Long.MAX_VALUE));
  }

  /** The song with a pass written into it. */
  Song with(Song song, Pass pass, List<NewNote> notes, long endTick) {
    Song result = song;
    TickRange range = new TickRange(Math.min(pass.startTick(), endTick), endTick);
    for (TrackId id : onto) {
      result = writtenOnto(result, id, pass, notes, range);
    }
    return result;
  }

  Song laidOver(Song song, List<NewNote> notes) {
    Song result = song;
    TickRange from = new TickRange(range().start(), range().start());
    for (TrackId id : notes.isEmpty() ? List.<TrackId>of() : onto) {
      Set<NoteId> fresh = NoteEdits.nextIds(result, notes.size());
      result = settled(NoteEdits.add(result, id, notes, from), id, fresh);
    }
    return result;
  }

  /** What was just written, quantized where that is wished for, and within the loop. */
  private Song settled(Song song, TrackId id, Set<NoteId> fresh) {
    Song result = settings.quantize() ? timing.quantized(song, id, fresh) : song;
    return round.map(r -> foldedBack(result, fresh, r)).orElse(result);
  }

  /** A pass in which nothing was struck replaces nothing, and is no take: it is laid over. */
  private Song writtenOnto(Song song, TrackId id, Pass pass, List<NewNote> notes, TickRange range) {
    List<NewControl> controls = pass.controls();
    boolean isTake = settings.mode() == RecordingMode.TAKES && pass.hasNotes();
    Song free = settings.mode() == RecordingMode.REPLACE ? cleared(song, id, pass, range) : song;
    Set<NoteId> fresh = NoteEdits.nextIds(free, notes.size());
    Song written =
        isTake
            ? TakeEdits.record(free, id, notes, controls, song.meters().wholeBars(range))
            : NoteEdits.record(free, id, notes, controls, covered(range, notes));
    return settled(written, id, fresh);
  }

  /** A clip need not reach from the last note to where recording was stopped. */
  private static TickRange covered(TickRange range, List<NewNote> notes) {
    long last = notes.stream().mapToLong(n -> n.played().release()).max().orElse(range.start());
    return new TickRange(range.start(), Math.clamp(last, range.start(), range.end()));
  }

  private Song cleared(Song song, TrackId id, Pass pass, TickRange range) {
    long from = firstCleared(pass.firstStruck(), range.start());
    if (from >= range.end()) {
      return song;
    }
    TickRange wiped = new TickRange(from, range.end());
    List<NewControl> come = pass.controls().stream().filter(c -> wiped.contains(c.tick())).toList();
    return SongEdits.replaceControls(NoteEdits.clear(song, id, wiped), id, wiped, come);
  }

  private long firstCleared(OptionalLong firstStruck, long startTick) {
    return settings.alwaysReplace() ? startTick : firstStruck.orElse(Long.MAX_VALUE);
  }

  /** A note that was quantized to the loop's end stands at its start, where it will be heard. */
  private static Song foldedBack(Song song, Set<NoteId> fresh, TickRange round) {
    return NoteEdits.change(
        song,
        fresh,
        n -> n.onset() < round.end() ? n : n.standingAt(n.onset() - round.length(), n.length()));
  }

  /**
   * What is heard of a song: not what is being replaced, nor other takes.
   *
   * @param firstStruck where the first note of the pass that runs stands
   */
  Song silenced(Song song, OptionalLong firstStruck) {
    long from =
        switch (settings.mode()) {
          case OVERDUB -> Long.MAX_VALUE;
          case REPLACE -> firstCleared(firstStruck, range().start());
          case TAKES -> range().start();
        };
    if (from >= range().end()) {
      return song;
    }
    Song result = song;
    for (TrackId id : onto) {
      result = NoteEdits.clear(result, id, new TickRange(from, range().end()));
    }
    return result;
  }
}
