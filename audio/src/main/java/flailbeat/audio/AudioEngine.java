package flailbeat.audio;

import flailbeat.audio.line.GrowingLine;
import flailbeat.audio.line.LineLost;
import flailbeat.audio.line.OutputLine;
import flailbeat.audio.line.Outputs;
import flailbeat.audio.line.SilentLine;
import flailbeat.audio.line.SystemOutputs;
import flailbeat.audio.midi.MidiMonitor;
import flailbeat.audio.midi.MidiOutputs;
import flailbeat.audio.midi.Ports;
import flailbeat.audio.sound.OwnFile;
import flailbeat.audio.sound.SoundLibrary;
import flailbeat.audio.synth.Feed;
import flailbeat.audio.synth.Renderer;
import flailbeat.audio.synth.Run;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.SoundedKeys;
import flailbeat.core.playback.ClickSound;
import flailbeat.core.playback.Parts;
import flailbeat.core.playback.Plans;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.playback.Player;
import flailbeat.core.playback.Repeats;
import flailbeat.core.playback.SoundSettings;
import flailbeat.core.time.Clock;
import flailbeat.core.time.Loop;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.BiConsumer;
import java.util.function.BooleanSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Plays: owns the synthesizer, the audio thread and the line. Where there is no device, or it goes
 * away, it goes on in silence at the right speed and says so.
 *
 * <p>Its methods are for one thread, the session's, and never wait. The synthesizer and the device
 * are opened and sounds are loaded on threads of its own.
 */
public final class AudioEngine implements Player, AutoCloseable {
  private static final Logger LOG = LoggerFactory.getLogger(AudioEngine.class);
  private static final long LEAD_NANOS = 12_000_000;
  private static final long HUNG_NANOS = 1_500_000_000;

  private final Clock clock;
  private final Outputs outputs;
  private final Feed feed = new Feed();
  private final SoundLibrary library = new SoundLibrary();
  private final MidiMonitor monitor = new MidiMonitor();
  private final Ports ports;
  private final SoundLoader sounds;
  private final CompletableFuture<Renderer> renderer;
  private final String[] output = new String[Parts.MOST];
  private volatile Optional<String> fault = Optional.empty();
  private volatile AudioThread thread;
  private volatile SoundSettings settings = SoundSettings.standard();
  private volatile int bufferBytes;
  private volatile int openings;
  private volatile boolean closed;

  AudioEngine(Clock clock, Outputs outputs, MidiOutputs midiOutputs) {
    this.clock = clock;
    this.outputs = outputs;
    this.ports = new Ports(feed, clock, midiOutputs, monitor);
    this.sounds = new SoundLoader(library, this::wake, why -> fault = Optional.of(why));
    this.renderer = sounds.synth().thenApply(s -> new Renderer(s, feed));
  }

  /** An engine for the system's devices; {@link #open} begins to sound. */
  public static AudioEngine onDevice(Clock clock) {
    return new AudioEngine(clock, new SystemOutputs(clock), MidiOutputs.ofSystem());
  }

  /** An engine that is silent on purpose, for tests and measurements. */
  public static AudioEngine silent(Clock clock) {
    AudioEngine engine = new AudioEngine(clock, new SystemOutputs(clock), MidiOutputs.ofSystem());
    engine.startOn(new SilentLine(clock), Optional.empty(), () -> true);
    engine.loadRest();
    return engine;
  }

  /** Begins to sound on a device, or goes over to another; what plays goes on. */
  public void open(SoundSettings wanted) {
    settings = wanted;
    openDevice(wanted.bufferToBegin(GrowingLine.SIZES.getFirst()));
  }

  /**
   * Lets the sounds of other parts load than of the first: called once the window is there, which
   * has more need of the processor until then.
   */
  public void loadRest() {
    sounds.loadRest();
  }

  /** The devices that there are. May take a while. */
  public List<String> devices() {
    return outputs.names();
  }

  /** How much the device's buffer holds now; 0 while there is none. */
  public int bufferBytes() {
    AudioThread current = thread;
    return current != null && current.isOnDevice() ? bufferBytes : 0;
  }

  /** How long it is from a key to its sound through the device's buffer, at most. */
  public long latencyNanos() {
    AudioThread current = thread;
    return current == null ? 0 : current.latencyNanos();
  }

  /** Why nothing is heard, in a line for the person; empty when all is well. */
  public Optional<String> fault() {
    return fault;
  }

  /** The sounds that there are. */
  public SoundLibrary library() {
    return library;
  }

  /** The MIDI outputs. */
  public Ports ports() {
    return ports;
  }

  /** What came in and went out by MIDI. */
  public MidiMonitor monitor() {
    return monitor;
  }

  /** Says who is told, on another thread, which pitches a sound has that was loaded. */
  public void onKeys(BiConsumer<Instrument, SoundedKeys> listener) {
    sounds.onKeys(listener);
  }

  /** A file with sounds has become known: what waits for one of them gets it. */
  public void add(OwnFile file) {
    library.add(file);
    sounds.loadAnew(file.fingerprint());
  }

  /** The level of a part lately, 0 to 1. */
  public float level(int part) {
    return feed.level(part);
  }

  /** The level that left it lately, 0 to 1. */
  public float peak() {
    return feed.peak();
  }

  /** How many live notes could not be taken, ever. */
  public int lostLiveNotes() {
    return feed.live().lost();
  }

  /** Looks for the device again; what plays goes on. */
  public void retryDevice() {
    open(settings);
  }

