package flailbeat.core.session.run;

import flailbeat.core.capture.NoteRepeat;
import flailbeat.core.event.Performed;
import flailbeat.core.model.Song;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.playback.Player;
import flailbeat.core.playback.Repeats;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.hands.LivePart;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.Pulses;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import flailbeat.core.transport.Transport;
import java.util.List;
import java.util.Optional;

/**
 * Note repeat: held notes are struck at every line of a note value, in time with the song while it
 * runs, and else from the moment the first was struck, at the tempo of the place.
 */
public final class Repeater {
  private static final long AHEAD_TICKS = 256L * Ticks.WHOLE;
  private static final long NANOS_PER_MINUTE = 60_000_000_000L;

  private final Document document;
  private final NoteTiming timing;
  private final Transport transport;
  private final Player player;
  private final Changes changes;
  private final NoteRepeat repeat = new NoteRepeat(Repeats.GATE);
  private NoteValue value = NoteValue.straight(16);
  private boolean on;
  private Pulses pulses = Pulses.NONE;
  private List<LivePart> parts = List.of();
  private int lastVelocity;
  private List<Object> basis = List.of();

  Repeater(
      Document document, NoteTiming timing, Transport transport, Player player, Changes changes) {
    this.document = document;
    this.timing = timing;
    this.transport = transport;
    this.player = player;
    this.changes = changes;
  }

  public boolean isOn() {
    return on;
  }

  /** The note value at which notes repeat. */
  public NoteValue value() {
    return value;
  }

  void set(boolean newOn, NoteValue newValue, long nowNanos) {
    on = newOn;
    value = newValue;
    if (!on) {
      repeat.letGoAll();
    }
    rebase(nowNanos);
    changes.fire(Aspect.KEYS);
  }

  void setParts(List<LivePart> wanted) {
    parts = wanted;
    publish();
  }

  /** Hears what the fingers do, and repeats what they hold. */
  void hear(Performed event) {
    if (!on) {
      return;
    }
    switch (event) {
      case Performed.NoteOn note -> {
        if (repeat.held().isEmpty() && !transport.isRunning()) {
          rebase(note.atNanos());
        }
        repeat.hold(note.pitch(), note.velocity(), timeOf(note.atNanos()));
        publish();
      }
      case Performed.NoteOff note -> {
        repeat.letGo(note.pitch());
        publish();
      }
      default -> {
        // Only notes repeat.
      }
    }
  }

  /** Held notes go on with the velocity as it now stands. */
  void setVelocity(int velocity) {
    if (velocity != lastVelocity) {
      lastVelocity = velocity;
      repeat.setVelocity(velocity);
      publish();
    }
  }

  /** What was struck up to a moment of the clock's, stamped in the clock's time. */
  List<Performed> advance(long nowNanos) {
    if (!on || repeat.held().isEmpty()) {
      return List.of();
    }
    if (pulses.horizonNanos() - timeOf(nowNanos) < NANOS_PER_MINUTE) {
      rebase(nowNanos);
    }
    long shift = transport.isRunning() ? transport.unrolledAt(0) : 0;
    return repeat.advance(timeOf(nowNanos)).stream().map(e -> stamped(e, -shift)).toList();
  }

  private static Performed stamped(Performed event, long shift) {
    return switch (event) {
      case Performed.NoteOn e -> new Performed.NoteOn(e.atNanos() + shift, e.pitch(), e.velocity());
      case Performed.NoteOff e -> new Performed.NoteOff(e.atNanos() + shift, e.pitch());
      default -> event;
    };
  }

  private long timeOf(long clockNanos) {
    return transport.isRunning() ? transport.unrolledAt(clockNanos) : clockNanos;
  }

  /** The song is another: in another tempo, meter or swing the pulses lie elsewhere. */
  void followSong(long nowNanos) {
    if (!basis().equals(basis)) {
      rebase(nowNanos);
    }
  }

  private List<Object> basis() {
    return List.of(document.song().tempos(), document.song().meters(), swing());
  }

  /** The pulses lie elsewhere: the song, or whether it runs, has changed. */
  void rebase(long nowNanos) {
    basis = basis();
    if (!on) {
      pulses = Pulses.NONE;
    } else if (transport.isRunning()) {
      pulses = inSong(nowNanos);
    } else {
      pulses = atStandstill(nowNanos);
    }
    repeat.follow(pulses, timeOf(nowNanos));
    publish();
  }

  private Pulses inSong(long nowNanos) {
    Song song = document.song();
    TempoMap tempos = song.tempos();
    long now = tempos.tickAt(transport.songNanosAt(nowNanos));
    TickRange range =
        transport
            .loop()
            .map(
                l -> new TickRange(Math.min(now, tempos.tickAt(l.start())), tempos.tickAt(l.end())))
            .orElse(new TickRange(now, now + AHEAD_TICKS));
    return Pulses.over(range, value, swing(), tempos, song.meters(), transport.loop());
  }

  private Pulses atStandstill(long nowNanos) {
    Song song = document.song();
    long place = song.tempos().tickAt(transport.playStartNanos());
    TempoMap tempos = TempoMap.of(song.tempos().tempoAt(place));
    MeterMap meters = MeterMap.of(song.meters().meterAt(place));
    TickRange range = new TickRange(0, AHEAD_TICKS);
    return Pulses.over(range, value, swing(), tempos, meters, Optional.empty()).shifted(nowNanos);
  }

  private double swing() {
    return timing.settings().swing();
  }

  private void publish() {
    int[] notes = new int[repeat.held().size() * parts.size()];
    long[] firstPulses = new long[notes.length];
    int i = 0;
    for (NoteRepeat.Held note : repeat.held()) {
      for (LivePart part : parts) {
        firstPulses[i] = note.firstPulse();
        notes[i++] = PlaybackPlan.noteOn(part.part(), part.heard(note.pitch()), note.velocity());
      }
    }
    boolean inSongTime = transport.isRunning();
    player.repeat(i == 0 ? Repeats.NONE : new Repeats(pulses, inSongTime, notes, firstPulses));
  }
}
