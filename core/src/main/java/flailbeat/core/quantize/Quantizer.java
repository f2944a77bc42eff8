package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.work.Progress;
import java.util.List;

/** Plans where notes go. */
public interface Quantizer {
  /**
   * Plans where notes of one track go.
   *
   * @param notes those to quantize, in any order
   * @param others the track's other notes, which keep their places
   */
  default QuantizePlan plan(List<Note> notes, List<Note> others) {
    return plan(notes, others, Decisions.NONE);
  }

  /**
   * Plans where notes of one track go, some of them as a person has decided.
   *
   * @param notes those to quantize, in any order
   * @param others the track's other notes, which keep their places
   * @param decided what a person has decided
   */
  default QuantizePlan plan(List<Note> notes, List<Note> others, Decisions decided) {
    return plan(notes, others, decided, ProgramBounds.NONE);
  }

  /**
   * Plans where notes of one track go.
   *
   * @param notes those to quantize, in any order
   * @param others the track's other notes, which keep their places
   * @param decided what a person has decided
   * @param bounds where a note may go and still sound as it does
   */
  QuantizePlan plan(List<Note> notes, List<Note> others, Decisions decided, ProgramBounds bounds);

  /** The one that the settings ask for. */
  static Quantizer of(QuantizeSettings settings, TempoMap tempos, MeterMap meters) {
    return of(settings, tempos, meters, InPlace.NOTHING, new FitMemory(), Progress.NONE);
  }

  /**
   * The one that the settings ask for, within a song.
   *
   * @param inPlace what other parts have in place
   * @param memory what was found the time before
   * @param progress told how far it is, where it takes long
   */
  static Quantizer of(
      QuantizeSettings settings,
      TempoMap tempos,
      MeterMap meters,
      InPlace inPlace,
      FitMemory memory,
      Progress progress) {
    return switch (settings.method()) {
      case NEAREST -> new Nearest(settings, tempos, meters);
      case FIT -> new Fit(settings, tempos, meters, inPlace, memory, progress);
    };
  }
}
