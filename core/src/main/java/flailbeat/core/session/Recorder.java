package flailbeat.core.session;

import flailbeat.core.capture.Pass;
import flailbeat.core.capture.Recording;
import flailbeat.core.capture.RecordingMode;
import flailbeat.core.capture.Rolling;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.TakeEdits;
import flailbeat.core.event.Performed;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import flailbeat.core.time.TickRange;
import flailbeat.core.transport.Transport;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Writes down what is played: onto tracks while recording, and in passing at all times. */
final class Recorder {
  /**
   * What is being recorded.
   *
   * @param round the loop, where one is gone round
   * @param committed what each pass made of the song, the latest first
   */
  private record Running(
      Recording recording,
      List<TrackId> onto,
      RecordSettings settings,
      Optional<TickRange> round,
      long startTick,
      Deque<Committed> committed) {
    /** What the passes run over: to the end of the song, where no loop ends it. */
    TickRange range() {
      return round.orElse(new TickRange(startTick, Long.MAX_VALUE));
    }
  }

  private record Committed(int pass, int notes, Song song) {}

  private final Document document;
  private final TimingDesk timing;
  private final Changes changes;
  private final Rolling rolling = new Rolling();
  private Optional<Running> running = Optional.empty();

  Recorder(Document document, TimingDesk timing, Changes changes) {
    this.document = document;
    this.timing = timing;
    this.changes = changes;
  }

  /** The pass that runs. */
  Optional<Pass> pass() {
    return running.map(r -> r.recording().current());
  }

  /** The number of the pass that runs, from 1; 0 when none does. */
  int passNumber() {
    return running.map(r -> r.recording().number()).orElse(0);
  }

  /** What is taken off times: as the running recording began, else as it is set now. */
  long offsetNanos(RecordSettings now) {
    return running.map(Running::settings).orElse(now).offsetNanos();
  }

  void begin(
      Recording recording,
      long startTick,
      List<TrackId> onto,
      RecordSettings settings,
      Optional<TickRange> round) {
    running =
        Optional.of(new Running(recording, onto, settings, round, startTick, new ArrayDeque<>()));
  }

  /**
   * Takes in what was performed.
   *
   * @param run counts the transport's starts
   */
  void accept(Performed event, Transport transport, long run, long offsetNanos) {
    running.ifPresent(
        r -> {
          long unrolled = transport.unrolledAt(event.atNanos()) - offsetNanos;
          advance(unrolled);
          r.recording().accept(event, unrolled);
        });
    long shift = transport.songNanosAt(event.atNanos()) - event.atNanos() - offsetNanos;
    rolling.accept(event, transport.isRunning() ? run : 0, shift);
  }

  /** Makes an undo step of each pass that is over by an unrolled time; says which was the last. */
  Optional<Notice> advance(long unrolledNanos) {
    Optional<Notice> said = Optional.empty();
    if (running.isPresent()) {
      Running r = running.get();
      int number = r.recording().number();
      for (Pass over : r.recording().advance(unrolledNanos)) {
        commit(r, over, Optional.empty(), number, r.range().end());
        String notes = over.done().isEmpty() ? "nothing" : Notice.notes(over.done().size());
        said = Optional.of(new Notice("Pass " + number++ + ": " + notes, false));
      }
    }
    return said;
  }

  /** Ends the recording, if one runs, as an undo step for each pass; says what was recorded. */
  Optional<Notice> end(long unrolledNanos) {
    Optional<Running> ended = running;
    ended.ifPresent(r -> finish(r, unrolledNanos));
    running = Optional.empty();
    ended.ifPresent(r -> changes.fire(Aspect.PASS));
    return ended.map(this::said);
  }

