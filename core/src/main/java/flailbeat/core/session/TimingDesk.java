package flailbeat.core.session;

import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.Quantizer;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * How to quantize, and what it would do to the notes in hand. The preview is worked out when it is
 * first asked for after something changed.
 */
public final class TimingDesk {
  private final Document document;
  private final Changes changes;
  private QuantizeSettings settings = QuantizeSettings.standard();
  private QuantizePlan plan = QuantizePlan.NONE;
  private boolean stale = true;
  private boolean asPlayed;

  TimingDesk(Document document, Changes changes) {
    this.document = document;
    this.changes = changes;
    changes.listen(
        aspect -> {
          if (aspect == Aspect.SONG || aspect == Aspect.CHOICE) {
            refresh();
          }
        });
  }

  public QuantizeSettings settings() {
    return settings;
  }

  public void setSettings(QuantizeSettings value) {
    if (!settings.equals(value)) {
      settings = value;
      refresh();
    }
  }

  /** What applying would do to the notes in hand. */
  public QuantizePlan plan() {
    update();
    return plan;
  }

  /** Whether notes are shown and heard as they were played, for as long as it is held. */
  public boolean isAsPlayed() {
    return asPlayed;
  }

  void setAsPlayed(boolean value) {
    asPlayed = value;
    changes.fire(Aspect.TIMING);
  }

  /** Carries the plan out as one undo step, and says what it did. */
  Notice apply() {
    QuantizePlan todo = plan();
    if (todo.notes().isEmpty()) {
      return new Notice("There are no notes here to quantize", false);
    }
    int moved = todo.moved();
    int taken = todo.count(NotePlan.Outcome.LINE_TAKEN);
    if (moved == 0) {
      return new Notice("Nothing to move: every note stands where quantizing puts it", false);
    }
    document.edit("Quantize to " + settings.grid(), todo::applyTo);
    String kept =
        taken == 0 ? "" : "; " + Notice.notes(taken) + " stayed as played, the line was taken";
    return new Notice("Quantized " + Notice.notes(moved) + " to " + settings.grid() + kept, false);
  }

  /** A song whose notes of a track, from a name on, are quantized as the settings say. */
  Song quantized(Song song, TrackId track, long firstId) {
    List<Note> all = song.track(track).map(Track::notes).orElse(List.of());
    Map<Boolean, List<Note>> byAge =
        all.stream().collect(Collectors.partitioningBy(n -> n.id().value() >= firstId));
    return byAge.get(true).isEmpty()
        ? song
        : Quantizer.of(settings, song.tempos(), song.meters())
            .plan(byAge.get(true), byAge.get(false))
            .applyTo(song);
  }

  private void refresh() {
    stale = true;
    changes.fire(Aspect.TIMING);
  }

  private void update() {
    if (!stale) {
      return;
    }
    stale = false;
    Song song = document.song();
    List<Note> inHand = document.notesInHand();
    Set<NoteId> ids = inHand.stream().map(Note::id).collect(Collectors.toSet());
    List<Note> others =
        document.track().notes().stream().filter(n -> !ids.contains(n.id())).toList();
    plan = Quantizer.of(settings, song.tempos(), song.meters()).plan(inHand, others);
  }
}
