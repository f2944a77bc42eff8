package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.QuantizePlan.WholeReading;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.quantize.lag.LagPrior;
import flailbeat.core.work.Progress;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Plans several tracks of a song at once. Each is understood by itself first, in one way or
 * another; then those ways are taken together that go best with one person's lag, which is other by
 * some {@value LagPrior#PARTS_MS} ms from part to part. O(n) beside what each track takes.
 */
public final class SongPlans {
  /** So many parts were played by somebody else, or by other keys. */
  private static final double OTHERS = 0.1;

  private static final int FARTHEST_MS = 150;
  private static final int STEP_MS = 2;

  private final Song song;
  private final Decisions decided;

  /**
   * For a song.
   *
   * @param decided what a person has decided
   */
  public SongPlans(Song song, Decisions decided) {
    this.song = song;
    this.decided = decided;
  }

  /**
   * What is to be quantized.
   *
   * @param notes some of the track's, or all
   */
  public record Asked(Track track, List<Note> notes, QuantizeSettings settings) {
    /** All notes of a track. */
    public Asked(Track track, QuantizeSettings settings) {
      this(track, track.notes(), settings);
    }

    private Asked with(Lag lag) {
      return new Asked(track, notes, settings.withLag(lag));
    }

    private List<Note> others() {
      if (notes.size() == track.noteCount()) {
        return List.of();
      }
      Set<NoteId> own = notes.stream().map(Note::id).collect(Collectors.toSet());
      return track.notes().stream().filter(n -> !own.contains(n.id())).toList();
    }
  }

  /** The plan of each, in order. */
  public List<QuantizePlan> of(List<Asked> asked) {
    List<QuantizePlan> plans = new ArrayList<>();
    List<Part> parts = new ArrayList<>();
    for (int i = 0; i < asked.size(); i++) {
      QuantizePlan plan = plan(asked.get(i));
      plans.add(plan);
      if (asked.get(i).settings().lag() instanceof Lag.Auto auto && !plan.readings().isEmpty()) {
        parts.add(
            new Part(
                i,
                auto.prior(),
                plan.readings().stream().filter(r -> r.lines().isEmpty()).toList()));
      }
    }
    if (parts.size() > 1) {
      double lagMs = sharedLag(parts);
      LagPrior shared = LagPrior.shared(lagMs);
      for (Part part : parts) {
        if (part.isOpen(lagMs)) {
          plans.set(part.number(), plan(asked.get(part.number()).with(new Lag.Auto(shared))));
        }
      }
    }
    return plans;
  }

  /** A part that was played, and the ways to understand it. */
  private record Part(int number, LagPrior prior, List<WholeReading> readings) {
    /** How well a way goes with somebody's lag, as far as the part itself tells. */
    double fits(WholeReading reading, double lagMs) {
      double z = (reading.lagMs() - lagMs) / LagPrior.PARTS_MS;
      double own = Math.exp(-prior.cost(reading.lagMs())) / prior.spreadMs();
      return reading.weight()
          / (own + Double.MIN_NORMAL)
          * ((1 - OTHERS) * Math.exp(-z * z / 2) / LagPrior.PARTS_MS + OTHERS * own);
    }

    double likelihood(double lagMs) {
      return readings.stream().mapToDouble(r -> fits(r, lagMs)).sum();
    }

    /** Whether it is to be understood anew, that lag being known. */
    boolean isOpen(double lagMs) {
      WholeReading best =
          readings.stream().max(Comparator.comparingDouble(r -> fits(r, lagMs))).orElseThrow();
      return best != readings.getFirst() || !best.isSure();
    }
  }

  /** The lag that all parts together speak for. */
  private static double sharedLag(List<Part> parts) {
    double best = 0;
    double most = Double.NEGATIVE_INFINITY;
    for (int lag = -FARTHEST_MS; lag <= FARTHEST_MS; lag += STEP_MS) {
      double sum = -parts.getFirst().prior().cost(lag);
      for (Part part : parts) {
        sum += Math.log(part.likelihood(lag));
      }
      if (sum > most) {
        most = sum;
        best = lag;
      }
    }
    return best;
  }

  private QuantizePlan plan(Asked asked) {
    return plan(song, asked.track(), asked.notes(), asked.others(), asked.settings(), decided);
  }

  /**
   * Plans some notes of a track within their song.
   *
   * @param others those of the track that keep their places
   * @param decided what a person has decided
   */
  public static QuantizePlan plan(
      Song song,
      Track track,
      List<Note> notes,
      List<Note> others,
      QuantizeSettings how,
      Decisions decided) {
    InPlace inPlace = InPlace.beside(song, track.id(), notes, others, how);
    return Quantizer.of(how, song.tempos(), song.meters(), inPlace, new FitMemory(), Progress.NONE)
        .plan(notes, others, decided, ProgramBounds.of(track));
  }
}
