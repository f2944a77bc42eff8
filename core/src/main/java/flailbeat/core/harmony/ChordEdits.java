package flailbeat.core.harmony;

import flailbeat.core.edit.Chords;
import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.pitch.KeySignature;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.TempoMap;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;

/**
 * What is done to the chords that some notes make ({@link Chords#ofStrummed}): each track by
 * itself, drums and single notes left as they are. Each method gives the song it was given where
 * nothing changes; a note keeps its place, length, loudness and the time at which it was played
 * unless that is what is changed. O(k log n) for k notes among n, beside what a voicing costs.
 */
public final class ChordEdits {
  /** Heard as a strum, and not yet as notes one after another (common practice). */
  public static final int USUAL_STRUM_MS = 40;

  private ChordEdits() {}

  private static List<List<Note>> chords(Song song, Track track, Set<NoteId> ids) {
    return chords(track, NoteEdits.find(track, ids), song.tempos());
  }

  /** The chords that some notes of a track make; drums and single notes are none. */
  public static List<List<Note>> chords(Track track, List<Note> notes, TempoMap tempos) {
    if (track.instrument().kit()) {
      return List.of();
    }
    return Chords.ofStrummed(notes, tempos).stream().filter(c -> c.size() > 1).toList();
  }

  private static List<Integer> pitches(List<Note> chord) {
    return chord.stream().map(Note::pitch).toList();
  }

  /**
   * The notes of one chord, laid out otherwise.
   *
   * @param chord from its lowest note to its highest
   * @throws IllegalArgumentException where a note would leave the pitches that there are
   */
  public static List<Note> voiced(List<Note> chord, UnaryOperator<List<Integer>> voicing) {
    return at(chord, voicing.apply(pitches(chord)));
  }

  /** The notes of one chord, laid out nearest to another. */
  public static List<Note> led(List<Note> before, List<Note> chord) {
    List<Integer> to = before.stream().map(Note::pitch).sorted().toList();
    return voiced(chord, v -> Voicing.nearest(to, v));
  }

  private static List<Note> at(List<Note> chord, List<Integer> pitches) {
    List<Note> result = new ArrayList<>();
    for (int voice = 0; voice < chord.size(); voice++) {
      result.add(chord.get(voice).withPitch(pitches.get(voice)));
    }
    return result;
  }

  private static Song each(
      Song song, Set<NoteId> ids, BiFunction<List<Note>, Optional<List<Note>>, List<Note>> change) {
    List<Note> changed = new ArrayList<>();
    for (Track track : song.tracks()) {
      Optional<List<Note>> before = Optional.empty();
      for (List<Note> chord : chords(song, track, ids)) {
        List<Note> now = change.apply(chord, before);
        changed.addAll(now);
        before = Optional.of(now);
      }
    }
    return NoteEdits.put(song, changed);
  }

  /**
   * Lays each chord out otherwise.
   *
   * @param voicing from the pitches of a chord, the lowest first, to where they go
   * @throws IllegalArgumentException where a note would leave the pitches that there are
   */
  public static Song voiced(Song song, Set<NoteId> ids, UnaryOperator<List<Integer>> voicing) {
    return each(song, ids, (chord, before) -> voiced(chord, voicing));
  }

  /**
   * Leads chords smoothly: the first stays, each other is laid out nearest to the one before
   * ({@link Voicing#nearest}).
   */
  public static Song led(Song song, Set<NoteId> ids) {
    return each(song, ids, (chord, before) -> before.map(b -> led(b, chord)).orElse(chord));
  }

  /**
   * Puts the bass that a chord is called after below it, as long and as loud as its lowest note;
   * its lowest note an octave below where it has no name. What has that note already stays as it
   * is.
   */
  public static Song withBass(Song song, Set<NoteId> ids, Optional<KeySignature> key) {
    Song result = song;
    for (Track track : song.tracks()) {
      List<Note> basses = new ArrayList<>();
      for (List<Note> chord : chords(song, track, ids)) {
        bass(chord, key).ifPresent(p -> basses.add(chord.getFirst().withPitch(p)));
      }
      if (!basses.isEmpty()) {
        result = EnteredNotes.place(result, track.id(), basses);
      }
    }
    return result;
  }

