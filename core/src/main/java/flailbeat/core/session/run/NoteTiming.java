package flailbeat.core.session.run;

import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import java.util.Optional;
import java.util.Set;

/**
 * What those who play and record have to know of the timing of notes. Playing is told by it which
 * version to sound, and recording hands what was played to it.
 */
public interface NoteTiming {
  QuantizeSettings settings();

  /** Which version of the notes in scope is shown and heard now. */
  NoteVersion version();

  void setVersion(NoteVersion value);

  /** A song with the notes in scope in one of their versions. */
  Song inVersion(Song song, NoteVersion wanted);

  /** What quantizing would do to the notes in scope, worked out on the spot if it must be. */
  QuantizePlan plan();

  /** What quantizing would do to the notes in scope, if it has been worked out. */
  Optional<QuantizePlan> preview();

  /** A song of whose notes on a track some are quantized as the settings say. */
  Song quantized(Song song, TrackId track, Set<NoteId> some);

  /** A pass was recorded onto a track by the input that was played last. */
  void recorded(TrackId track);

  /** What was quantized last is kept, as a pass of a track: it says how late the next will be. */
  void passKept(TrackId track);

  /** Whether the person's own offset is taken off what is recorded: a found lag is then small. */
  void setCalibrated(boolean value);
}
