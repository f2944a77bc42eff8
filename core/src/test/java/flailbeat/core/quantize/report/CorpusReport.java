package flailbeat.core.quantize.report;

import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.Quantizer;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/**
 * Performs notated tunes, quantizes them and compares with their notation. The tunes are the
 * examples that come with Debian's abcmidi and abcm2ps, turned into MIDI files by abc2midi; see
 * .ci/run. Fails when Fit finds less than rounding does, or less than 99.5 % in the mean.
 */
final class CorpusReport {
  private static final int TIMES = 8;
  private static final double WANTED = 99.5;

  private CorpusReport() {}

  private record Tally(int notes, int nearest, int fit) {}

  public static void main(String[] words) throws IOException {
    List<NotatedParts> parts = NotatedParts.of(Path.of(words[0]));
    int notes = 0;
    int nearest = 0;
    int fit = 0;
    int misread = 0;
    for (int p = 0; p < parts.size(); p++) {
      for (int time = 0; time < TIMES; time++) {
        Tally tally = perform(parts.get(p), 31L * p + 7919L * time);
        notes += tally.notes();
        nearest += tally.nearest();
        fit += tally.fit();
        misread += 2 * tally.fit() < tally.notes() ? 1 : 0;
      }
    }
    double fitPercent = 100.0 * fit / Math.max(1, notes);
    System.out.printf(
        Locale.ROOT,
        "%d parts, %d times each, %d notes: rounding %.2f %%, Fit %.2f %%; %d of %d wholly misread%n",
        parts.size(),
        TIMES,
        notes,
        100.0 * nearest / Math.max(1, notes),
        fitPercent,
        misread,
        TIMES * parts.size());
    if (parts.isEmpty() || fit < nearest || fitPercent < WANTED) {
      throw new IllegalStateException("That is less than is wanted");
    }
  }

  private static Tally perform(NotatedParts part, long seed) {
    Song song = part.song();
    List<Note> notated = part.notes();
    Random random = new Random(seed);
    double lag = -30 + random.nextInt(90);
    double spread = 10 + random.nextInt(12);
    double creep = (random.nextInt(3) - 1) * 0.001;
    List<Note> performed = new ArrayList<>();
    for (Note note : notated) {
      double ms = song.tempos().nanosAt(note.onset()) / 1e6;
      double late = lag + creep * ms + spread * random.nextGaussian();
      long onset = song.tempos().tickAt(Math.round((ms + late) * 1e6));
      Played played = new Played(onset, onset + note.length());
      performed.add(Note.asPlayed(note.id(), note.pitch(), note.velocity(), played));
    }
    int[] right = new int[2];
    int counted = 0;
    QuantizeSettings rounding = QuantizeSettings.standard().withGrid(part.grid());
    QuantizeSettings fit = QuantizeSettings.recommended().withGrid(part.grid());
    QuantizeSettings[] both = {rounding, fit};
    for (int m = 0; m < 2; m++) {
      var plan = Quantizer.of(both[m], song.tempos(), song.meters()).plan(performed, List.of());
      counted = 0;
      for (NotePlan note : plan.notes()) {
        Note meant =
            notated.stream().filter(n -> n.id().equals(note.note().id())).findFirst().orElseThrow();
        if (part.isOn(meant.onset())) {
          counted++;
          right[m] += NotatedParts.isNear(note.line(), meant.onset()) ? 1 : 0;
        }
      }
    }
    return new Tally(counted, right[0], right[1]);
  }
}
