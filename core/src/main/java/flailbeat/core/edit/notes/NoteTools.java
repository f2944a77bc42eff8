package flailbeat.core.edit.notes;

import flailbeat.core.edit.Chords;
import flailbeat.core.edit.Ids;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteIds;
import flailbeat.core.edit.OnePitch;
import flailbeat.core.edit.Placing;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.pitch.Key;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.IntUnaryOperator;

/**
 * What one command does to some notes: splitting, joining, lengths, pitches, time turned round.
 * Each method gives the song it was given where nothing changes, and changes no note beyond those
 * named. O(k log n) for k notes among n.
 */
public final class NoteTools {
  private NoteTools() {}

  /** Cuts the notes that sound at a tick in two there. */
  public static Song splitAt(Song song, Set<NoteId> ids, long tick) {
    return split(song, ids, n -> tick > n.onset() && tick < n.end() ? List.of(tick) : List.of());
  }

  /**
   * Cuts each note into parts of equal length, as far as ticks go.
   *
   * @param parts 2 to 16
   */
  public static Song splitInto(Song song, Set<NoteId> ids, int parts) {
    if (parts < 2 || parts > 16) {
      throw new IllegalArgumentException("A note is cut into 2 to 16 parts, not " + parts);
    }
    return split(
        song,
        ids,
        n -> {
          List<Long> cuts = new ArrayList<>();
          for (int i = 1; i < parts && n.length() >= parts; i++) {
            cuts.add(n.onset() + Math.round((double) n.length() * i / parts));
          }
          return cuts;
        });
  }

  /**
   * Cuts each note into parts as long as the first of a cut made by hand.
   *
   * @param length of each part, in ticks, 1 or more; what is left at the end is a part as well
   */
  public static Song splitAlike(Song song, Set<NoteId> ids, long length) {
    return split(
        song,
        ids,
        n -> {
          List<Long> cuts = new ArrayList<>();
          for (long at = n.onset() + length; at < n.end(); at += length) {
            cuts.add(at);
          }
          return cuts;
        });
  }

  /** Cuts each note at every line of a grid within it. */
  public static Song splitAtLines(Song song, Set<NoteId> ids, GridLines lines) {
    return split(
        song,
        ids,
        n -> {
          List<Long> cuts = new ArrayList<>();
          for (long at = lines.after(n.onset()); at < n.end(); at = lines.after(at)) {
            cuts.add(at);
          }
          return cuts;
        });
  }

  /**
   * The first part keeps the note's id; what was played is cut in the same places. There is no cut
   * where another of its pitch begins.
   */
  private static Song split(Song song, Set<NoteId> ids, Function<Note, List<Long>> cuts) {
    Ids given = new Ids(song.nextId());
    Song result = song;
    for (Track track : song.tracks()) {
      List<Note> first = new ArrayList<>();
      List<Note> more = new ArrayList<>();
      for (Note note : NoteEdits.find(track, ids)) {
        List<Long> at =
            cuts.apply(asSounding(track, note)).stream()
                .filter(cut -> OnePitch.isFree(track, note.pitch(), cut))
                .toList();
        if (!at.isEmpty()) {
          first.add(part(note, note.onset(), at.get(0)));
          for (int i = 0; i < at.size(); i++) {
            long end = i + 1 < at.size() ? at.get(i + 1) : note.end();
            more.add(part(note, at.get(i), end).withId(given.note()));
          }
        }
      }
      if (!first.isEmpty()) {
        result =
            result.withTrack(
                track.id(),
                t ->
                    new Placing(t, song.meters(), given)
                        .put(first, List.of())
                        .enter(more, List.of())
                        .track());
      }
    }
    return given.recordedIn(result);
  }

  /** As long as it sounds: up to the end of its round. */
  private static Note asSounding(Track track, Note note) {
    return track
        .clipAt(note.onset())
        .filter(Clip::loops)
        .map(c -> Math.min(note.length(), c.start() + c.period() - note.onset()))
        .map(note::lasting)
        .orElse(note);
  }

  private static Note part(Note note, long start, long end) {
    long off = note.playedOff();
    long release = end == note.end() ? note.played().release() : end + off;
    return new Note(
        note.id(),
        note.pitch(),
        note.velocity(),
        start,
        end - start,
        note.played().at(start + off, Math.max(start + off + 1, release)),
        note.releaseVelocity());
  }

  /**
   * Makes one of neighbours of one pitch: of the notes named, those between whose chords no other
   * of them begins.
   */
  public static Song join(Song song, Set<NoteId> ids) {
    Song result = song;
    for (Track track : song.tracks()) {
      List<Note> notes = NoteEdits.find(track, ids);
      long[] starts = Chords.starts(notes, song.tempos());
      long[] nexts = Chords.nextStarts(notes, song.tempos());
      Map<NoteId, Integer> places = HashMap.newHashMap(starts.length);
      notes.forEach(n -> places.put(n.id(), places.size()));
      List<Note> longer = new ArrayList<>();
      List<NoteId> gone = new ArrayList<>();
      for (List<Note> alike : byPitch(notes).values()) {
        Note now = alike.get(0);
        Note first = now;
        for (int i = 1; i < alike.size(); i++) {
          Note next = alike.get(i);
          long follows = nexts[places.get(alike.get(i - 1).id())];
          if (starts[places.get(next.id())] <= follows) {
            now = joined(now, next);
            gone.add(next.id());
          } else {
            add(longer, first, now);
            first = next;
            now = next;
          }
        }
        add(longer, first, now);
      }
      if (!gone.isEmpty()) {
        result = NoteEdits.put(NoteEdits.delete(result, NoteIds.of(gone)), longer);
      }
    }
    return result;
  }

