package flailbeat.core.quantize.beat;

import flailbeat.core.work.Progress;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/**
 * Finds tempo and bar line of a phrase that was played with no click.
 *
 * <p>Many ways to count along are begun, at tempos from 55 to 190, in straight and in triplet
 * division and from each place of the beat; each is followed through the phrase ({@link Pulse}), a
 * few branches kept at each event, and the likeliest are offered, told apart by tempo and by where
 * the beat lies (after S. Dixon, Journal of New Music Research 30(1), 2001: many agents that follow
 * the beat, with the best one chosen; from memory). Which beat begins the bar is judged by what
 * stands on it ({@link BarLine}). O(n) for n events.
 */
public final class BeatFinder {
  private static final double SLOWEST_BPM = 55;
  private static final double FASTEST_BPM = 190;
  private static final double TEMPO_STEP = 1.035;

  /** People play near this tempo most often, others less by the logarithm of their distance. */
  private static final double USUAL_BPM = 112;

  private static final double USUAL_SPREAD = 0.33;
  private static final int BRANCHES = 4;
  private static final int BEST = 24;

  /** So many events say which beginnings are worth being followed to the end. */
  private static final int BEGINNING = 120;

  /** Guesses whose tempos differ by less, and whose beats lie closer, are one. */
  private static final double ONE_TEMPO = 0.04;

  private static final double ONE_PLACE = 0.2;
  private static final double CAUTION = 0.5;
  private static final double MS_PER_MINUTE = 60_000;

  /** So many guesses are offered. */
  public static final int OFFERED = 4;

  /** What is needed to hear a beat. */
  public static final int LEAST_STROKES = 4;

  private final List<Stroke> strokes;
  private final int beatsPerBar;

  /**
   * Poses the question.
   *
   * @param strokes in order of time
   * @param beatsPerBar of the song's meter
   */
  public BeatFinder(List<Stroke> strokes, int beatsPerBar) {
    this.strokes = List.copyOf(strokes);
    this.beatsPerBar = beatsPerBar;
  }

  /** The best few guesses, the likeliest first; none for fewer than four events. */
  public List<BeatGuess> guesses() {
    return guesses(Progress.NONE);
  }

  /** As {@link #guesses()}, telling how far it is. */
  public List<BeatGuess> guesses(Progress progress) {
    if (strokes.size() < LEAST_STROKES) {
      return List.of();
    }
    List<Pulse> best = pulses(progress.part(0, 0.8));
    List<Weighed> found = new ArrayList<>();
    for (Pulse pulse : best) {
      Counted counted = new Counted(pulse, strokes);
      for (BarLine line : BarLine.of(counted, strokes, beatsPerBar)) {
        BeatGuess guess = counted.from(line.beat(), beatsPerBar);
        double weight = CAUTION * worth(pulse) + line.weight();
        if (found.stream().noneMatch(w -> isSame(w.guess(), guess))) {
          found.add(new Weighed(guess, weight));
        }
      }
    }
    return offered(found);
  }

  /** The ways to count that are likeliest by the strokes alone, in no order. */
  List<Pulse> pulses(Progress progress) {
    return best(begun(progress).stream(), BEST)
        .map(p -> follow(p, BEGINNING, strokes.size()))
        .toList();
  }

  private record Weighed(BeatGuess guess, double weight) {}

  private static List<BeatGuess> offered(List<Weighed> found) {
    found.sort(Comparator.comparingDouble(Weighed::weight).reversed());
    double best = found.get(0).weight();
    double sum = found.stream().mapToDouble(w -> Math.exp(w.weight() - best)).sum();
    return found.stream()
        .limit(OFFERED)
        .map(w -> w.guess().withProbability(Math.exp(w.weight() - best) / sum))
        .toList();
  }

  private Stream<Pulse> beginnings() {
    List<Pulse> result = new ArrayList<>();
    double first = strokes.get(0).ms();
    for (double bpm = SLOWEST_BPM; bpm <= FASTEST_BPM; bpm *= TEMPO_STEP) {
      for (Division division : Division.values()) {
        double period = MS_PER_MINUTE / bpm / division.parts();
        for (int place = 0; place < division.parts(); place++) {
          result.add(Pulse.begin(division, place, first, period));
        }
      }
    }
    return result.stream();
  }

  private List<Pulse> begun(Progress progress) {
    List<Pulse> all = beginnings().toList();
    List<Pulse> result = new ArrayList<>();
    for (Pulse pulse : all) {
      progress.at((double) result.size() / all.size());
      result.add(follow(pulse, 1, Math.min(BEGINNING, strokes.size())));
    }
    return result;
  }

  private Stream<Pulse> best(Stream<Pulse> pulses, int most) {
    return pulses.sorted(Comparator.comparingDouble(this::worth).reversed()).limit(most);
  }

  /** Follows the events from one up to another. */
  private Pulse follow(Pulse begun, int from, int to) {
    List<Pulse> branches = List.of(begun);
    for (int i = from; i < to; i++) {
      double ms = strokes.get(i).ms();
      branches =
          branches.stream()
              .flatMap(p -> p.on(ms).stream())
              .sorted(Comparator.comparingDouble(Pulse::score).reversed())
              .limit(BRANCHES)
              .toList();
    }
    return branches.get(0);
  }

  /** How probable it is, its tempo considered. */
  private double worth(Pulse pulse) {
    double off = Math.log(MS_PER_MINUTE / pulse.meanBeatMs() / USUAL_BPM) / USUAL_SPREAD;
    return pulse.weighed() - off * off / 2;
  }

  private static boolean isSame(BeatGuess a, BeatGuess b) {
    if (Math.abs(Math.log(a.bpm() / b.bpm())) > ONE_TEMPO) {
      return false;
    }
    double apart = Math.abs(a.beatsAt(b.beatMs()[0]) % a.beatsPerBar());
    return Math.min(apart, a.beatsPerBar() - apart) < ONE_PLACE;
  }
}
