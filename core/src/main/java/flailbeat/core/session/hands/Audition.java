package flailbeat.core.session.hands;

import flailbeat.core.model.Note;
import flailbeat.core.playback.Player;
import flailbeat.core.session.document.Document;
import flailbeat.core.step.Struck;
import flailbeat.core.time.Clock;
import java.util.ArrayList;
import java.util.List;

/** Lets single notes of the chosen track be heard for a moment. None of them ever hangs. */
public final class Audition {
  private static final long LENGTH_NANOS = 350_000_000;

  private final Document document;
  private final Player player;
  private final Clock clock;
  private final List<int[]> sounding = new ArrayList<>();
  private long endsAtNanos;

  public Audition(Document document, Player player, Clock clock) {
    this.document = document;
    this.player = player;
    this.clock = clock;
  }

  /** Sounds them together, and ends what sounded before. */
  public void sound(List<Note> notes) {
    end();
    document.parts().of(document.track()).ifPresent(part -> sound(part, notes));
    endsAtNanos = clock.nanoTime() + LENGTH_NANOS;
  }

  /** Sounds notes that are not in the song yet, or no longer. */
  public void soundPitches(List<Struck> notes) {
    end();
    document
        .parts()
        .of(document.track())
        .ifPresent(
            part ->
                notes.forEach(
                    n -> {
                      strike(part, n.pitch(), n.velocity());
                    }));
    endsAtNanos = clock.nanoTime() + LENGTH_NANOS;
  }

  private void sound(int part, List<Note> notes) {
    for (Note note : notes) {
      strike(part, note.pitch(), note.velocity());
    }
  }

  private void strike(int part, int pitch, int velocity) {
    int heard = document.track().sound().heard(pitch);
    player.noteOn(part, heard, velocity);
    sounding.add(new int[] {part, heard});
  }

  /** Called for each frame drawn. */
  public void advance() {
    if (!sounding.isEmpty() && clock.nanoTime() - endsAtNanos >= 0) {
      end();
    }
  }

  public boolean isSounding() {
    return !sounding.isEmpty();
  }

  public void end() {
    sounding.forEach(s -> player.noteOff(s[0], s[1]));
    sounding.clear();
  }
}
