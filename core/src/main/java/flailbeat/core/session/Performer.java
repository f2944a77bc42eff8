package flailbeat.core.session;

import flailbeat.core.capture.Pass;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.event.Performed;
import flailbeat.core.keys.Arrangement;
import flailbeat.core.keys.Hands;
import flailbeat.core.keys.KeyLayout;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.Pedals;
import flailbeat.core.keys.PhysicalKey;
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
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Playing, live and back, and recording. */
public final class Performer {
  private static final int CLICK_BARS_AHEAD = 400;
  private static final long NANOS_PER_MINUTE = 60_000_000_000L;

  private final Document document;
  private final TimingDesk timing;
  private final Changes changes;
  private final Clock clock;
  private final Player player;
  private final Transport transport;
  private final Hands hands = new Hands();
  private final Pedals pedals = new Pedals();
  private long run;
  private KeyLayout layout = KeyLayout.QWERTY;
  private KeysMode keysMode = KeysMode.PLAY;
  private PlaySettings settings = PlaySettings.standard();
  private final Recorder recorder;
  private PlaybackPlan plan = PlaybackPlan.SILENCE;
  private TempoMap tempos;
  private int liveChannel;
  private long endNanos;
  private Transport.State toldState = Transport.State.STOPPED;

  Performer(Document document, TimingDesk timing, Changes changes, Clock clock, Player player) {
    this.document = document;
    this.timing = timing;
    this.changes = changes;
    this.clock = clock;
    this.player = player;
    this.transport = new Transport(clock);
    this.recorder = new Recorder(document, changes);
    this.tempos = document.song().tempos();
    changes.listen(this::onChange);
    sendInstruments();
  }

  public Hands hands() {
    return hands;
  }

  public Transport transport() {
    return transport;
  }

  public KeysMode keysMode() {
    return keysMode;
  }

  /** Gives the letter keys to notes or to commands; what is held ends. */
  public void setKeysMode(KeysMode mode) {
    if (mode != keysMode) {
      releaseAll(clock.nanoTime());
      keysMode = mode;
      changes.fire(Aspect.KEYS);
    }
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

  /** A key goes down at a moment of the clock's. */
  public void press(PhysicalKey key, long atNanos) {
    press(key, false, atNanos);
  }

  /** A key goes down, accented or not. */
  public void press(PhysicalKey key, boolean accented, long atNanos) {
    perform(hands.press(key, accented, atNanos));
  }

  /** Sustain, bend and modulation as they stand. */
  public Pedals pedals() {
    return pedals;
  }

  public void sustain(boolean down, long atNanos) {
    perform(pedals.sustain(down, atNanos));
  }

  public void latchSustain(long atNanos) {
    perform(pedals.toggleLatch(atNanos));
  }

  /** Pulls the bend down (-1) or up (1), or lets it go (0). */
  public void bend(int direction, long atNanos) {
    perform(pedals.pull(direction, atNanos));
  }

  public void modulate(int steps, long atNanos) {
    perform(pedals.modulate(steps, atNanos));
  }

  public void release(PhysicalKey key, long atNanos) {
    perform(hands.release(key, atNanos));
  }

  /** Drawn keys go down. */
  public void press(List<Integer> pitches, int velocity, long atNanos) {
    perform(hands.press(pitches, velocity, atNanos));
  }

  /** The layout of the person's keyboard. */
  public KeyLayout layout() {
    return layout;
  }

  public void setLayout(KeyLayout value) {
    layout = value;
    changes.fire(Aspect.LAYOUT);
    changes.fire(Aspect.KEYS);
  }

  /** Lays the notes out otherwise under the hands. */
  public void setArrangement(Arrangement value) {
    hands.setArrangement(value);
    changes.fire(Aspect.KEYS);
  }

  /** Moves the reach by semitones. */
  public void moveReach(int semitones) {
    hands.moveReach(semitones);
    changes.fire(Aspect.KEYS);
  }

  /** Moves the reach so that a note lies in its middle. */
  public void centreReach(int pitch) {
    hands.centreReach(pitch);
    changes.fire(Aspect.KEYS);
  }

  public void releasePointer(long atNanos) {
    perform(hands.releasePointer(atNanos));
  }

  /** Ends every note under the hands: their releases may never come. */
  public void releaseAll(long atNanos) {
    perform(hands.releaseAll(atNanos));
    perform(pedals.releaseAll(atNanos));
  }

  public void moveOctaves(int octaves) {
    hands.moveOctaves(octaves);
    changes.fire(Aspect.KEYS);
  }

  public void setVelocity(int velocity) {
    hands.setVelocity(velocity);
    changes.fire(Aspect.KEYS);
  }

  /** Silence, at once, whatever sounds. */
  void panic() {
    releaseAll(clock.nanoTime());
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
      releaseAll(now);
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
    perform(pedals.advance(clock.nanoTime()));
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

  private void perform(List<Performed> events) {
    for (Performed event : events) {
      switch (event) {
        case Performed.NoteOn on -> player.noteOn(liveChannel, on.pitch(), on.velocity());
        case Performed.NoteOff off -> player.noteOff(liveChannel, off.pitch());
        case Performed.Control c -> control(ControlPoint.Kind.CONTROLLER, c.number(), c.value());
        case Performed.Bend b -> control(ControlPoint.Kind.PITCH_BEND, 0, b.value());
      }
      recorder.accept(event, transport, run);
    }
    if (!events.isEmpty()) {
      changes.fire(Aspect.KEYS);
      pass().ifPresent(p -> changes.fire(Aspect.PASS));
    }
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
      releaseAll(clock.nanoTime());
      liveChannel = chosen.channel();
    }
  }
}
