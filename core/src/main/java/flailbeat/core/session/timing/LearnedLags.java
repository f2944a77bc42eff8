package flailbeat.core.session.timing;

import flailbeat.core.model.Song;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.lag.KnownLag;
import flailbeat.core.quantize.lag.LagPrior;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.hands.Performer;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Supplier;

/**
 * Learns how late the person plays, by input, from parts that were quantized and kept: it is what
 * tells a part that answers from weak places from one that is late. A part counts when its reading
 * was next to sure, or was chosen by the person, and its quantizing was not undone by the time that
 * anything else is done.
 */
public final class LearnedLags {
  /** A pass that stands is no more than a hint, and is forgotten with the song. */
  private static final double LIKELY = 0.7;

  /** So many passes are remembered. */
  private static final int PASSES = 8;

  private final Document document;
  private final Changes changes;
  private final Map<String, KnownLag> known = new TreeMap<>();
  private final Map<TrackId, String> inputs = new HashMap<>();
  private final Map<String, List<Double>> passes = new HashMap<>();
  private List<Part> pending = new ArrayList<>();
  private final Supplier<String> input;
  private int openings;

  /** A part that was quantized and may yet be undone. */
  private record Part(String input, double lagMs, Song before, Song after) {}

  /**
   * Nothing is known yet.
   *
   * @param input what was played last
   */
  public LearnedLags(Document document, Changes changes, Supplier<String> input) {
    this.document = document;
    this.input = input;
    this.changes = changes;
    changes.listen(
        change -> {
          if (change.isOf(Aspect.SONG)) {
            settle();
          }
        });
  }

  /** What is known of each input. */
  public Map<String, KnownLag> all() {
    return Collections.unmodifiableMap(known);
  }

  /** Takes over what was learned at other times. */
  public void setAll(Map<String, KnownLag> value) {
    known.clear();
    value.forEach((name, lag) -> known.put(name, lag == null ? KnownLag.NONE : lag));
    changes.fire(Aspect.SETTINGS);
  }

  /** Forgets all of it: another person plays, or by other devices. */
  public void forget() {
    pending = new ArrayList<>();
    known.clear();
    passes.clear();
    changes.fire(Aspect.SETTINGS);
  }

  /**
   * A lag is that of a person with a device and what is taken off: with others it is another, and
   * all is forgotten. A buffer that grows by itself, because it must, is no choice.
   *
   * @param devices what the person chose
   */
  public void forgetWithOther(Supplier<List<Object>> devices) {
    List<Object> chosen = new ArrayList<>(devices.get());
    changes.listen(
        change -> {
          List<Object> now = devices.get();
          if (change.isOf(Aspect.SETTINGS) && !chosen.equals(now)) {
            chosen.clear();
            chosen.addAll(now);
            forget();
          }
        });
  }

  /** What is known of the input that was played last. */
  public KnownLag now() {
    return known.getOrDefault(input.get(), KnownLag.NONE);
  }

  /** The input that was played last. */
  public String input() {
    return input.get();
  }

  /** A pass was recorded onto a track by the input that was played last. */
  void recorded(TrackId track) {
    inputs.put(track, input.get());
  }

  /** A pass was quantized as it was recorded: so late the passes after it are likely to be. */
  void passKept(TrackId track, QuantizePlan.WholeReading reading) {
    if (reading.weight() > LIKELY) {
      List<Double> before = passes.getOrDefault(inputOf(track), List.of());
      List<Double> all = new ArrayList<>(before);
      all.add(reading.lagMs());
      passes.put(inputOf(track), all.subList(Math.max(0, all.size() - PASSES), all.size()));
    }
  }

  /**
   * What is expected of the lag of a track's notes: what was learned of the person, else how late
   * the passes before were.
   */
  LagPrior prior(TrackId track) {
    String by = inputOf(track);
    KnownLag lag = known.getOrDefault(by, KnownLag.NONE);
    List<Double> before = passes.getOrDefault(by, List.of());
    return lag.partsMs().isEmpty() && !before.isEmpty() ? LagPrior.ofParts(before) : lag.prior();
  }

  private String inputOf(TrackId track) {
    return inputs.getOrDefault(track, Performer.KEYS);
  }

  /**
   * A track was quantized.
   *
   * @param confirmed whether the person has chosen the reading
   */
  void quantized(TrackId track, QuantizePlan plan, boolean confirmed, Song before, Song after) {
    plan.readings().stream()
        .findFirst()
        .filter(r -> before != after && (confirmed || r.isSure()))
        .ifPresent(r -> pending.add(new Part(inputOf(track), r.lagMs(), before, after)));
  }

  /** What was done and stands is learned from; what was undone is not. */
  private void settle() {
    if (openings != document.openings()) {
      openings = document.openings();
      inputs.clear();
      passes.clear();
    }
    Song now = document.song();
    List<Part> open = new ArrayList<>();
    for (Part part : pending) {
      if (part.after() == now) {
        open.add(part);
      } else if (part.before() != now) {
        known.merge(part.input(), KnownLag.NONE.with(part.lagMs()), (a, b) -> a.with(part.lagMs()));
      }
    }
    boolean learned = open.size() < pending.size();
    pending = open;
    if (learned) {
      changes.fire(Aspect.SETTINGS);
    }
  }

  /** In words: how late the person usually is; empty while nothing is known. */
  public Optional<String> inWords() {
    KnownLag lag = now();
    int parts = lag.partsMs().size();
    return parts == 0
        ? Optional.empty()
        : Optional.of(
            String.format(
                Locale.ROOT,
                "You usually play %.0f ms %s, give or take %.0f, from %d %s",
                Math.abs(lag.meanMs()),
                lag.meanMs() < 0 ? "early" : "late",
                lag.spreadMs(),
                parts,
                parts == 1 ? "part" : "parts"));
  }
}
