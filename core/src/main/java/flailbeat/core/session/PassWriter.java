package flailbeat.core.session;

import flailbeat.core.capture.Pass;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.TakeEdits;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Song;
import flailbeat.core.model.TrackId;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Writes what was played in a pass into a song, as the mode of recording says. */
final class PassWriter {
  private final TimingDesk timing;
  private final List<TrackId> onto;
  private final RecordSettings settings;
  private final Optional<TickRange> round;
  private final long startTick;

  PassWriter(
      TimingDesk timing,
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
      long firstId = result.nextId();
      result = settled(writeOnto(result, id, pass, notes, range), id, firstId);
    }
    return result;
  }

  Song laidOver(Song song, List<NewNote> notes) {
    Song result = song;
    TickRange from = new TickRange(range().start(), range().start());
    for (TrackId id : notes.isEmpty() ? List.<TrackId>of() : onto) {
      long firstId = result.nextId();
      result = settled(NoteEdits.add(result, id, notes, from), id, firstId);
    }
    return result;
  }

  /** What was just written, quantized where that is wished for, and within the loop. */
  private Song settled(Song song, TrackId id, long firstId) {
    Song result = settings.quantize() ? timing.quantized(song, id, firstId) : song;
    return round.map(r -> foldedBack(result, id, firstId, r)).orElse(result);
  }

  private Song writeOnto(Song song, TrackId id, Pass pass, List<NewNote> notes, TickRange range) {
    List<NewControl> controls = pass.controls();
    return switch (settings.mode()) {
      case OVERDUB ->
          SongEdits.addControls(
              NoteEdits.add(song, id, notes, covered(range, notes)), id, controls);
      case REPLACE -> {
        Song cleared = cleared(song, id, notes, range);
        Song added = NoteEdits.add(cleared, id, notes, covered(range, notes));
        yield SongEdits.addControls(added, id, controls);
      }
      case TAKES ->
          notes.isEmpty()
              ? SongEdits.addControls(song, id, controls)
              : TakeEdits.record(song, id, notes, controls, song.meters().wholeBars(range));
    };
  }

  /** A clip need not reach from the last note to where recording was stopped. */
  private static TickRange covered(TickRange range, List<NewNote> notes) {
    long last = notes.stream().mapToLong(n -> n.played().release()).max().orElse(range.start());
    return new TickRange(range.start(), Math.clamp(last, range.start(), range.end()));
  }

  private Song cleared(Song song, TrackId id, List<NewNote> notes, TickRange range) {
    long from = firstCleared(notes, range.start());
    if (from >= range.end()) {
      return song;
    }
    TickRange wiped = new TickRange(from, range.end());
    return SongEdits.clearControls(NoteEdits.clear(song, id, wiped), id, wiped);
  }

  private long firstCleared(List<NewNote> notes, long startTick) {
    return settings.alwaysReplace()
        ? startTick
        : notes.stream().mapToLong(NewNote::onset).min().orElse(Long.MAX_VALUE);
  }

  /** A note that was quantized to the loop's end stands at its start, where it will be heard. */
  private static Song foldedBack(Song song, TrackId id, long firstId, TickRange round) {
    Set<NoteId> beyond =
        song.track(id).stream()
            .flatMap(t -> t.notes().stream())
            .filter(n -> n.id().value() >= firstId && n.onset() >= round.end())
            .map(Note::id)
            .collect(Collectors.toSet());
    return NoteEdits.change(
        song, beyond, n -> n.standingAt(n.onset() - round.length(), n.length()));
  }

  /**
   * What is heard of a song: not what is being replaced, nor other takes.
   *
   * @param soFar what the pass that runs has gathered
   */
  Song silenced(Song song, List<NewNote> soFar) {
    long from =
        switch (settings.mode()) {
          case OVERDUB -> Long.MAX_VALUE;
          case REPLACE -> firstCleared(soFar, range().start());
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