  private static Optional<Integer> bass(List<Note> chord, Optional<KeySignature> key) {
    int lowest = chord.getFirst().pitch();
    int root =
        ChordNamer.names(pitches(chord), key).stream()
            .findFirst()
            .map(r -> r.chord().rootClass())
            .orElse(lowest % Pitch.OCTAVE);
    int below = Pitch.below(root, lowest);
    int next = chord.get(1).pitch();
    boolean hasBass = lowest % Pitch.OCTAVE == root && next - lowest >= Pitch.OCTAVE;
    return hasBass || below < Pitch.LOWEST ? Optional.empty() : Optional.of(below);
  }

  /** Takes the lowest note of each chord away, where two are left. */
  public static Song withoutBass(Song song, Set<NoteId> ids) {
    Set<NoteId> gone = new HashSet<>();
    for (Track track : song.tracks()) {
      chords(song, track, ids).stream()
          .filter(c -> c.size() > 2)
          .forEach(c -> gone.add(c.getFirst().id()));
    }
    return gone.isEmpty() ? song : NoteEdits.delete(song, gone);
  }

  /**
   * Spreads the notes of each chord in time, from its first onset on; each still ends where it did.
   *
   * @param ms from the first to the last, up to {@link Chords#LONGEST_STRUM_MS}
   * @param unevenness 0 for even, to 1: how far each may be from its even place, as a share of the
   *     time between two; the same notes come out the same each time
   */
  public static Song strummed(Song song, Set<NoteId> ids, int ms, boolean down, double unevenness) {
    return each(song, ids, (chord, before) -> strummed(song.tempos(), chord, ms, down, unevenness));
  }

  /** The notes of one chord, from its lowest to its highest, spread likewise. */
  public static List<Note> strummed(
      TempoMap tempos, List<Note> chord, int ms, boolean down, double unevenness) {
    if (ms < 0 || ms > Chords.LONGEST_STRUM_MS) {
      throw new IllegalArgumentException(
          "A chord is strummed in " + Chords.LONGEST_STRUM_MS + " ms at most");
    }
    long start = chord.stream().mapToLong(Note::onset).min().orElseThrow();
    long startNanos = tempos.nanosAt(start);
    Random random = new Random(start);
    double step = ms * 1e6 / (chord.size() - 1);
    List<Note> result = new ArrayList<>();
    for (int voice = 0; voice < chord.size(); voice++) {
      Note note = chord.get(voice);
      int turn = down ? chord.size() - 1 - voice : voice;
      double uneven = turn == 0 ? 0 : (random.nextDouble() * 2 - 1) * unevenness * step / 2;
      long onset = tempos.tickAt(startNanos + Math.round(turn * step + uneven));
      result.add(note.standingAt(Math.min(onset, note.end() - 1), Math.max(1, note.end() - onset)));
    }
    return result;
  }

  /** Breaks each chord in some way. */
  public static Song broken(Song song, Set<NoteId> ids, UnaryOperator<List<Note>> way) {
    Song result = song;
    for (Track track : song.tracks()) {
      List<Note> placed = new ArrayList<>();
      Set<NoteId> gone = new HashSet<>();
      for (List<Note> chord : chords(song, track, ids)) {
        placed.addAll(way.apply(chord));
        chord.forEach(n -> gone.add(n.id()));
      }
      if (!placed.isEmpty()) {
        placed.sort(Note.ORDER);
        Song without = NoteEdits.delete(result, gone);
        result = EnteredNotes.place(without, track.id(), placed);
      }
    }
    return result;
  }
}
