package flailbeat.core.version;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.text.Counted;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What became of a song, in words: {@code Lamps: 12 notes added, 3 moved}. Notes are told by their
 * ids, which survive edits. O(n log n) for n notes.
 */
public final class SongChanges {
  private final Song before;
  private final Song after;
  private final List<String> words = new ArrayList<>();

  private SongChanges(Song before, Song after) {
    this.before = before;
    this.after = after;
  }

  /** Each of what changed, in order; none where both are the same. */
  public static List<String> words(Song before, Song after) {
    SongChanges changes = new SongChanges(before, after);
    changes.find();
    return List.copyOf(changes.words);
  }

  private void find() {
    if (!before.title().equals(after.title())) {
      words.add("named \u201c" + after.title() + "\u201d");
    }
    tempo();
    if (!before.meters().equals(after.meters())) {
      String from = before.meters().meterAt(0).toString();
      String to = after.meters().meterAt(0).toString();
      words.add(from.equals(to) ? "other meters" : "meter " + from + " to " + to);
    }
    if (!before.sections().equals(after.sections())) {
      words.add("other sections");
    }
    for (Track track : after.tracks()) {
      Optional<Track> was = before.track(track.id());
      if (was.isEmpty()) {
        words.add(
            "track " + track.name() + " added, with " + Counted.of(track.noteCount(), "note"));
      } else if (was.get() != track) {
        compare(was.get(), track);
      }
    }
    for (Track track : before.tracks()) {
      if (after.track(track.id()).isEmpty()) {
        words.add(
            "track " + track.name() + " removed, with " + Counted.of(track.noteCount(), "note"));
      }
    }
    boolean same = before.tracks().size() == after.tracks().size();
    if (same && !ids(before).equals(ids(after)) && words.isEmpty()) {
      words.add("tracks in another order");
    }
    if (words.isEmpty() && !before.equals(after)) {
      words.add("settings alone, no notes");
    }
  }

  private static List<Object> ids(Song song) {
    return List.copyOf(song.tracks().stream().map(Track::id).toList());
  }

  private void tempo() {
    if (before.tempos().equals(after.tempos())) {
      return;
    }
    String from = before.tempos().tempoAt(0).toString();
    String to = after.tempos().tempoAt(0).toString();
    words.add(from.equals(to) ? "other tempos" : "tempo " + from + " to " + to);
  }

  private void compare(Track was, Track is) {
    List<String> of = new ArrayList<>();
    if (!was.name().equals(is.name())) {
      of.add("was " + was.name());
    }
    if (!notes(was, is, of)) {
      clips(was, is, of);
    }
    if (!was.instrument().equals(is.instrument())) {
      of.add(was.instrument().title() + " to " + is.instrument().title());
    } else if (!was.sound().equals(is.sound())) {
      of.add("level, place or tone");
    }
    if (!of.isEmpty()) {
      words.add(is.name() + ": " + String.join(", ", of));
    }
  }

  /** Tells of notes; gives whether there was anything to tell. */
  private static boolean notes(Track was, Track is, List<String> of) {
    Map<Long, Note> before = new HashMap<>();
    was.notes().forEach(n -> before.put(n.idNumber(), n));
    Map<String, Integer> counts = new LinkedHashMap<>();
    for (String word : List.of("added", "removed", "moved", "changed")) {
      counts.put(word, 0);
    }
    for (Note note : is.notes()) {
      Note old = before.remove(note.idNumber());
      if (old == null) {
        counts.merge("added", 1, Integer::sum);
      } else if (old.onset() != note.onset() || old.pitch() != note.pitch()) {
        counts.merge("moved", 1, Integer::sum);
      } else if (!old.equals(note)) {
        counts.merge("changed", 1, Integer::sum);
      }
    }
    counts.put("removed", before.size());
    counts.values().removeIf(n -> n == 0);
    boolean first = true;
    for (Map.Entry<String, Integer> each : counts.entrySet()) {
      String what = first ? Counted.of(each.getValue(), "note") : String.valueOf(each.getValue());
      of.add(what + " " + each.getKey());
      first = false;
    }
    return !counts.isEmpty();
  }

  private static void clips(Track was, Track is, List<String> of) {
    int difference = is.clips().size() - was.clips().size();
    if (difference != 0) {
      of.add(Counted.of(Math.abs(difference), "clip") + (difference > 0 ? " added" : " removed"));
    } else if (!shapes(was).equals(shapes(is))) {
      of.add("clips moved or shaped");
    } else if (!was.clips().equals(is.clips())) {
      of.add("controllers or takes");
    }
  }

  private static List<String> shapes(Track track) {
    return track.clips().stream().map(SongChanges::shape).toList();
  }

  private static String shape(Clip clip) {
    return clip.start() + " " + clip.length() + " " + clip.period() + " " + clip.traits();
  }
}
