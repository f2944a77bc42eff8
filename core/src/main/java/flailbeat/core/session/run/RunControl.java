package flailbeat.core.session.run;

import flailbeat.core.capture.Calibration;
import flailbeat.core.capture.Pass;
import flailbeat.core.capture.RecordingStart;
import flailbeat.core.capture.Sweep;
import flailbeat.core.event.Performed;
import flailbeat.core.journal.JournalEntry;
import flailbeat.core.journal.JournalState;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.playback.Player;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Looping;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.hands.LiveSound;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.time.Clock;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.TempoMap;
import flailbeat.core.transport.Transport;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Holds what goes on, and leads what is performed to the sound and to whoever writes it down. */
public final class RunControl {
  private final Document document;
  private final NoteTiming timing;
  private final Performer performer;
  private final Changes changes;
  private final Notices notices;
  private final Clock clock;
  private final Player player;
  private final Transport transport;
  private final Looping looping;
  private final Sweeper sweeper;
  private final Keeper keeper;
  private final Repeater repeater;
  private final LiveSound live;
  private final PerformedRoute route;
  private final SweepKey sweepKey;
  private final Runner runner;
  private final PhraseHearing phrases;
  private RecordSettings recordSettings = RecordSettings.standard();
  private Optional<Calibration> calibration = Optional.empty();

  public RunControl(
      Document document,
      NoteTiming timing,
      Performer performer,
      Changes changes,
      Notices notices,
      Clock clock,
      Player player) {
    this.document = document;
    this.timing = timing;
    this.performer = performer;
    this.changes = changes;
    this.notices = notices;
    this.clock = clock;
    this.player = player;
    this.transport = new Transport(clock);
    this.looping = new Looping(document, changes);
    this.sweeper = new Sweeper(document, changes);
    this.keeper = new Keeper(document);
    this.repeater = new Repeater(document, timing, transport, player, changes);
    this.live = new LiveSound(document, performer, player, repeater::setParts);
    HeardPlans plans = new HeardPlans(document, timing, sweeper, looping);
    this.runner = new Runner(document, looping, plans, changes, clock, player, transport);
    this.phrases = new PhraseHearing(document, runner, this::stop, live, clock);
    this.sweepKey = new SweepKey(runner, sweeper, performer, clock);
    this.route = new PerformedRoute(runner, repeater, live, keeper, this::offsetNanos);
    changes.listen(this::onChange);
    live.follow(clock.nanoTime());
    runner.setSettings(runner.settings());
  }

  public Transport transport() {
    return transport;
  }

  public Looping looping() {
    return looping;
  }

  public Sweeper sweeper() {
    return sweeper;
  }

  public Repeater repeater() {
    return repeater;
  }

  public PlaySettings settings() {
    return runner.settings();
  }

  public void setSettings(PlaySettings value) {
    runner.setSettings(value);
  }

  public RecordSettings recordSettings() {
    return recordSettings;
  }

  /** How the next recording is made; one that runs goes on as it began. */
  public void setRecordSettings(RecordSettings value) {
    recordSettings = value;
    timing.setCalibrated(value.offsetMs() != 0);
    changes.fire(Aspect.SETTINGS);
  }

  /** Turns note repeat on or off, and chooses its note value. */
  public void setRepeat(boolean on, NoteValue value) {
    long now = clock.nanoTime();
    route.writeRepeats(now);
    repeater.set(on, value, now);
    if (on) {
      int velocity = performer.hands().velocity();
      performer.hands().soundingPitches().stream()
          .map(pitch -> new Performed.NoteOn(now, pitch, velocity))
          .forEach(repeater::hear);
    }
  }

  /** What is taken off the times of what is performed. */
  private long offsetNanos() {
    return recording().map(RecordingRun::settings).orElse(recordSettings).offsetNanos();
  }

  private Optional<RecordingRun> recording() {
    return runner.now() instanceof RecordingRun r ? Optional.of(r) : Optional.empty();
  }

  /** What the running recording has gathered in the pass that runs. */
  public Optional<Pass> pass() {
    return recording().map(RecordingRun::pass);
  }