  private static Note joined(Note first, Note second) {
    long end = Math.max(first.end(), second.end());
    return new Note(
        first.id(),
        first.pitch(),
        first.velocity(),
        first.onset(),
        end - first.onset(),
        first.played().at(first.played().onset(), second.played().release()),
        second.releaseVelocity());
  }

  /** Notes by their pitches, each in the order in which they are given. */
  public static Map<Integer, List<Note>> byPitch(List<Note> notes) {
    Map<Integer, List<Note>> result = new LinkedHashMap<>();
    notes.forEach(n -> result.computeIfAbsent(n.pitch(), p -> new ArrayList<>()).add(n));
    return result;
  }

  /** Lengthens, or shortens, each note to the next chord among those named on its track. */
  public static Song legato(Song song, Set<NoteId> ids) {
    return toNextOnset(song, ids, 1);
  }

  /**
   * Gives each note a share of the time to the next chord among those named on its track; the last
   * keeps that share of its own length.
   *
   * @param share per cent, 1 to 100
   */
  public static Song staccato(Song song, Set<NoteId> ids, int share) {
    if (share < 1 || share > 100) {
      throw new IllegalArgumentException("A share goes from 1 to 100 %, not " + share);
    }
    return toNextOnset(song, ids, share / 100.0);
  }

  private static Song toNextOnset(Song song, Set<NoteId> ids, double share) {
    List<Note> changed = new ArrayList<>();
    for (Track track : song.tracks()) {
      List<Note> notes = NoteEdits.find(track, ids);
      long[] nexts = Chords.nextStarts(notes, song.tempos());
      for (int i = 0; i < nexts.length; i++) {
        Note note = notes.get(i);
        long whole = nexts[i] == Long.MAX_VALUE ? note.length() : nexts[i] - note.onset();
        add(changed, note, note.resized(Math.max(1, Math.round(whole * share))));
      }
    }
    return NoteEdits.put(song, changed);
  }

  /** Ends each note where the next of its pitch begins, of those named. */
  public static Song trimOverlaps(Song song, Set<NoteId> ids) {
    List<Note> changed = new ArrayList<>();
    for (Track track : song.tracks()) {
      changed.addAll(withoutOverlaps(NoteEdits.find(track, ids)));
    }
    return NoteEdits.put(song, changed);
  }

  /**
   * Those of a track's notes that overlap the next of their pitch, ended there.
   *
   * @param notes in order
   */
  public static List<Note> withoutOverlaps(List<Note> notes) {
    List<Note> changed = new ArrayList<>();
    for (List<Note> alike : byPitch(notes).values()) {
      long next = Long.MAX_VALUE;
      for (int i = alike.size() - 1; i >= 0; i--) {
        Note note = alike.get(i);
        if (i + 1 < alike.size() && alike.get(i + 1).onset() > note.onset()) {
          next = alike.get(i + 1).onset();
        }
        if (note.end() > next) {
          changed.add(note.resized(next - note.onset()));
        }
      }
    }
    return changed;
  }

  /** Gives all of them one length, in ticks; each ends where the song does at the latest. */
  public static Song setLength(Song song, Set<NoteId> ids, long length) {
    return NoteEdits.change(song, ids, n -> n.resized(Math.min(length, Ticks.LAST - n.onset())));
  }

  private static void add(List<Note> changed, Note before, Note after) {
    if (after != before) {
      changed.add(after);
    }
  }

  /** Turns them round in time, within the stretch that they take: what ended last begins first. */
  public static Song reverse(Song song, Set<NoteId> ids) {
    List<Note> notes = NoteEdits.find(song, ids);
    if (notes.isEmpty()) {
      return song;
    }
    long start = notes.get(0).onset();
    long end = notes.stream().mapToLong(Note::end).max().orElseThrow();
    return NoteEdits.change(song, ids, n -> n.moved(start + end - n.end() - n.onset(), 0));
  }

  /** Turns their pitches upside down, between the lowest and the highest of them. */
  public static Song mirror(Song song, Set<NoteId> ids) {
    List<Note> notes = NoteEdits.find(song, ids);
    if (notes.isEmpty()) {
      return song;
    }
    int low = notes.stream().mapToInt(Note::pitch).min().orElseThrow();
    int high = notes.stream().mapToInt(Note::pitch).max().orElseThrow();
    return NoteEdits.change(
        song, ids, n -> 2 * n.pitch() == low + high ? n : n.moved(0, low + high - 2 * n.pitch()));
  }

  /**
   * Moves them by degrees of a key, as {@link Key#moved} says. None moves where one would leave the
   * piano's 128 notes.
   */
  public static Song moveDegrees(Song song, Set<NoteId> ids, Key key, int degrees) {
    return repitched(song, ids, pitch -> key.moved(pitch, degrees));
  }

  /**
   * Takes them from one key into another, as {@link Key#into} says. None moves where one would
   * leave the piano's 128 notes.
   */
  public static Song intoKey(Song song, Set<NoteId> ids, Key from, Key to) {
    return repitched(song, ids, pitch -> from.into(to, pitch));
  }

  private static Song repitched(Song song, Set<NoteId> ids, IntUnaryOperator pitches) {
    boolean fits =
        NoteEdits.find(song, ids).stream()
            .allMatch(n -> Pitch.isValid(pitches.applyAsInt(n.pitch())));
    return fits
        ? NoteEdits.change(song, ids, n -> n.moved(0, pitches.applyAsInt(n.pitch()) - n.pitch()))
        : song;
  }

  /** The stretch that some notes take. */
  public static TickRange range(List<Note> notes) {
    long start = notes.stream().mapToLong(Note::onset).min().orElse(0);
    long end = notes.stream().mapToLong(Note::end).max().orElse(0);
    return new TickRange(start, end);
  }
}
