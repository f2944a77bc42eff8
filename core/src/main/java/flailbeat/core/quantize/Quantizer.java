package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.List;

/** Plans where notes go. */
public interface Quantizer {
  /**
   * Plans where notes of one track go.
   *
   * @param notes those to quantize, in any order
   * @param others the track's other notes, which keep their places
   */
  QuantizePlan plan(List<Note> notes, List<Note> others);

  /** The one that the settings ask for. */
  static Quantizer of(QuantizeSettings settings, TempoMap tempos, MeterMap meters) {
    return switch (settings.method()) {
      case NEAREST -> new Nearest(settings, tempos, meters);
      case FIT -> new Fit(settings, tempos, meters);
    };
  }
}