  /** The number of the pass that runs, from 1; 0 when nothing is recorded. */
  public int passNumber() {
    return recording().map(RecordingRun::passNumber).orElse(0);
  }

  /** The tracks that are played and recorded onto: the chosen one, and those that are armed. */
  public List<Track> targets() {
    return live.targets();
  }

  /** Song position in ticks, as heard now. */
  public long positionTicks() {
    return runner.positionTicks();
  }

  /** The tick at which the next start begins, and to which stopping returns. */
  public long playStartTicks() {
    return runner.playStartTicks();
  }

  /** Moves the play start to a tick. Playing goes on from there; a recording is not disturbed. */
  public void seek(long tick) {
    if (transport.isRecording()) {
      return;
    }
    boolean playing = transport.isRunning();
    stop();
    runner.setPlace(tick);
    if (playing) {
      play();
    }
    runner.tell();
  }

  /** Plays from the play start or, where that lies behind the loop, from the loop's start. */
  public void play() {
    runner.start(new PlayingRun(runner, timing));
    repeater.rebase(clock.nanoTime());
  }

  /** Records onto the targets, from the play start, after the count-in. */
  void record() {
    List<Track> onto = targets();
    long from = runner.startTick();
    performer.pedals().tellRangeAgain();
    runner.start(new RecordingRun(surroundings(), recordingFrom(from, onto)));
    repeater.rebase(clock.nanoTime());
    String names = onto.stream().map(Track::name).collect(Collectors.joining(" and "));
    notices.tell("Recording onto " + names);
  }

  private RecordingRun.Surroundings surroundings() {
    return new RecordingRun.Surroundings(document, timing, runner, transport, changes, notices);
  }

  /**
   * Takes up what was played before the program was ended.
   *
   * @return how many notes of a recording that was never ended were brought back
   */
  public int takeUp(JournalState journal) {
    long later = keeper.takeUp(journal, clock.nanoTime());
    document.journal().put(new JournalEntry.Resumed(later));
    return RecordingRun.takeUp(surroundings(), journal);
  }

  private RecordingStart recordingFrom(long tick, List<Track> onto) {
    TempoMap map = document.song().tempos();
    long half = timing.settings().grid().finestTicks() / 2;
    long nearEnd =
        looping.active().map(r -> map.nanosAt(r.end()) - map.nanosAt(r.end() - half)).orElse(0L);
    long catchNanos = recordSettings.catchNanos();
    return new RecordingStart(
        map,
        tick,
        catchNanos,
        runner.loop(),
        Math.min(catchNanos, nearEnd),
        onto.stream().map(Track::id).toList(),
        looping.active(),
        recordSettings.manner());
  }

  /** Stops what goes on, and tells what came of it. */
  public void stop() {
    if (transport.isRunning()) {
      changes.during(this::stopRunning);
    }
  }

  private void stopRunning() {
    long now = clock.nanoTime();
    route.writeRepeats(now);
    if (recording().isPresent()) {
      performer.releaseAll(now);
    }
    Optional<Notice> swept = sweeper.release();
    Optional<Notice> said = runner.stop(transport.unrolledAt(now));
    repeater.rebase(now);
    runner.tell();
    notices.tell(said.or(() -> swept));
  }

  /** Silence, at once, whatever sounds. */
  void panic() {
    long now = clock.nanoTime();
    performer.releaseAll(now);
    performer.releaseDevice(now);
    live.rest();
    stop();
    player.allNotesOff();
  }

  /** Takes back the last pass of the running recording, which goes on. */
  public Notice dropLastPass() {
    Notice said =
        recording()
            .map(RecordingRun::dropLast)
            .orElse(new Notice("Nothing is being recorded, so there is no pass to drop", false));
    runner.replan();
    return said;
  }

  /** Makes a clip of the last phrase played, recording or not, on the chosen track. */
  Notice keepPhrase() {
    return keeper.keepPhrase(playStartTicks(), clock.nanoTime());
  }