  private void finish(Running r, long unrolledNanos) {
    advance(unrolledNanos);
    int number = r.recording().number();
    long stopped = document.song().tempos().tickAt(r.recording().songNanos(unrolledNanos));
    long end = Math.clamp(stopped, r.startTick(), r.range().end());
    if (r.round().isPresent()) {
      end = Math.clamp(stopped, r.range().start(), r.range().end());
    }
    Optional<Pass> early = r.recording().early();
    Pass last = r.recording().finish(unrolledNanos).getFirst();
    commit(r, last, early, number, end);
  }

  /**
   * Makes an undo step of a pass.
   *
   * @param early what was struck early for a pass that never came: it is laid over, whatever the
   *     mode, since it replaces nothing
   */
  private void commit(Running r, Pass pass, Optional<Pass> early, int number, long endTick) {
    List<NewNote> notes = pass.done();
    List<NewNote> over = early.map(Pass::done).orElse(List.of());
    int count = notes.size() + over.size();
    Song before = document.song();
    String label =
        r.round().isPresent()
            ? "Pass " + number + ": " + Notice.notes(count)
            : "Record " + Notice.notes(count);
    document.edit(label, s -> laidOver(with(s, r, pass, notes, endTick), r, over));
    if (document.song() != before) {
      r.committed().push(new Committed(number, count, document.song()));
      Stream.concat(notes.stream(), over.stream())
          .findFirst()
          .ifPresent(n -> document.chooseClipAt(n.onset()));
    }
  }

  /** The song with a pass written into it. */
  private Song with(Song song, Running r, Pass pass, List<NewNote> notes, long endTick) {
    Song result = song;
    TickRange range = new TickRange(Math.min(pass.startTick(), endTick), endTick);
    for (TrackId id : r.onto()) {
      long firstId = result.nextId();
      result = settled(writeOnto(result, id, r, pass, notes, range), r, id, firstId);
    }
    return result;
  }

  private Song laidOver(Song song, Running r, List<NewNote> notes) {
    Song result = song;
    TickRange from = new TickRange(r.range().start(), r.range().start());
    for (TrackId id : notes.isEmpty() ? List.<TrackId>of() : r.onto()) {
      long firstId = result.nextId();
      result = settled(NoteEdits.add(result, id, notes, from), r, id, firstId);
    }
    return result;
  }

  /** What was just written, quantized where that is wished for, and within the loop. */
  private Song settled(Song song, Running r, TrackId id, long firstId) {
    Song result = r.settings().quantize() ? timing.quantized(song, id, firstId) : song;
    return r.round().map(round -> foldedBack(result, id, firstId, round)).orElse(result);
  }

