package flailbeat.core.session;

import flailbeat.core.capture.Pass;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.event.Performed;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.playback.Player;
import flailbeat.core.time.Clock;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.transport.Transport;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Playing, live and back, and recording: what sounds when, and where it is written down. */
public final class Conductor {
  private static final int CLICK_BARS_AHEAD = 400;
  private static final long NANOS_PER_MINUTE = 60_000_000_000L;

  private final Document document;
  private final TimingDesk timing;
  private final Performer performer;
  private final Changes changes;
  private final Clock clock;
  private final Player player;
  private final Transport transport;
  private long run;
  private PlaySettings settings = PlaySettings.standard();
  private final Recorder recorder;
  private PlaybackPlan plan = PlaybackPlan.SILENCE;
  private TempoMap tempos;
  private int liveChannel;
  private long endNanos;
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
    this.recorder = new Recorder(document, changes);
    this.tempos = document.song().tempos();
    performer.playTo(this::hear);
    changes.listen(this::onChange);
    sendInstruments();
  }

  public Transport transport() {
    return transport;
  }

  public PlaySettings settings() {
    return settings;
  }

  public void setSettings(PlaySettings value) {
    settings = value;
    replan();
    tellTransport();
  }

  /** What the running recording has gathered. */
  public Optional<Pass> pass() {
    return recorder.pass();
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

  /** The tick at which the next start begins. */
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

  /** Plays from the place. */
  public void play() {
    start(false);
  }

  /** Records onto the chosen track, from the place, after the count-in. */
  Notice record() {
    Track track = document.track();
    if (!track.armed()) {
      return new Notice(
          track.name() + " is not armed: press the red dot on its tab to record onto it", true);
    }
    recorder.begin(track.id(), placeTicks());
    start(true);
    return new Notice("Recording onto " + track.name(), false);
  }

  /** Stops; a recording becomes one undo step. Says what was recorded. */
  Optional<Notice> stop() {
    if (!transport.isRunning()) {
      return Optional.empty();
    }
    long now = clock.nanoTime();
    if (pass().isPresent()) {
      performer.releaseAll(now);
    }
    long songNanos = transport.songNanosAt(now);
    transport.stop();
    player.halt();
    Optional<Notice> said = recorder.end(songNanos);
    tellTransport();
    return said;
  }

  /** Called for each frame drawn: follows what is heard, and stops at the song's end. */
  public void tick() {
    performer.advance();
    if (!transport.isRunning()) {
      return;
    }
    transport.follow(player.songOffsetNanos());
    long position = transport.positionNanos();
    if (plan.clicks().size() > 0 && plan.clicks().horizonNanos() - position < NANOS_PER_MINUTE) {
      replan();
    }
    if (!transport.isRecording() && isPastEnd(position)) {
      stop();
    } else if (transport.state() != toldState) {
      tellTransport();
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
    return transport.placeNanos() < endNanos && positionNanos >= endNanos;
  }

  /** Where playing stops: the end of the last bar with notes; 0 without notes. */
  private long measureEnd() {
    Song song = document.song();
    long end = song.end();
    long bars = end == 0 ? 0 : song.meters().wholeBars(new TickRange(0, end)).end();
    return song.tempos().nanosAt(bars);
  }

  private void start(boolean record) {
    if (transport.isRunning()) {
      return;
    }
    Song song = document.song();
    long place = placeTicks();
    long countInTicks = record ? countInTicks(place) : 0;
    long countInNanos = song.tempos().nanosAt(place) - song.tempos().nanosAt(place - countInTicks);
    plan = planFrom(record, place, countInTicks);
    long heardAt = clock.nanoTime() + player.leadNanos();
    transport.start(record, countInNanos, heardAt);
    run++;
    player.cue(plan, transport.placeNanos() - countInNanos, heardAt);
    tellTransport();
  }

  private long countInTicks(long place) {
    return settings.countInBars() * document.song().meters().meterAt(place).ticksPerBar();
  }

  private PlaybackPlan planFrom(boolean record, long from, long countInTicks) {
    Song song = document.song();
    boolean click = record ? settings.clickInRecord() : settings.clickInPlay();
    long clicksEnd =
        click ? from + CLICK_BARS_AHEAD * song.meters().meterAt(from).ticksPerBar() : from;
    ClickTrack clicks =
        click || countInTicks > 0
            ? ClickTrack.between(from - countInTicks, clicksEnd, song.tempos(), song.meters())
            : ClickTrack.NONE;
    return PlaybackPlan.of(heardSong(), clicks, song.tempos().nanosAt(from));
  }

  private Song heardSong() {
    if (!timing.isAsPlayed()) {
      return document.song();
    }
    Set<NoteId> inHand =
        document.notesInHand().stream().map(n -> n.id()).collect(Collectors.toSet());
    return NoteEdits.restorePlayed(document.song(), inHand);
  }

  /** Makes what is heard follow the song and the settings while it runs. */
  private void replan() {
    if (transport.isRunning()) {
      boolean countingIn = transport.state() == Transport.State.COUNTING_IN;
      long from = countingIn ? placeTicks() : Math.max(placeTicks(), positionTicks());
      plan = planFrom(transport.isRecording(), from, countingIn ? countInTicks(from) : 0);
      player.replace(plan);
    }
  }

  /** Sounds and writes down what is performed. */
  private void hear(Performed event) {
    switch (event) {
      case Performed.NoteOn on -> player.noteOn(liveChannel, on.pitch(), on.velocity());
      case Performed.NoteOff off -> player.noteOff(liveChannel, off.pitch());
      case Performed.Control c -> control(ControlPoint.Kind.CONTROLLER, c.number(), c.value());
      case Performed.Bend b -> control(ControlPoint.Kind.PITCH_BEND, 0, b.value());
    }
    recorder.accept(event, transport, run);
    pass().ifPresent(p -> changes.fire(Aspect.PASS));
  }

  private void control(ControlPoint.Kind kind, int number, int value) {
    player.control(liveChannel, new ControlPoint(0, kind, number, value));
  }

  private void onChange(Aspect aspect) {
    if (aspect == Aspect.SONG || aspect == Aspect.CHOICE) {
      sendInstruments();
    }
    if (aspect == Aspect.SONG) {
      endNanos = measureEnd();
      if (!document.song().tempos().equals(tempos)) {
        followTempo();
      } else {
        replan();
      }
    }
  }

  /** Another tempo moves the ticks in time: what plays goes on from the same tick. */
  private void followTempo() {
    long place = tempos.tickAt(transport.placeNanos());
    long position = tempos.tickAt(transport.positionNanos());
    tempos = document.song().tempos();
    boolean running = transport.isRunning();
    player.halt();
    transport.setPlaceNanos(tempos.nanosAt(running ? position : place));
    if (running) {
      start(false);
      transport.setReturnNanos(tempos.nanosAt(place));
    }
  }

  /** Live notes go to the chosen track's channel; what is held on another ends first. */
  private void sendInstruments() {
    for (Track track : document.song().tracks()) {
      player.instrument(track.channel(), track.instrument());
    }
    Track chosen = document.track();
    player.instrument(chosen.channel(), chosen.instrument());
    if (chosen.channel() != liveChannel) {
      performer.releaseAll(clock.nanoTime());
      liveChannel = chosen.channel();
    }
  }
}