  /** Called for each frame drawn: follows what is heard, and stops what is over. */
  public void tick() {
    performer.advance();
    route.writeRepeats(clock.nanoTime());
    if (transport.isRunning()) {
      transport.follow(player.songOffsetNanos());
      boolean over = runner.now().tick(runner.unrolledNow());
      sweepKey.follow();
      if (over) {
        stop();
      } else {
        runner.follow();
      }
    }
  }

  /** The sweep is pressed or let go; says what it did. */
  Optional<Notice> sweep(boolean held) {
    return sweepKey.hold(held);
  }

  /** Where the playhead is, in unrolled time. */
  public Sweep.Place place() {
    return sweepKey.place();
  }

  /** Plays eight bars of click to tap along to; nothing else sounds but the taps. */
  void calibrate() {
    stop();
    Song song = document.song();
    Calibration started = new Calibration(song.tempos(), song.meters(), playStartTicks());
    calibration = Optional.of(started);
    runner.startAt(
        new CalibratingRun(started, runner, transport, changes, notices),
        song.tempos().nanosAt(started.range().start()));
  }

  /** The taps so far, of the calibration that runs or ran last. */
  public Optional<Calibration> calibration() {
    return calibration;
  }

  public boolean isCalibrating() {
    return runner.now() instanceof CalibratingRun;
  }

  /** Phrases that play by themselves. */
  public PhraseHearing phrases() {
    return phrases;
  }

  /** What is played live, and with which sounds. */
  public LiveSound live() {
    return live;
  }

  /** Shows and sounds the notes in scope in another version, while {@code held}. */
  public void hear(NoteVersion version, boolean held) {
    boolean now = timing.version() == version;
    if (now == held || transport.isRecording() || isComparing()) {
      return;
    }
    timing.setVersion(held ? version : NoteVersion.STANDING);
    if (!held) {
      stop();
    } else if (transport.isRunning()) {
      runner.replan();
    } else {
      play();
    }
  }

  /**
   * Goes round the loop, one round as played, the next as quantizing would have it, and so on;
   * where there is no loop, round the bars of some notes, and that loop ends with it.
   */
  void compareRounds(List<Note> notes) {
    stop();
    Runnable asBefore = looping.memory();
    if (looping.active().isEmpty()) {
      looping.chooseAround(notes);
    }
    seek(looping.active().orElseThrow().start());
    timing.setVersion(NoteVersion.PLAYED);
    runner.start(new ComparingRun(timing, runner, transport, asBefore));
    repeater.rebase(clock.nanoTime());
  }

  /** Whether rounds as played and rounds as quantized alternate. */
  public boolean isComparing() {
    return runner.now() instanceof ComparingRun;
  }

  /** Sounds and writes down what is performed. While sweeping, keys say what is wiped. */
  public void hear(Performed event) {
    if (sweeper.isHeld() && event instanceof Performed.NoteOn) {
      sweepKey.follow();
    } else {
      route.hear(event);
    }
  }

  /** Lets what is performed be heard, and nothing more. */
  public void sound(Performed event) {
    live.sound(event);
  }

  /** See {@link Performer#playTo}. */
  public double beatAt(long nanos) {
    return runner.beatAt(nanos);
  }

  /** What has a plan of its own means nothing in another tempo. */
  private void endWhatCannotFollow() {
    Run activity = runner.now();
    if (!activity.followsSong() && runner.isOfAnotherTempo()) {
      stop();
      notices.tell(activity.stopped() + ": the tempo is another now");
    }
  }

  private void onChange(Change change) {
    if (change.isOf(Aspect.SONG, Aspect.CHOICE)) {
      live.follow(clock.nanoTime());
    }
    if (change.isOf(Aspect.SONG)) {
      endWhatCannotFollow();
      runner.followSong();
      repeater.followSong(clock.nanoTime());
    }
    if (change.isOf(Aspect.TIMING)) {
      runner.now().followPreview();
    }
    if (change.isOf(Aspect.KEYS)) {
      repeater.setVelocity(performer.hands().velocity());
    }
    boolean follows = !transport.isRecording() && runner.now().followsSong();
    if (change.isOf(Aspect.LOOP) && follows) {
      runner.followLoop();
      repeater.rebase(clock.nanoTime());
    }
  }
}
