package flailbeat.app;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/**
 * A song of four parts that were played with no click, at 104 bpm that breathe by three per cent,
 * under a header that says 120; each part is late by its own.
 */
public final class PlayedSong {
  private static final int BARS = 16;
  private static final double[][] PARTS = {
    // Steps in eighths of the bar, with pitch and length.
    {
      0, 36, 1, 0, 42, 1, 1, 42, 1, 2, 38, 1, 2, 42, 1, 3, 42, 1, 4, 36, 1, 4, 42, 1, 5, 36, 1, 5,
      42, 1, 6, 38, 1, 6, 42, 1, 7, 42, 1
    },
    {0, 36, 3, 3, 43, 1, 4, 43, 2, 6, 41, 1, 7, 43, 1},
    {0, 60, 8, 0, 64, 8, 0, 67, 8},
    {0, 72, 1, 1, 74, 1, 2, 76, 2, 5, 77, 1, 6, 76, 2}
  };

  private final Map<NoteId, Double> meant = new HashMap<>();
  private long next = 100;

  /** When an eighth comes, in ms, from the start. */
  private static double ms(double eighths) {
    double beats = eighths / 2;
    return 1000 + 60_000 / 104.0 * (beats - 0.08 * (1 - Math.cos(2 * Math.PI * beats / 32)));
  }

  /** As it was played. */
  public Song played() {
    Random random = new Random(8);
    Song song = Song.empty();
    List<Track> tracks = new ArrayList<>();
    for (int part = 0; part < PARTS.length; part++) {
      double lag = new double[] {-10, 12, 25, 30}[part];
      List<Note> notes = new ArrayList<>();
      for (int bar = 0; bar < BARS; bar++) {
        for (int i = 0; i < PARTS[part].length; i += 3) {
          double eighth = bar * 8 + PARTS[part][i];
          double at = ms(eighth) + lag + 9 * random.nextGaussian();
          double end = at + 0.8 * (ms(eighth + PARTS[part][i + 2]) - ms(eighth));
          Played as = new Played(Math.round(at * 1.92), Math.round(end * 1.92));
          NoteId id = new NoteId(next++);
          meant.put(id, eighth);
          int changes = part == 0 || part == 3 ? 0 : bar % 4 * 2;
          notes.add(Note.asPlayed(id, (int) PARTS[part][i + 1] + changes, 80, as));
        }
      }
      notes.sort(Note.ORDER);
      Instrument sound = part == 0 ? Instrument.kit(0) : Instrument.melodic(0);
      Track track =
          Track.empty(new TrackId(next++), "Part " + (part + 1), sound, part == 0 ? 9 : part);
      Clip clip = Clip.around(new ClipId(next++), notes, List.of(), song.meters());
      tracks.add(track.withClips(List.of(clip)));
    }
    return song.withTracks(tracks).withNextId(next);
  }

  /**
   * The share of the notes of a song that begin on the eighths that were meant, from the first bar
   * on.
   */
  public double right(Song quantized) {
    int right = 0;
    int all = 0;
    long start = quantized.tracks().getFirst().notes().getFirst().onset() / 3840 * 3840;
    for (Track track : quantized.tracks()) {
      for (Note note : track.notes()) {
        double eighth = meant.get(note.id());
        all++;
        right += Math.abs(note.onset() - start - eighth * 480) < 30 ? 1 : 0;
      }
    }
    return (double) right / all;
  }
}