  /** Called now and then, and never waits: a device that hangs gets more room, or is given up. */
  public void watch() {
    ports.watch();
    AudioThread current = thread;
    if (current == null
        || !current.isOnDevice()
        || clock.nanoTime() - current.lastBlockNanos() <= HUNG_NANOS) {
      return;
    }
    current.abandon();
    int larger = GrowingLine.larger(bufferBytes);
    if (settings.isAutomatic() && larger > bufferBytes) {
      LOG.info("The device hangs with a buffer of {} bytes", bufferBytes);
      openDevice(larger);
    } else {
      goSilent(current, "the sound device does not answer");
    }
  }

  private void openDevice(int buffer) {
    int mine = ++openings;
    SoundSettings wanted = settings;
    AudioThread hung = thread != null && thread.isAbandoned() ? thread : null;
    bufferBytes = buffer;
    away(
        () -> {
          if (hung != null) {
            hung.awaitLetGo();
          }
          try {
            OutputLine line =
                new GrowingLine(
                    clock,
                    outputs,
                    wanted.device(),
                    buffer,
                    wanted.isAutomatic(),
                    bytes -> bufferBytes = bytes);
            startOn(line, Optional.empty(), () -> mine == openings);
          } catch (LineLost | RuntimeException e) {
            LOG.debug("The device does not open", e);
            boolean any = wanted.device().isEmpty();
            String why = any ? "no sound device was found" : wanted.device() + " does not open";
            startOn(new SilentLine(clock), Optional.of(why), () -> mine == openings);
          }
        });
  }

  private void goSilent(AudioThread ended, String why) {
    away(() -> startOn(new SilentLine(clock), Optional.of(why), () -> thread == ended));
  }

  /** Devices may take their time: nobody waits for them. */
  private void away(Runnable work) {
    Runnable told =
        () -> {
          try {
            work.run();
          } catch (RuntimeException e) {
            LOG.error("The sound does not start", e);
            fault = Optional.of("the sound does not start (" + e + ")");
          }
        };
    daemon(told, "sound-device").start();
  }

  /** Goes over to a line, unless by the time its turn has come another is there instead. */
  private synchronized void startOn(
      OutputLine line, Optional<String> why, BooleanSupplier isStillWanted) {
    if (closed || !isStillWanted.getAsBoolean()) {
      line.close();
      return;
    }
    why.ifPresent(w -> LOG.warn("Going on in silence: {}", w));
    fault = why;
    if (thread != null) {
      thread.finish();
    }
    thread =
        new AudioThread(
            renderer.join(), line, clock, this::goSilent, failed -> fault = Optional.of(failed));
    thread.start();
    if (closed) {
      thread.finish();
    }
  }

  private void wake() {
    AudioThread current = thread;
    if (current != null) {
      current.wake();
    }
  }

  @Override
  public void noteOn(int part, int pitch, int velocity) {
    feed.live().offer(PlaybackPlan.noteOn(part, pitch, velocity));
    wake();
  }

  @Override
  public void noteOff(int part, int pitch) {
    feed.live().offer(PlaybackPlan.noteOff(part, pitch));
    wake();
  }

  @Override
  public void control(int part, Control control) {
    int status = control.kind().status();
    feed.live().offer(PlaybackPlan.message(part, status, control.data1(), control.data2()));
    wake();
  }

  @Override
  public void allNotesOff() {
    feed.silence();
    wake();
  }

  @Override
  public void instrument(int part, Instrument instrument) {
    if (sounds.choose(part, instrument) && output[part] != null) {
      ports.program(part, instrument.program());
    }
  }

  @Override
  public void tryInstrument(int part, Instrument instrument) {
    sounds.tryOut(part, instrument);
  }

  @Override
  public void dial(int part, Control control) {
    int status = control.kind().status();
    feed.live().offerDial(PlaybackPlan.message(part, status, control.data1(), control.data2()));
    wake();
  }

  @Override
  public void output(int part, String port, int channel) {
    output[part] = port.isEmpty() ? null : port;
    ports.send(part, port, channel, sounds.program(part));
  }

  @Override
  public long leadNanos() {
    return LEAD_NANOS + latencyNanos();
  }

  @Override
  public void cue(PlaybackPlan plan, long songNanos, long clockNanos, Optional<Loop> loop) {
    feed.setRun(new Run(Plans.always(plan), songNanos, clockNanos, loop));
    wake();
  }

  @Override
  public void replace(Plans plans) {
    Run run = feed.run();
    if (run != null) {
      run.setPlans(plans);
    }
  }

  @Override
  public void repeat(Repeats repeats) {
    feed.setRepeats(repeats);
    wake();
  }

  @Override
  public void click(ClickSound sound, double level) {
    feed.setClick(sound, level);
  }

  @Override
  public void halt() {
    feed.setRun(null);
  }

  @Override
  public long songOffsetNanos() {
    Run run = feed.run();
    return run == null ? 0 : run.offsetNanos();
  }

  /** For measurements: sees each block on the audio thread after it was rendered. */
  public void setTap(AudioThread.Tap tap) {
    thread.setTap(tap);
  }

  @Override
  public void close() {
    closed = true;
    sounds.close();
    ports.close();
    AudioThread current = thread;
    if (current != null) {
      current.finish();
    }
  }

  private static Thread daemon(Runnable work, String name) {
    Thread thread = new Thread(work, name);
    thread.setDaemon(true);
    return thread;
  }
}
