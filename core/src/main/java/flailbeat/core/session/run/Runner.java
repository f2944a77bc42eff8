package flailbeat.core.session.run;

import flailbeat.core.model.Song;
import flailbeat.core.playback.Plans;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.playback.Player;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Looping;
import flailbeat.core.session.document.Notice;
import flailbeat.core.time.Clock;
import flailbeat.core.time.Loop;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.transport.Transport;
import flailbeat.core.transport.Transport.Start;
import java.util.Optional;

/** The song as it plays: where it starts, where it is, where it ends, and what of it is heard. */
final class Runner {
  /** How long before the loop begins anew the next round is made ready. */
  static final long READY_NANOS = 250_000_000;

  private static final long NANOS_PER_MINUTE = 60_000_000_000L;

  private final Document document;
  private final Looping looping;
  private final HeardPlans plans;
  private final Changes changes;
  private final Clock clock;
  private final Player player;
  private final Transport transport;
  private Run running = new NoRun();
  private PlaySettings settings = PlaySettings.standard();
  private PlaybackPlan plan = PlaybackPlan.SILENCE;
  private TempoMap tempos;
  private long endNanos;
  private long runs;
  private Transport.State toldState = Transport.State.STOPPED;

  Runner(
      Document document,
      Looping looping,
      HeardPlans plans,
      Changes changes,
      Clock clock,
      Player player,
      Transport transport) {
    this.document = document;
    this.looping = looping;
    this.plans = plans;
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
  long runs() {
    return runs;
  }

  /** Song position in ticks, as heard now. */
  long positionTicks() {
    return document.song().tempos().tickAt(transport.positionNanos());
  }

  /** The tick at which the next start begins, and to which stopping returns. */
  long playStartTicks() {
    return document.song().tempos().tickAt(transport.playStartNanos());
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
    transport.setPlayStartNanos(document.song().tempos().nanosAt(Math.max(0, tick)));
  }

  /** The play start or, where that lies behind the loop, the loop's start. */
  long startTick() {
    long place = playStartTicks();
    return looping.active().filter(r -> place >= r.end()).map(TickRange::start).orElse(place);
  }

  Optional<Loop> loop() {
    TempoMap map = document.song().tempos();
    return looping.active().map(r -> new Loop(map.nanosAt(r.start()), map.nanosAt(r.end())));
  }

  /** Makes the plans of what is heard. */
  HeardPlans plans() {
    return plans;
  }

  Transport transport() {
    return transport;
  }

  /** What goes on now. */
  Run now() {
    return running;
  }

  /**
   * Starts something from the play start or, where that lies behind the loop, from the loop's
   * start.
   */
  public void start(Run what) {
    start(what, false);
  }

  /** Starts a recording, after its count-in. */
  public void start(RecordingRun what) {
    start(what, true);
  }

  private void start(Run what, boolean record) {
    if (transport.isRunning()) {
      return;
    }
    Song song = document.song();
    long fromTick = startTick();
    long countIn = record ? countInTicks(fromTick) : 0;
    long from = song.tempos().nanosAt(fromTick);
    long countInNanos = from - song.tempos().nanosAt(fromTick - countIn);
    plan = what.plan();
    running = what;
    begin(new Start(record, from, countInNanos, loop()));
  }

  /** Starts something that has a plan of its own, at a song time, with no loop. */
  void startAt(Run what, long fromNanos) {
    plan = what.plan();
    running = what;
    begin(new Start(false, fromNanos, 0, Optional.empty()));
  }

  private long countInTicks(long fromTick) {
    return settings.countIn().ticks(document.song().meters().meterAt(fromTick));
  }

  /** The plan of a song from where it is, or from where it will start. */
  PlaybackPlan planOf(Song song, boolean click) {
    return plans.from(song, planFrom(), 0, click);
  }

  /** The plan of a song with a count-in before it, unless that is over. */
  PlaybackPlan countedIn(Song song, boolean click) {
    long from = planFrom();
    return plans.from(song, from, isAhead() ? countInTicks(from) : 0, click);
  }

  private boolean isAhead() {
    return !transport.isRunning() || transport.state() == Transport.State.COUNTING_IN;
  }

  private long planFrom() {
    return isAhead() ? startTick() : Math.max(0, positionTicks());
  }

  private void begin(Start start) {
    long heardAt = clock.nanoTime() + player.leadNanos();
    transport.start(start, heardAt);
    runs++;
    player.cue(plan, start.firstNanos(), heardAt, start.loop());
    tell();
  }

  /** Stops, and with it what goes on; says what came of that. */
  Optional<Notice> stop(long unrolledNanos) {
    transport.stop();
    player.halt();
    Run ended = running;
    running = new NoRun();
    return ended.end(unrolledNanos);
  }

  /** Makes what is heard follow the song and the settings while it runs. */
  void replan() {
    if (transport.isRunning() && running.followsSong()) {
      plan = running.plan();
      publish();
    }
  }

  /** Hands over what is heard, with what is known of the next round of the loop. */
  void publish() {
    player.replace(
        running
            .nextRound()
            .map(n -> new Plans(plan, plans.of(n.song(), plan.clicks()), n.turn()))
            .orElse(Plans.always(plan)));
  }

  /** The unrolled time that is heard now. */
  long unrolledNow() {
    return transport.unrolledAt(clock.nanoTime());
  }

  /** Whether so little is left of a round of the loop that the next must be ready. */
  boolean isNear(long leftNanos) {
    return leftNanos <= READY_NANOS + player.leadNanos();
  }

  /** Keeps the click going, and tells of a count-in that is over. */
  void follow() {
    if (clicksRunOut(transport.positionNanos())) {
      replan();
    }
    if (transport.state() != toldState) {
      tell();
    }
  }

  private boolean clicksRunOut(long position) {
    return transport.loop().isEmpty()
        && plan.clicks().size() > 0
        && plan.clicks().horizonNanos() - position < NANOS_PER_MINUTE;
  }

  /** Whether the song is over: it plays on where it was started beyond its end. */
  boolean isPastEnd() {
    return transport.loop().isEmpty()
        && transport.playStartNanos() < endNanos
        && transport.positionNanos() >= endNanos;
  }

  /** Where playing stops: the end of the last bar with notes; 0 without notes. */
  private long measureEnd() {
    Song song = document.song();
    long end = song.end();
    long bars = end == 0 ? 0 : song.meters().wholeBars(new TickRange(0, end)).end();
    return song.tempos().nanosAt(bars);
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
    long place = tempos.tickAt(transport.playStartNanos());
    long position = tempos.tickAt(transport.positionNanos());
    tempos = document.song().tempos();
    goOnFrom(transport.isRunning() ? position : place, place);
  }

  /** The loop is another: what plays goes on from where it is. */
  void followLoop() {
    goOnFrom(positionTicks(), playStartTicks());
  }

  /** Starts anew at a tick, if it runs; stopping will return to the play start. */
  private void goOnFrom(long tick, long place) {
    boolean runs = transport.isRunning();
    player.halt();
    transport.setPlayStartNanos(tempos.nanosAt(tick));
    if (runs) {
      start(running);
    }
    transport.setReturnNanos(tempos.nanosAt(place));
  }

  /** Tells of another state, or another play start. */
  void tell() {
    toldState = transport.state();
    changes.fire(Aspect.TRANSPORT);
  }
}
