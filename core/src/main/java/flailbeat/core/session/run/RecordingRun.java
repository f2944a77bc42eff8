package flailbeat.core.session.run;

import flailbeat.core.capture.Pass;
import flailbeat.core.capture.Recording;
import flailbeat.core.capture.RecordingMode;
import flailbeat.core.capture.RecordingStart;
import flailbeat.core.edit.History;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.event.Performed;
import flailbeat.core.journal.JournalEntry;
import flailbeat.core.journal.JournalEntry.Did;
import flailbeat.core.journal.JournalState;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import flailbeat.core.time.TickRange;
import flailbeat.core.transport.Transport;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A recording runs: what is played is written down onto tracks, an undo step for each pass. */
final class RecordingRun extends Run {
  /** What everything else in a session does for a recording. */
  record Surroundings(
      Document document,
      NoteTiming timing,
      Runner runner,
      Transport transport,
      Changes changes,
      Notices notices) {}

  /** What a pass made of the song. */
  private record Committed(int pass, int notes, Song song) {}

  /** So often it is written down how far a recording has come. */
  private static final long TELL_NANOS = 250_000_000;

  private final Surroundings around;
  private final Document document;
  private final Runner runner;
  private final Recording recording;
  private final List<TrackId> onto;
  private final RecordSettings settings;
  private final Optional<TickRange> round;
  private final long startTick;
  private final PassWriter writer;
  private final Deque<Committed> committed = new ArrayDeque<>();
  private int passes;
  private int recordedNotes;
  private boolean nextRoundReady;
  private long toldNanos = Long.MIN_VALUE / 2;

  /** A recording that is about to start. */
  RecordingRun(Surroundings around, RecordingStart start) {
    this(around, start, start.recording());
    document.journal().put(new JournalEntry.RecordingBegan(start));
  }

  private RecordingRun(Surroundings around, RecordingStart start, Recording recording) {
    this.around = around;
    this.document = around.document();
    this.runner = around.runner();
    this.recording = recording;
    this.startTick = start.startTick();
    this.onto = start.onto();
    this.settings = RecordSettings.of(start.manner());
    this.round = start.round();
    this.writer = new PassWriter(around.timing(), onto, settings, round, startTick);
  }

  /**
   * Makes an undo step of what a recording had gathered that was never ended.
   *
   * @return how many notes that is
   */
  static int takeUp(Surroundings around, JournalState journal) {
    if (journal.recording().isEmpty()) {
      return 0;
    }
    Recording unfinished = journal.unfinished().orElseThrow();
    RecordingRun run = new RecordingRun(around, journal.recording().get(), unfinished);
    run.onto.stream().findFirst().ifPresent(around.document()::chooseTrack);
    run.finish(Math.max(journal.reachedNanos(), unfinished.beginNanos()));
    return run.recordedNotes;
  }

  /** The pass that runs. */
  Pass pass() {
    return recording.current();
  }

  /** The number of the pass that runs, from 1. */
  int passNumber() {
    return recording.number();
  }

  RecordSettings settings() {
    return settings;
  }

  @Override
  PlaybackPlan plan() {
    Song heard = runner.plans().swept(writer.silenced(document.song(), pass().firstStruck()));
    return runner.countedIn(heard, runner.settings().clickInRecord());
  }

  @Override
  void write(Performed event) {
    long unrolled = around.transport().unrolledAt(event.atNanos()) - settings.offsetNanos();
    boolean hadNotes = pass().hasNotes();
    advance(unrolled);
    recording.accept(event, unrolled);
    nextRoundReady = false;
    if (!hadNotes && pass().hasNotes()) {
      runner.replan();
    }
    around.changes().fire(Aspect.PASS);
  }

  @Override
  boolean tick(long unrolledNanos) {
    long reached = unrolledNanos - settings.offsetNanos();
    advance(reached);
    if (reached - toldNanos > TELL_NANOS) {
      toldNanos = reached;
      document.journal().put(new JournalEntry.RecordingAt(reached));
    }
    readyNextRound();
    return false;
  }

  /** Makes an undo step of each pass that is over by an unrolled time, and tells of it. */
  private void advance(long unrolledNanos) {
    int number = recording.number();
    Song song = document.song();
    List<Pass> over = recording.advance(unrolledNanos);
    for (Pass each : over) {
      commit(each, Optional.empty(), number, writer.range().end(), number);
      String notes = each.hasNotes() ? Notice.notes(each.struck()) : "nothing";
      around.notices().tell("Pass " + number++ + ": " + notes);
    }
    if (!over.isEmpty()) {
      if (document.song() == song) {
        runner.replan();
      }
      around.changes().fire(Aspect.PASS, Aspect.TRANSPORT);
    }
  }

