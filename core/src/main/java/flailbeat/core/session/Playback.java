package flailbeat.core.session;

import flailbeat.core.model.Song;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.Plans;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.playback.Player;
import flailbeat.core.time.Clock;
import flailbeat.core.time.Loop;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.transport.Transport;
import flailbeat.core.transport.Transport.Start;
import java.util.Optional;
import java.util.function.Supplier;

/** The song as it plays: where it starts, where it is, where it ends, and what of it is heard. */
final class Playback {
  private static final long NANOS_PER_MINUTE = 60_000_000_000L;

  private final Document document;
  private final Looping looping;
  private final Heard heard;
  private final Changes changes;
  private final Clock clock;
  private final Player player;
  private final Transport transport;
  private Supplier<Optional<NextRound>> nextRound = Optional::empty;
  private PlaySettings settings = PlaySettings.standard();
  private PlaybackPlan plan = PlaybackPlan.SILENCE;
  private TempoMap tempos;
  private long endNanos;
  private long run;
  private boolean planIsFixed;
  private Transport.State toldState = Transport.State.STOPPED;

  Playback(
      Document document,
      Looping looping,
      Heard heard,
      Changes changes,
      Clock clock,
      Player player,
      Transport transport) {
    this.document = document;
    this.looping = looping;
    this.heard = heard;
    this.changes = changes;
    this.clock = clock;
    this.player = player;
    this.transport = transport;
    this.tempos = document.song().tempos();
  }

  PlaySettings settings() {
    return settings;
  }

  void setSettings(PlaySettings value) {
    settings = value;
    player.click(value.clickSound(), value.clickLevel() / 100.0);
    replan();
    changes.fire(Aspect.SETTINGS);
  }

  /** Counts the starts: what was played in one run was played in one go. */
  long run() {
    return run;
  }

  /** Song position in ticks, as heard now. */
  long positionTicks() {
    return document.song().tempos().tickAt(transport.positionNanos());
  }

  /** The tick at which the next start begins, and to which stopping returns. */
  long placeTicks() {
    return document.song().tempos().tickAt(transport.placeNanos());
  }

  /** How much of a beat a moment is on: within an eighth of it either way. */
  double beatAt(long atNanos) {
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

  void setPlace(long tick) {
    transport.setPlaceNanos(document.song().tempos().nanosAt(Math.max(0, tick)));
  }

  /** The place or, where that lies behind the loop, the loop's start. */
  long startTick() {
    long place = placeTicks();
    return looping.active().filter(r -> place >= r.end()).map(TickRange::start).orElse(place);
  }

  Optional<Loop> loop() {
    TempoMap map = document.song().tempos();
    return looping.active().map(r -> new Loop(map.nanosAt(r.start()), map.nanosAt(r.end())));
  }

  void start(boolean record) {
    if (transport.isRunning()) {
      return;
    }
    Song song = document.song();
    long fromTick = startTick();
    long countIn = record ? settings.countIn().ticks(song.meters().meterAt(fromTick)) : 0;
    long from = song.tempos().nanosAt(fromTick);
    long countInNanos = from - song.tempos().nanosAt(fromTick - countIn);
    plan = heard.from(fromTick, countIn, clicks(record));
    planIsFixed = false;
    begin(new Start(record, from, countInNanos, loop()));
  }

  /** Plays nothing but the click over a stretch. */
  void startClicks(TickRange range) {
    plan = heard.clicksAlone(range);
    planIsFixed = true;
    long from = document.song().tempos().nanosAt(range.start());
    begin(new Start(false, from, 0, Optional.empty()));
  }

  /** Plays another song than the document's, with clicks of its own, from its first bar line on. */
  void startWith(Song song, ClickTrack clicks) {
    plan = PlaybackPlan.of(song, clicks, 0);
    planIsFixed = true;
    begin(new Start(false, Math.max(0, clicks.nanosAt(0)), 0, Optional.empty()));
  }

  private void begin(Start start) {
    long heardAt = clock.nanoTime() + player.leadNanos();
    transport.start(start, heardAt);
    run++;
    player.cue(plan, start.firstNanos(), heardAt, start.loop());
    tell();
  }

  private boolean clicks(boolean record) {
    return record ? settings.clickInRecord() : settings.clickInPlay();
  }

  void halt() {
    transport.stop();
    player.halt();
  }

  /** Makes what is heard follow the song and the settings while it runs. */
  void replan() {
    if (transport.isRunning() && !planIsFixed) {
      boolean countingIn = transport.state() == Transport.State.COUNTING_IN;
      long from = countingIn ? startTick() : Math.max(0, positionTicks());
      long countIn =
          countingIn ? settings.countIn().ticks(document.song().meters().meterAt(from)) : 0;
      plan = heard.from(from, countIn, clicks(transport.isRecording()));
      publish();
    }
  }

  /** Hands over what is heard, with what is known of the next round of the loop. */
  void publish() {
    player.replace(
        nextRound
            .get()
            .map(n -> new Plans(plan, heard.of(n.song(), plan.clicks()), n.turn()))
            .orElse(Plans.always(plan)));
  }

  /** Asks from now on, whenever what is heard changes, what the next round of the loop will be. */
  void askNextRound(Supplier<Optional<NextRound>> question) {
    nextRound = question;
  }

  /** Follows what is heard, frame by frame; true once the song is over. */
  boolean follow() {
    long position = transport.positionNanos();
    if (clicksRunOut(position)) {
      replan();
    }
    if (!transport.isRecording() && isPastEnd(position)) {
      return true;
    }
    if (transport.state() != toldState) {
      tell();
    }
    return false;
  }

  private boolean clicksRunOut(long position) {
    return transport.loop().isEmpty()
        && plan.clicks().size() > 0
        && plan.clicks().horizonNanos() - position < NANOS_PER_MINUTE;
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

  /** Whether it plays something of its own, which is no plan of the song. */
  boolean isFixed() {
    return transport.isRunning() && planIsFixed;
  }

  boolean isOfAnotherTempo() {
    return !document.song().tempos().equals(tempos);
  }

  /** The song is another: in another tempo, what plays goes on from the same tick. */
  void followSong() {
    endNanos = measureEnd();
    if (!isOfAnotherTempo()) {
      replan();
      return;
    }
    long place = tempos.tickAt(transport.placeNanos());
    long position = tempos.tickAt(transport.positionNanos());
    tempos = document.song().tempos();
    goOnFrom(transport.isRunning() ? position : place, place);
  }

  /** The loop is another: what plays goes on from where it is. */
  void followLoop() {
    goOnFrom(positionTicks(), placeTicks());
  }

  /** Starts anew at a tick, if it runs; stopping will return to the place. */
  private void goOnFrom(long tick, long place) {
    boolean running = transport.isRunning();
    player.halt();
    transport.setPlaceNanos(tempos.nanosAt(tick));
    if (running) {
      start(false);
    }
    transport.setReturnNanos(tempos.nanosAt(place));
  }

  void tell() {
    toldState = transport.state();
    changes.fire(Aspect.TRANSPORT);
  }
}
