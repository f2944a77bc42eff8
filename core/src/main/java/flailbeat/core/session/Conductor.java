package flailbeat.core.session;

import flailbeat.core.capture.Calibration;
import flailbeat.core.capture.Pass;
import flailbeat.core.capture.Recording;
import flailbeat.core.event.Performed;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.playback.Player;
import flailbeat.core.time.Clock;
import flailbeat.core.time.Loop;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.transport.Transport;
import flailbeat.core.transport.Transport.Start;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Playing, live and back, and recording: what sounds when, and where it is written down. */
public final class Conductor {
  private static final long NANOS_PER_MINUTE = 60_000_000_000L;

  /** How long before the loop begins anew the next round is made ready. */
  private static final long READY_NANOS = 250_000_000;

  private final Document document;
  private final TimingDesk timing;
  private final Performer performer;
  private final Changes changes;
  private final Clock clock;
  private final Player player;
  private final Transport transport;
  private final Looping looping;
  private final Sweeper sweeper;
  private final Recorder recorder;
  private final Repeater repeater;
  private final LiveSound live;
  private final Heard heard;
  private Optional<Calibration> calibration = Optional.empty();
  private long run;
  private PlaySettings settings = PlaySettings.standard();
  private RecordSettings recordSettings = RecordSettings.standard();
  private PlaybackPlan plan = PlaybackPlan.SILENCE;
  private TempoMap tempos;
  private long endNanos;
  private boolean nextRoundReady;
  private boolean calibrating;
  private Transport.State toldState = Transport.State.STOPPED;