  private static Song writeOnto(
      Song song, TrackId id, Running r, Pass pass, List<NewNote> notes, TickRange range) {
    List<NewControl> controls = pass.controls();
    return switch (r.settings().mode()) {
      case OVERDUB ->
          SongEdits.addControls(
              NoteEdits.add(song, id, notes, covered(range, notes)), id, controls);
      case REPLACE -> {
        Song cleared = cleared(song, id, r, notes, range);
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

  private static Song cleared(
      Song song, TrackId id, Running r, List<NewNote> notes, TickRange range) {
    long from = firstCleared(r, notes, range.start());
    if (from >= range.end()) {
      return song;
    }
    TickRange wiped = new TickRange(from, range.end());
    return SongEdits.clearControls(NoteEdits.clear(song, id, wiped), id, wiped);
  }

  private static long firstCleared(Running r, List<NewNote> notes, long startTick) {
    return r.settings().alwaysReplace()
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

  /** What is heard of a song while recording: not what is being replaced, nor other takes. */
  Song silenced(Song song) {
    return running.map(r -> silenced(song, r, notesSoFar(r))).orElse(song);
  }

  private static Song silenced(Song song, Running r, List<NewNote> soFar) {
    long from =
        switch (r.settings().mode()) {
          case OVERDUB -> Long.MAX_VALUE;
          case REPLACE -> firstCleared(r, soFar, r.range().start());
          case TAKES -> r.range().start();
        };
    if (from >= r.range().end()) {
      return song;
    }
    Song result = song;
    for (TrackId id : r.onto()) {
      result = NoteEdits.clear(result, id, new TickRange(from, r.range().end()));
    }
    return result;
  }

  private List<NewNote> notesSoFar(Running r) {
    return r.recording().current().notesUpTo(document.song().tempos().nanosAt(r.range().start()));
  }

  /** What will be heard once the loop begins anew; empty when none is recorded in. */
  Optional<Song> heardNextRound() {
    return running
        .filter(r -> r.round().isPresent())
        .map(
            r -> {
              Pass pass = r.recording().current();
              long end = r.range().end();
              List<NewNote> notes = pass.notesUpTo(document.song().tempos().nanosAt(end));
              return silenced(with(document.song(), r, pass, notes, end), r, List.of());
            });
  }

  /** Takes back the pass that runs or, where nothing was played in it, the one before. */
  Notice dropLast() {
    if (running.isEmpty()) {
      return new Notice("Nothing is being recorded, so there is no pass to drop", false);
    }
    Running r = running.get();
    Pass current = r.recording().current();
    if (current.hasNotes()) {
      int notes = current.done().size() + current.held().size();
      r.recording().dropCurrent();
      changes.fire(Aspect.PASS);
      return dropped(r.recording().number(), notes);
    }
    Committed last = r.committed().peek();
    if (last == null) {
      return new Notice("No pass is left to drop", false);
    }
    if (last.song() != document.song()) {
      return new Notice("Something else was done since pass " + last.pass(), true);
    }
    r.committed().pop();
    document.undo();
    return dropped(last.pass(), last.notes());
  }

  private static Notice dropped(int pass, int notes) {
    return new Notice("Dropped pass " + pass + ": " + Notice.notes(notes), false);
  }

  private Notice said(Running r) {
    int leftOut = r.recording().leftOut();
    String alsoLeftOut =
        leftOut == 0 ? "" : "; left out " + Notice.notes(leftOut) + " from the count-in";
    if (r.committed().isEmpty()) {
      return new Notice("Nothing was played, so nothing was recorded" + alsoLeftOut, false);
    }
    int notes = r.committed().stream().mapToInt(Committed::notes).sum();
    int passes = r.committed().size();
    String in = passes == 1 ? "" : " in " + passes + " passes";
    String names =
        r.onto().stream()
            .flatMap(id -> document.song().track(id).stream())
            .map(Track::name)
            .collect(Collectors.joining(" and "));
    String take =
        r.settings().mode() == RecordingMode.TAKES
            ? document.clip().map(c -> ", take " + c.takes().heard()).orElse("")
            : "";
    return new Notice(
        "Recorded " + Notice.notes(notes) + in + " onto " + names + take + alsoLeftOut, false);
  }

  /** Makes a clip of the last phrase played, recording or not, on the chosen track. */
  Notice keepPhrase(long placeTick, long nowNanos) {
    Song song = document.song();
    Rolling.Phrase phrase = rolling.lastPhrase(song.tempos(), placeTick, nowNanos);
    List<NewNote> notes = phrase.notes();
    if (notes.isEmpty()) {
      return new Notice(
          "Nothing was played in the last ten minutes, so there is nothing to keep", false);
    }
    Track track = document.track();
    long first = notes.stream().mapToLong(NewNote::onset).min().orElseThrow();
    long last = notes.stream().mapToLong(n -> n.played().release()).max().orElseThrow();
    TickRange range = new TickRange(first, Math.max(first, last));
    document.edit(
        "Keep " + Notice.notes(notes.size()), s -> NoteEdits.add(s, track.id(), notes, range));
    document.chooseClipAt(first);
    String where = phrase.inTime() ? "where they were played, from " : "at the song's tempo, from ";
    return new Notice(
        "Kept "
            + Notice.notes(notes.size())
            + " onto "
            + track.name()
            + ", "
            + where
            + song.meters().positionAt(first),
        false);
  }
}
