package flailbeat.core.session;

import flailbeat.core.capture.Calibration;
import flailbeat.core.capture.Pass;
import flailbeat.core.capture.Recording;
import flailbeat.core.capture.Sweep;
import flailbeat.core.event.Performed;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.Player;
import flailbeat.core.session.TimingDesk.Version;
import flailbeat.core.time.Clock;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.TempoMap;
import flailbeat.core.transport.Transport;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** What goes on while the song plays: recording, sweeping, repeating, calibrating. */
public final class Conductor {
  /** How long before the loop begins anew the next round is made ready. */
  static final long READY_NANOS = 250_000_000;

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
  private final Playback playback;
  private final Comparison comparison;
  private RecordSettings recordSettings = RecordSettings.standard();
  private Optional<Calibration> calibration = Optional.empty();
  private boolean calibrating;
  private boolean nextRoundReady;
  private Optional<Notice> toTell = Optional.empty();

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
    Heard heard = new Heard(document, timing, recorder, sweeper, looping);
    this.playback = new Playback(document, looping, heard, changes, clock, player, transport);
    this.comparison = new Comparison(timing, heard, playback, transport, clock, player);
    playback.askNextRound(this::nextRound);
    performer.playTo(this::hear, playback::beatAt);
    changes.listen(this::onChange);
    live.follow(clock.nanoTime());
    playback.setSettings(playback.settings());
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
    return playback.settings();
  }

  public void setSettings(PlaySettings value) {
    playback.setSettings(value);
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
    writeRepeats(now);
    repeater.set(on, value, now);
    if (on) {
      int velocity = performer.hands().velocity();
      performer.hands().soundingPitches().stream()
          .map(pitch -> new Performed.NoteOn(now, pitch, velocity))
          .forEach(repeater::hear);
    }
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

  /** Song position in ticks, as heard now. */
  public long positionTicks() {
    return playback.positionTicks();
  }

  /** The tick at which the next start begins, and to which stopping returns. */
  public long placeTicks() {
    return playback.placeTicks();
  }

  /** Moves the place to a tick. Playing goes on from there; a recording is not disturbed. */
  public void seek(long tick) {
    if (transport.isRecording()) {
      return;
    }
    boolean playing = transport.isRunning();
    stop();
    playback.setPlace(tick);
    if (playing) {
      play();
    }
    playback.tell();
  }

  /** Plays from the place or, where that lies behind the loop, from the loop's start. */
  public void play() {
    start(false);
  }

  private void start(boolean record) {
    nextRoundReady = false;
    playback.start(record);
    repeater.rebase(clock.nanoTime());
  }

  /** Records onto the targets, from the place, after the count-in. */
  Notice record() {
    List<Track> onto = targets();
    long from = playback.startTick();
    performer.pedals().tellRangeAgain();
    recorder.begin(
        recordingFrom(from),
        from,
        onto.stream().map(Track::id).toList(),
        recordSettings,
        looping.active());
    start(true);
    String names = onto.stream().map(Track::name).collect(Collectors.joining(" and "));
    return new Notice("Recording onto " + names, false);
  }

  private Recording recordingFrom(long tick) {
    TempoMap map = document.song().tempos();
    long half = timing.settings().grid().finestTicks() / 2;
    long nearEnd =
        looping.active().map(r -> map.nanosAt(r.end()) - map.nanosAt(r.end() - half)).orElse(0L);
    long catchNanos = recordSettings.catchNanos();
    return new Recording(map, tick, catchNanos, playback.loop(), Math.min(catchNanos, nearEnd));
  }

  /** Stops; says what was recorded, if anything was. */
  Optional<Notice> stop() {
    if (!transport.isRunning()) {
      return Optional.empty();
    }
    long now = clock.nanoTime();
    writeRepeats(now);
    if (pass().isPresent()) {
      performer.releaseAll(now);
    }
    calibrating = false;
    comparison.end();
    Optional<Notice> swept = sweeper.release();
    long unrolled = transport.unrolledAt(now) - recorder.offsetNanos(recordSettings);
    playback.halt();
    repeater.rebase(now);
    Optional<Notice> said = recorder.end(unrolled);
    playback.tell();
    return said.or(() -> swept);
  }

  /** Silence, at once, whatever sounds. */
  void panic() {
    performer.releaseAll(clock.nanoTime());
    stop();
    player.allNotesOff();
  }

  /** Takes back the last pass of the running recording, which goes on. */
  Notice dropLastPass() {
    Notice said = recorder.dropLast();
    playback.replan();
    return said;
  }

  /** Makes a clip of the last phrase played, recording or not, on the chosen track. */
  Notice keepPhrase() {
    return recorder.keepPhrase(placeTicks(), clock.nanoTime());
  }

  /** Called for each frame drawn: follows what is heard, and stops at the song's end. */
  Optional<Notice> tick() {
    performer.advance();
    writeRepeats(clock.nanoTime());
    Optional<Notice> ended = toTell;
    toTell = Optional.empty();
    return transport.isRunning() ? follow() : ended;
  }

  private Optional<Notice> follow() {
    transport.follow(player.songOffsetNanos());
    Optional<Notice> said = followPasses(transport.unrolledAt(clock.nanoTime()));
    followSweep();
    comparison.advance();
    if (calibrating) {
      return followCalibration();
    }
    if (playback.follow()) {
      stop();
    }
    return said;
  }

  /** Says which pass is over, if one is. */
  private Optional<Notice> followPasses(long unrolled) {
    if (pass().isEmpty()) {
      return Optional.empty();
    }
    int before = passNumber();
    Song song = document.song();
    Optional<Notice> said = recorder.advance(unrolled - recorder.offsetNanos(recordSettings));
    readyNextRound();
    if (passNumber() != before) {
      if (document.song() == song) {
        playback.replan();
      }
      changes.fire(Aspect.PASS);
      playback.tell();
    }
    return said;
  }

  /** What was just recorded must sound from the very start of the next round. */
  private void readyNextRound() {
    if (!isNearNextRound()) {
      nextRoundReady = false;
    } else if (!nextRoundReady) {
      nextRoundReady = true;
      playback.publish();
    }
  }

  private boolean isNearNextRound() {
    long unrolled = transport.unrolledAt(clock.nanoTime());
    return transport
        .loop()
        .map(l -> l.endOf(recorder.passNumber() - 1) - unrolled)
        .filter(left -> left <= READY_NANOS + player.leadNanos())
        .isPresent();
  }

  private Optional<NextRound> nextRound() {
    if (comparison.isOn()) {
      return comparison.nextRound();
    }
    return pass().isPresent() && isNearNextRound()
        ? recorder.heardNextRound().map(s -> new NextRound(s, recorder.passNumber() - 1))
        : Optional.empty();
  }

  /** The sweep is pressed or let go; says what it did. */
  Optional<Notice> sweep(boolean held) {
    Optional<Notice> said = Optional.empty();
    if (held != sweeper.isHeld()) {
      if (held) {
        sweeper.press(placeOfSweep(), clock.nanoTime());
      } else {
        followSweep();
        said = sweeper.release();
      }
      playback.replan();
    }
    return said;
  }

  private void followSweep() {
    if (sweeper.isHeld()) {
      boolean another = sweeper.hold(performer.hands().soundingPitches(), clock.nanoTime());
      sweeper.follow(placeOfSweep(), transport.loop());
      if (another) {
        playback.replan();
      }
    }
  }

  private Sweep.Place placeOfSweep() {
    return new Sweep.Place(playback.run(), transport.unrolledAt(clock.nanoTime()));
  }

  /** Plays eight bars of click to tap along to; nothing else sounds but the taps. */
  void calibrate() {
    stop();
    Song song = document.song();
    Calibration started = new Calibration(song.tempos(), song.meters(), placeTicks());
    calibration = Optional.of(started);
    calibrating = true;
    playback.startClicks(started.range());
  }

  /** The taps so far, of the calibration that runs or ran last. */
  public Optional<Calibration> calibration() {
    return calibration;
  }

  public boolean isCalibrating() {
    return calibrating;
  }

  /** Plays a song of one's own with clicks of its own, from the first of them or of its notes. */
  void playWith(Song song, ClickTrack clicks) {
    stop();
    playback.startWith(song, clicks);
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

  /** Shows and sounds the notes in hand as they were played, while {@code held}. */
  void hearAsPlayed(boolean held) {
    boolean now = timing.version() == Version.PLAYED;
    if (now == held || transport.isRecording() || comparison.isOn()) {
      return;
    }
    timing.setVersion(held ? Version.PLAYED : Version.STANDING);
    if (!held) {
      stop();
    } else if (transport.isRunning()) {
      playback.replan();
    } else {
      play();
    }
  }

  /** Goes round the loop, one round as played, the next as quantizing would have it, and so on. */
  void compareRounds() {
    stop();
    seek(looping.active().orElseThrow().start());
    play();
    comparison.begin();
  }

  /** Whether rounds as played and rounds as quantized alternate. */
  public boolean isComparing() {
    return comparison.isOn();
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

  private void writeRepeats(long nowNanos) {
    repeater.advance(nowNanos).forEach(this::write);
  }

  private void write(Performed event) {
    boolean hadNotes = pass().map(Pass::hasNotes).orElse(false);
    recorder.accept(event, transport, playback.run(), recorder.offsetNanos(recordSettings));
    nextRoundReady = false;
    if (!hadNotes && pass().map(Pass::hasNotes).orElse(false)) {
      playback.replan();
    }
    pass().ifPresent(p -> changes.fire(Aspect.PASS));
  }

  /** Clicks to tap along to, or to a guess of the beat, mean nothing in another tempo. */
  private void endWhatCannotFollow() {
    if (playback.isFixed() && playback.isOfAnotherTempo()) {
      String what = calibrating ? "Calibration stopped" : "Stopped";
      stop();
      toTell = Optional.of(new Notice(what + ": the tempo is another now", false));
    }
  }

  private void onChange(Change change) {
    if (change.isOf(Aspect.SONG, Aspect.CHOICE)) {
      live.follow(clock.nanoTime());
    }
    if (change.isOf(Aspect.SONG)) {
      endWhatCannotFollow();
      playback.followSong();
      repeater.followSong(clock.nanoTime());
    }
    if (change.isOf(Aspect.TIMING)) {
      comparison.followPlan();
    }
    if (change.isOf(Aspect.KEYS)) {
      repeater.setVelocity(performer.hands().velocity());
    }
    if (change.isOf(Aspect.LOOP) && !transport.isRecording() && !playback.isFixed()) {
      playback.followLoop();
      repeater.rebase(clock.nanoTime());
    }
  }
}
