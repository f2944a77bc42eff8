package flailbeat.app.cli;

import flailbeat.core.model.Song;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.session.timing.QuantizePreview;
import flailbeat.core.time.GridLines;
import java.io.PrintWriter;
import java.util.List;
import java.util.Locale;

/** What there is to be said of a quantizing besides its result. */
final class QuantizeTold {
  private final PrintWriter err;

  QuantizeTold(PrintWriter err) {
    this.err = err;
  }

  void idleSwing(QuantizeSettings settings) {
    if (settings.swing() != GridLines.EVEN && !settings.grid().hasStraight()) {
      err.println("--swing does nothing on " + settings.grid() + ": it has no straight values");
    }
  }

  void held(List<QuantizePlan> plans) {
    int held = plans.stream().mapToInt(QuantizePlan::held).sum();
    if (held > 0) {
      err.println(
          held
              + (held == 1 ? " note stops" : " notes stop")
              + " short of the line, to go on sounding with their program");
    }
  }

  void ends(List<QuantizePlan> plans) {
    int doubtful = plans.stream().mapToInt(QuantizePlan::doubtfulEnds).sum();
    if (doubtful > 0) {
      err.println(
          doubtful
              + (doubtful == 1 ? " note" : " notes")
              + " may be meant to end elsewhere: --report tells which, and where");
    }
  }

  /** Another way to understand the whole is told, and how to take it. */
  void readings(Song song, List<Integer> chosen, List<QuantizePlan> plans) {
    for (int i = 0; i < plans.size(); i++) {
      for (QuantizePlan.WholeReading other : plans.get(i).otherReadings()) {
        err.printf(
            Locale.ROOT,
            "track %d (%s) was taken as %s; it could be %s (%d %%): --track %d %s%n",
            chosen.get(i) + 1,
            CommandLineApp.plain(song.tracks().get(chosen.get(i)).name()),
            QuantizePreview.inWords(plans.get(i).readings().getFirst()),
            QuantizePreview.inWords(other),
            other.percent(),
            chosen.get(i) + 1,
            option(other));
      }
    }
  }

  private static String option(QuantizePlan.WholeReading other) {
    return other
        .lines()
        .map(l -> String.format(Locale.ROOT, "--grid %s --swing %.0f", l.grid(), l.swing()))
        .orElseGet(() -> String.format(Locale.ROOT, "--lag %.0f", other.lagMs()));
  }
}