  /** What was just recorded must sound from the very start of the next round. */
  private void readyNextRound() {
    if (!isNearNextRound()) {
      nextRoundReady = false;
    } else if (!nextRoundReady) {
      nextRoundReady = true;
      runner.publish();
    }
  }

  private boolean isNearNextRound() {
    return around
        .transport()
        .loop()
        .filter(l -> runner.isNear(l.endOf(passNumber() - 1) - runner.unrolledNow()))
        .isPresent();
  }

  @Override
  Optional<NextRound> nextRound() {
    return round.isPresent() && isNearNextRound()
        ? Optional.of(new NextRound(heardNextRound(), passNumber() - 1))
        : Optional.empty();
  }

  @Override
  Optional<Notice> end(long unrolledNanos) {
    finish(unrolledNanos - settings.offsetNanos());
    around.changes().fire(Aspect.PASS);
    return Optional.of(said());
  }

  private void finish(long unrolledNanos) {
    advance(unrolledNanos);
    int number = recording.number();
    long stopped = document.song().tempos().tickAt(recording.songNanos(unrolledNanos));
    long end = Math.clamp(stopped, startTick, writer.range().end());
    if (round.isPresent()) {
      end = Math.clamp(stopped, writer.range().start(), writer.range().end());
    }
    Optional<Pass> early = recording.early();
    Pass last = recording.finish(unrolledNanos).getFirst();
    commit(last, early, number, end, Did.ALL);
  }

  /**
   * Makes an undo step of a pass.
   *
   * @param early what was struck early for a pass that never came: it is laid over, whatever the
   *     mode, since it replaces nothing
   * @param passesOver how many are over with it
   */
  private void commit(Pass pass, Optional<Pass> early, int number, long endTick, int passesOver) {
    List<NewNote> notes = pass.done();
    List<NewNote> over = early.map(Pass::done).orElse(List.of());
    int count = pass.struck() + over.size();
    Song before = document.song();
    String label =
        round.isPresent()
            ? "Pass " + number + ": " + Notice.notes(count)
            : "Record " + Notice.notes(count);
    onto.forEach(around.timing()::recorded);
    document
        .journal()
        .passesOver(
            passesOver,
            () ->
                document.edit(
                    label, s -> writer.laidOver(writer.with(s, pass, notes, endTick), over)));
    if (document.song() != before) {
      onto.forEach(around.timing()::passKept);
      committed.push(new Committed(number, count, document.song()));
      // What the history has forgotten cannot be dropped, and must not be held here either.
      while (committed.size() > History.LIMIT) {
        committed.removeLast();
      }
      passes++;
      recordedNotes += count;
      Stream.concat(notes.stream(), over.stream())
          .findFirst()
          .ifPresent(n -> document.chooseClipAt(n.onset()));
    }
  }

  private Song heardNextRound() {
    long end = writer.range().end();
    List<NewNote> notes = pass().notesUpTo(document.song().tempos().nanosAt(end));
    return writer.silenced(writer.with(document.song(), pass(), notes, end), OptionalLong.empty());
  }

  /** Takes back the pass that runs or, where nothing was played in it, the one before. */
  Notice dropLast() {
    if (pass().hasNotes()) {
      int notes = pass().struck();
      recording.dropCurrent();
      document.journal().put(new JournalEntry.PassDropped());
      around.changes().fire(Aspect.PASS);
      return dropped(recording.number(), notes);
    }
    Committed last = committed.peek();
    if (last == null) {
      return new Notice("No pass is left to drop", false);
    }
    if (last.song() != document.song()) {
      return new Notice("Something else was done since pass " + last.pass(), true);
    }
    committed.pop();
    passes--;
    recordedNotes -= last.notes();
    document.undo();
    return dropped(last.pass(), last.notes());
  }

  private static Notice dropped(int pass, int notes) {
    return new Notice("Dropped pass " + pass + ": " + Notice.notes(notes), false);
  }

  private Notice said() {
    int leftOut = recording.leftOut();
    String alsoLeftOut =
        leftOut == 0 ? "" : "; left out " + Notice.notes(leftOut) + " from the count-in";
    if (passes == 0) {
      return new Notice("Nothing was played, so nothing was recorded" + alsoLeftOut, false);
    }
    String in = passes == 1 ? "" : " in " + passes + " passes";
    String names =
        onto.stream()
            .flatMap(id -> document.song().track(id).stream())
            .map(Track::name)
            .collect(Collectors.joining(" and "));
    String take =
        settings.mode() == RecordingMode.TAKES
            ? document.clip().map(c -> ", take " + c.takes().active()).orElse("")
            : "";
    return new Notice(
        "Recorded " + Notice.notes(recordedNotes) + in + " onto " + names + take + alsoLeftOut,
        false);
  }
}
