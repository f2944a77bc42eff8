package flailbeat.audio.midi;

import flailbeat.audio.synth.Feed;
import flailbeat.audio.synth.PortQueue;
import flailbeat.core.playback.Parts;
import flailbeat.core.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.IntStream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The MIDI outputs that parts are sent to. One that is not there, or goes away, is told, and looked
 * for again: what is sent to it meanwhile is lost with it, as on a cable that was pulled. Devices
 * are opened and closed on a thread of its own.
 */
public final class Ports implements AutoCloseable {
  private static final Logger LOG = LoggerFactory.getLogger(Ports.class);

  private final Feed feed;
  private final Clock clock;
  private final MidiOutputs outputs;
  private final MidiMonitor monitor;
  private final ExecutorService away =
      Executors.newSingleThreadExecutor(
          r -> {
            Thread thread = new Thread(r, "midi-outputs");
            thread.setDaemon(true);
            return thread;
          });

  /** The outputs that parts go to, each with its number, for the thread of its own. */
  private final Map<String, Integer> numbers = new LinkedHashMap<>();

  private final Map<String, PortSender> open = new LinkedHashMap<>();
  private final String[] wanted = new String[Parts.MOST];
  private final int[] channels = new int[Parts.MOST];
  private final int[] programs = new int[Parts.MOST];
  private volatile Set<String> missing = Set.of();
  private volatile Set<String> lost = Set.of();
  private volatile boolean closed;

  /** Whether any part was ever sent to an output. */
  private volatile boolean used;

  /** A device that takes its time is looked for once at a time. */
  private final AtomicBoolean looking = new AtomicBoolean();

  public Ports(Feed feed, Clock clock, MidiOutputs outputs, MidiMonitor monitor) {
    this.feed = feed;
    this.clock = clock;
    this.outputs = outputs;
    this.monitor = monitor;
  }

  /** The names of the outputs that there are. May take a while. */
  public List<String> names() {
    return outputs.all().stream().map(MidiOutput::name).distinct().toList();
  }

  /** The outputs that parts are sent to and that are not there. */
  public Set<String> missing() {
    return missing;
  }

  /**
   * Sends a part to an output, or to the synthesizer.
   *
   * @param port the output's name; empty for the synthesizer
   * @param program what the output is told to sound like, 0 to 127
   */
  public void send(int part, String port, int channel, int program) {
    used |= !port.isEmpty();
    if (port.isEmpty()) {
      feed.clearRoute(part);
    }
    away.execute(() -> take(part, port, channel, program));
  }

  /** Has an output that a part is sent to sound like another program. */
  public void program(int part, int program) {
    away.execute(
        () -> {
          programs[part] = program;
          feed.live().offerProgram(part, program);
        });
  }

  private void take(int part, String port, int channel, int program) {
    wanted[part] = port.isEmpty() ? null : port;
    channels[part] = channel;
    programs[part] = program;
    closeUnused();
    if (port.isEmpty()) {
      // An earlier wish may have come to be after this one was asked for.
      feed.clearRoute(part);
    } else {
      lead(part);
    }
    tellMissing();
  }

  /** Leads a part to the output that it wants; where there is no room for one more, it stays. */
  private void lead(int part) {
    OptionalInt number = numberOf(wanted[part]);
    if (number.isEmpty()) {
      LOG.warn("No more than {} MIDI outputs at once", Feed.MOST_PORTS);
      feed.clearRoute(part);
      return;
    }
    ensureOpen(wanted[part]);
    feed.setRoute(part, number.getAsInt(), channels[part]);
    feed.live().offerProgram(part, programs[part]);
  }

  private OptionalInt numberOf(String port) {
    if (!numbers.containsKey(port)) {
      OptionalInt free =
          IntStream.range(0, Feed.MOST_PORTS).filter(n -> !numbers.containsValue(n)).findFirst();
      if (free.isEmpty()) {
        return free;
      }
      numbers.put(port, free.getAsInt());
      feed.setPort(free.getAsInt(), new PortQueue());
    }
    return OptionalInt.of(numbers.get(port));
  }

  /** Whether it was opened now. */
  private boolean ensureOpen(String port) {
    if (closed || open.containsKey(port)) {
      return false;
    }
    Optional<MidiOutput> output = outputs.named(port);
    if (output.isEmpty()) {
      return false;
    }
    try {
      output.get().open();
    } catch (MidiOutputLost e) {
      LOG.warn("{}", e.getMessage());
      return false;
    }
    PortQueue queue = new PortQueue();
    PortSender sender = new PortSender(output.get(), queue, clock, monitor, this::onLost);
    open.put(port, sender);
    feed.setPort(numbers.get(port), queue);
    sender.start();
    return true;
  }

  private void onLost(String name) {
    Set<String> all = new TreeSet<>(lost);
    all.add(name);
    lost = all;
  }

  private void closeUnused() {
    Set<String> used = new HashSet<>(Arrays.asList(wanted));
    for (String name : new ArrayList<>(numbers.keySet())) {
      if (!used.contains(name)) {
        if (open.containsKey(name)) {
          open.remove(name).finish();
        }
        feed.setPort(numbers.remove(name), new PortQueue());
      }
    }
  }

  private void tellMissing() {
    Set<String> result = new TreeSet<>();
    for (String each : wanted) {
      if (each != null && !open.containsKey(each)) {
        result.add(each);
      }
    }
    missing = Set.copyOf(result);
  }

  /** Called now and then, and never waits: outputs that went are let go, and looked for again. */
  public void watch() {
    if (used && !closed && looking.compareAndSet(false, true)) {
      away.execute(
          () -> {
            try {
              look();
            } finally {
              looking.set(false);
            }
          });
    }
  }

  private void look() {
    boolean any = false;
    for (String each : wanted) {
      any |= each != null;
    }
    if (!any) {
      return;
    }
    for (Map.Entry<String, PortSender> each : new ArrayList<>(open.entrySet())) {
      if (lost.contains(each.getKey()) || !each.getValue().output().isThere()) {
        open.remove(each.getKey());
        each.getValue().finish();
        feed.setPort(numbers.get(each.getKey()), new PortQueue());
        LOG.warn("{} went away", each.getKey());
      }
    }
    lost = Set.of();
    Set<String> anew = new HashSet<>();
    for (int part = 0; part < wanted.length; part++) {
      if (wanted[part] != null && !numbers.containsKey(wanted[part])) {
        lead(part);
      } else if (wanted[part] != null && ensureOpen(wanted[part])) {
        anew.add(wanted[part]);
      }
    }
    for (int part = 0; part < wanted.length; part++) {
      if (wanted[part] != null && anew.contains(wanted[part])) {
        feed.live().offerProgram(part, programs[part]);
      }
    }
    tellMissing();
  }

  @Override
  public void close() {
    closed = true;
    away.execute(
        () -> {
          open.values().forEach(PortSender::finish);
          open.clear();
        });
    away.shutdown();
  }
}