  Conductor(
      Document document,
      TimingDesk timing,
      Performer performer,
      Changes changes,
      Clock clock,
      Player player) {
    this.document = document;
    this.timing = timing;
    this.performer = performer;
    this.changes = changes;
    this.clock = clock;
    this.player = player;
    this.transport = new Transport(clock);
    this.looping = new Looping(document, changes);
    this.sweeper = new Sweeper(document, changes);
    this.recorder = new Recorder(document, timing, changes);
    this.repeater = new Repeater(document, timing, transport, player, changes);
    this.live = new LiveSound(document, performer, player, repeater);
    this.heard = new Heard(document, timing, recorder, sweeper, looping);
    this.tempos = document.song().tempos();
    performer.playTo(this::hear, this::beatAt);
    changes.listen(this::onChange);
    live.follow(clock.nanoTime());
    setSettings(settings);
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

  /** Turns note repeat on or off, and chooses its note value. */
  public void setRepeat(boolean on, NoteValue value) {
    long now = clock.nanoTime();
    writeRepeats(now);
    repeater.set(on, value, now);
    if (on) {
      int velocity = performer.hands().velocity();
      performer.hands().soundingPitches().stream()
          .map(pitch -> new Performed.NoteOn(now, pitch, velocity))
          .forEach(repeater::hear);
    }
  }

  private void writeRepeats(long nowNanos) {
    for (Performed event : repeater.advance(nowNanos)) {
      write(event);
    }
  }

  public PlaySettings settings() {
    return settings;
  }

  public void setSettings(PlaySettings value) {
    settings = value;
    player.click(value.clickSound(), value.clickLevel() / 100.0);
    replan();
    changes.fire(Aspect.SETTINGS);
  }

  public RecordSettings recordSettings() {
    return recordSettings;
  }

  /** How the next recording is made; one that runs goes on as it began. */
  public void setRecordSettings(RecordSettings value) {
    recordSettings = value;
    changes.fire(Aspect.SETTINGS);
  }

  /** What the running recording has gathered in the pass that runs. */
  public Optional<Pass> pass() {
    return recorder.pass();
  }

  /** The number of the pass that runs, from 1; 0 when nothing is recorded. */
  public int passNumber() {
    return recorder.passNumber();
  }

  /** The tracks that are played and recorded onto: the chosen one, and those that are armed. */
  public List<Track> targets() {
    return live.targets();
  }

  /** Silence, at once, whatever sounds. */
  void panic() {
    performer.releaseAll(clock.nanoTime());
    stop();
    player.allNotesOff();
  }

  /** Song position in ticks, as heard now. */
  public long positionTicks() {
    return document.song().tempos().tickAt(transport.positionNanos());
  }

  /** The tick at which the next start begins, and to which stopping returns. */
  public long placeTicks() {
    return document.song().tempos().tickAt(transport.placeNanos());
  }

  /** Moves the place to a tick. Playing goes on from there; a recording is not disturbed. */
  public void seek(long tick) {
    if (transport.isRecording()) {
      return;
    }
    boolean playing = transport.isRunning();
    stop();
    transport.setPlaceNanos(document.song().tempos().nanosAt(Math.max(0, tick)));
    if (playing) {
      play();
    }
    tellTransport();
  }

  /** Plays from the place or, where that lies behind the loop, from the loop's start. */
  public void play() {
    start(false, startTick());
  }

  /** Records onto the targets, from the place, after the count-in. */
  Notice record() {
    if (transport.isRunning()) {
      return new Notice("It runs already", true);
    }
    List<Track> onto = targets();
    long from = startTick();
    performer.pedals().tellRangeAgain();
    recorder.begin(recordingFrom(from), from, ids(onto), recordSettings, looping.active());
    start(true, from);
    String names = onto.stream().map(Track::name).collect(Collectors.joining(" and "));
    return new Notice("Recording onto " + names, false);
  }

  private static List<TrackId> ids(List<Track> tracks) {
    return tracks.stream().map(Track::id).toList();
  }

  private Recording recordingFrom(long tick) {
    TempoMap map = document.song().tempos();
    long half = timing.settings().grid().finestTicks() / 2;
    long nearEnd =
        looping.active().map(r -> map.nanosAt(r.end()) - map.nanosAt(r.end() - half)).orElse(0L);
    long catchNanos = recordSettings.catchNanos();
    return new Recording(map, tick, catchNanos, loop(), Math.min(catchNanos, nearEnd));
  }

  private long startTick() {
    long place = placeTicks();
    return looping.active().filter(r -> place >= r.end()).map(TickRange::start).orElse(place);
  }

  private Optional<Loop> loop() {
    TempoMap map = document.song().tempos();
    return looping.active().map(r -> new Loop(map.nanosAt(r.start()), map.nanosAt(r.end())));
  }

  /** Plays eight bars of click to tap along to; nothing else sounds but the taps. */
  void calibrate() {
    stop();
    Song song = document.song();
    Calibration started = new Calibration(song.tempos(), song.meters(), placeTicks());
    TickRange bars = started.range();
    long from = song.tempos().nanosAt(bars.start());
    plan = heard.clicksAlone(bars);
    calibration = Optional.of(started);
    calibrating = true;
    begin(new Start(false, from, 0, Optional.empty()));
  }

  /** The taps so far, of the calibration that runs or ran last. */
  public Optional<Calibration> calibration() {
    return calibration;
  }

  public boolean isCalibrating() {
    return calibrating;
  }

  /** Takes back the last pass of the running recording, which goes on. */
  Notice dropLastPass() {
    return recorder.dropLast();
  }

  /** Stops; says what was recorded, if anything was. */
  Optional<Notice> stop() {
    if (!transport.isRunning()) {
      return Optional.empty();
    }
    long now = clock.nanoTime();
    if (pass().isPresent()) {
      performer.releaseAll(now);
    }
    calibrating = false;
    Optional<Notice> swept = sweeper.release();
    long unrolled = transport.unrolledAt(now) - recordSettings.offsetNanos();
    transport.stop();
    player.halt();
    repeater.rebase(now);
    Optional<Notice> said = recorder.end(unrolled);
    tellTransport();
    return said.or(() -> swept);
  }

  /** Called for each frame drawn: follows what is heard, and stops at the song's end. */
  Optional<Notice> tick() {
    performer.advance();
    writeRepeats(clock.nanoTime());
    if (!transport.isRunning()) {
      return Optional.empty();
    }
    transport.follow(player.songOffsetNanos());
    Optional<Notice> said = followPasses(transport.unrolledAt(clock.nanoTime()));
    followSweep();
    if (calibrating) {
      return followCalibration();
    }
    long position = transport.positionNanos();
    if (clicksRunOut(position)) {
      replan();
    }
    if (!transport.isRecording() && isPastEnd(position)) {
      stop();
    } else if (transport.state() != toldState) {
      tellTransport();
    }
    return said;
  }

  /** Says which pass is over, if one is. */
  private Optional<Notice> followPasses(long unrolled) {
    if (pass().isEmpty()) {
      return Optional.empty();
    }
    int before = passNumber();
    Optional<Notice> said = recorder.advance(unrolled - recordSettings.offsetNanos());
    readyNextRound(unrolled);
    if (passNumber() != before) {
      changes.fire(Aspect.PASS);
      tellTransport();
    }
    return said;
  }

  private boolean clicksRunOut(long position) {
    return transport.loop().isEmpty()
        && plan.clicks().size() > 0
        && plan.clicks().horizonNanos() - position < NANOS_PER_MINUTE;
  }

  private Optional<Notice> followCalibration() {
    if (positionTicks() < calibration.orElseThrow().range().end()) {
      return Optional.empty();
    }
    stop();
    changes.fire(Aspect.SETTINGS);
    boolean usable = calibration.orElseThrow().result().isUsable();
    return Optional.of(
        usable
            ? new Notice("That was eight bars. The page Recording says how you tap", false)
            : new Notice("Too few taps, or too far from the click: try again", true));
  }

  /** What was just recorded must sound from the very start of the next round. */
  private void readyNextRound(long unrolled) {
    Optional<Loop> round = transport.loop();
    if (round.isEmpty()) {
      return;
    }
    long left = round.get().endOf(recorder.passNumber() - 1) - unrolled;
    if (left > READY_NANOS + player.leadNanos()) {
      nextRoundReady = false;
    } else if (!nextRoundReady) {
      nextRoundReady = true;
      recorder
          .heardNextRound()
          .ifPresent(song -> player.replaceAtLoop(heard.of(song, plan.clicks())));
    }
  }

  /** The sweep is pressed or let go; says what it did. */
  Optional<Notice> sweep(boolean held) {
    Optional<Notice> said = Optional.empty();
    if (held != sweeper.isHeld()) {
      if (held) {
        sweeper.press(positionTicks(), clock.nanoTime());
      } else {
        followSweep();
        said = sweeper.release();
      }
      replan();
    }
    return said;
  }

  private void followSweep() {
    if (sweeper.isHeld()) {
      TickRange round = looping.active().orElse(new TickRange(0, 0));
      boolean another = sweeper.hold(performer.hands().soundingPitches(), clock.nanoTime());
      sweeper.follow(positionTicks(), round);
      if (another) {
        replan();
      }
    }
  }

  /** Shows and sounds the notes in hand as they were played, while {@code held}. */
  void hearAsPlayed(boolean held) {
    if (timing.isAsPlayed() == held || transport.isRecording()) {
      return;
    }
    timing.setAsPlayed(held);
    if (!held) {
      stop();
    } else if (transport.isRunning()) {
      replan();
    } else {
      play();
    }
  }

  private void tellTransport() {
    toldState = transport.state();
    changes.fire(Aspect.TRANSPORT);
  }

  /** Makes a clip of the last phrase played, recording or not, on the chosen track. */
  Notice keepPhrase() {
    return recorder.keepPhrase(placeTicks(), clock.nanoTime());
  }

  private boolean isPastEnd(long positionNanos) {
    return transport.loop().isEmpty()
        && transport.placeNanos() < endNanos
        && positionNanos >= endNanos;
  }

  /** Where playing stops: the end of the last bar with notes; 0 without notes. */
  private long measureEnd() {
    Song song = document.song();
    long end = song.end();
    long bars = end == 0 ? 0 : song.meters().wholeBars(new TickRange(0, end)).end();
    return song.tempos().nanosAt(bars);
  }

  private void start(boolean record, long fromTick) {
    if (transport.isRunning()) {
      return;
    }
    Song song = document.song();
    long countIn = record ? settings.countIn().ticks(song.meters().meterAt(fromTick)) : 0;
    long from = song.tempos().nanosAt(fromTick);
    long countInNanos = from - song.tempos().nanosAt(fromTick - countIn);
    plan = planFrom(record, fromTick, countIn);
    begin(new Start(record, from, countInNanos, loop()));
  }

  private void begin(Start start) {
    long heardAt = clock.nanoTime() + player.leadNanos();
    transport.start(start, heardAt);
    run++;
    nextRoundReady = false;
    repeater.rebase(clock.nanoTime());
    player.cue(plan, start.firstNanos(), heardAt, start.loop());
    tellTransport();
  }

  private PlaybackPlan planFrom(boolean record, long from, long countInTicks) {
    boolean click = record ? settings.clickInRecord() : settings.clickInPlay();
    return heard.from(from, countInTicks, click);
  }

  /** Makes what is heard follow the song and the settings while it runs. */
  private void replan() {
    if (transport.isRunning() && !calibrating) {
      boolean countingIn = transport.state() == Transport.State.COUNTING_IN;
      long from = countingIn ? startTick() : Math.max(0, positionTicks());
      long countIn =
          countingIn ? settings.countIn().ticks(document.song().meters().meterAt(from)) : 0;
      plan = planFrom(transport.isRecording(), from, countIn);
      player.replace(plan);
    }
  }

  /** Sounds and writes down what is performed. While sweeping, keys say what is wiped. */
  private void hear(Performed event) {
    if (sweeper.isHeld() && event instanceof Performed.NoteOn) {
      followSweep();
      return;
    }
    if (calibrating && event instanceof Performed.NoteOn) {
      calibration.orElseThrow().tap(transport.songNanosAt(event.atNanos()));
      changes.fire(Aspect.SETTINGS);
    }
    writeRepeats(event.atNanos());
    repeater.hear(event);
    live.sound(event);
    write(event);
  }

  private void write(Performed event) {
    boolean hadNotes = pass().map(Pass::hasNotes).orElse(false);
    recorder.accept(event, transport, run, recordSettings.offsetNanos());
    nextRoundReady = false;
    if (!hadNotes && pass().map(Pass::hasNotes).orElse(false)) {
      replan();
    }
    pass().ifPresent(p -> changes.fire(Aspect.PASS));
  }

  /** How much of a beat a moment is on: within an eighth of it either way. */
  private double beatAt(long atNanos) {
    if (!transport.isRunning()) {
      return 0;
    }
    long tick = document.song().tempos().tickAt(transport.songNanosAt(atNanos));
    MeterMap meters = document.song().meters();
    long near = meters.meterAt(tick).ticksPerBeat() / 8;
    long beat = meters.beatAtOrAfter(tick - near);
    if (beat > tick + near) {
      return 0;
    }
    return meters.barRangeAt(beat).start() == beat ? 1 : 0.5;
  }

  private void onChange(Aspect aspect) {
    if (aspect == Aspect.SONG || aspect == Aspect.CHOICE) {
      live.follow(clock.nanoTime());
    }
    if (aspect == Aspect.SONG) {
      endNanos = measureEnd();
      if (document.song().tempos().equals(tempos)) {
        replan();
      } else {
        followTempo();
      }
    } else if (aspect == Aspect.KEYS) {
      repeater.setVelocity(performer.hands().velocity());
    } else if (aspect == Aspect.LOOP && !transport.isRecording()) {
      goOnFrom(positionTicks(), placeTicks());
    }
  }

  /** Another tempo moves the ticks in time: what plays goes on from the same tick. */
  private void followTempo() {
    long place = tempos.tickAt(transport.placeNanos());
    long position = tempos.tickAt(transport.positionNanos());
    tempos = document.song().tempos();
    goOnFrom(transport.isRunning() ? position : place, place);
  }

  /** Starts anew at a tick, if it runs; stopping will return to the place. */
  private void goOnFrom(long tick, long place) {
    boolean running = transport.isRunning();
    calibrating = false;
    player.halt();
    transport.setPlaceNanos(tempos.nanosAt(tick));
    if (running) {
      start(false, startTick());
    }
    transport.setReturnNanos(tempos.nanosAt(place));
  }
}
