package flailbeat.core.chore;

import flailbeat.core.edit.ClipEdits;
import flailbeat.core.edit.Edit;
import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.SilentStart;
import flailbeat.core.edit.shapes.ControlEdits;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What comes of a chore, worked out and not done yet: it can be counted, drawn, and carried out as
 * one edit.
 *
 * @param changed notes in the place of those that have their ids
 * @param gone notes that go, as they are
 * @param added notes that come, by track; their ids mean nothing
 * @param marked notes that get selected
 * @param moved control points in the place of those that have their ids
 * @param along stretches of controllers that move as a whole, in the place of what is there
 * @param thinned control points that go
 * @param trimmed by so many ticks all that the chore works on comes earlier, clips and all, and of
 *     a whole song its tempos, meters and markers: then nothing else is done; 0 for no such thing
 * @param tracks those that are trimmed
 * @param wholeSong whether all of the song is
 */
public record Outcome(
    List<Note> changed,
    List<Note> gone,
    Map<TrackId, List<Note>> added,
    List<Note> marked,
    List<ControlPoint> moved,
    List<Along> along,
    Set<ControlId> thinned,
    long trimmed,
    Set<TrackId> tracks,
    boolean wholeSong) {
  /** Nothing. */
  public static final Outcome NONE =
      new Outcome(
          List.of(), List.of(), Map.of(), List.of(), List.of(), List.of(), Set.of(), 0, Set.of(),
          false);

  /**
   * A stretch of a controller that moves.
   *
   * @param later by so many ticks; negative is earlier
   * @param events how many events there are in it
   */
  public record Along(
      TrackId track, Controller controller, TickRange range, long later, int events) {}

  public Outcome {
    changed = List.copyOf(changed);
    gone = List.copyOf(gone);
    added = Map.copyOf(added);
    marked = List.copyOf(marked);
    moved = List.copyOf(moved);
    along = List.copyOf(along);
    thinned = Collections.unmodifiableSet(new HashSet<>(thinned));
    tracks = Set.copyOf(tracks);
  }

  /** How many notes come. */
  public int addedCount() {
    return added.values().stream().mapToInt(List::size).sum();
  }

  /** How many notes it touches, adds and marks. */
  public int noteCount() {
    return changed.size() + gone.size() + addedCount() + marked.size();
  }

  /** How many events of controllers it touches. */
  public int controlCount() {
    return movedCount() + thinned.size();
  }

  private int movedCount() {
    return moved.size() + along.stream().mapToInt(Along::events).sum();
  }

  /** Whether it does nothing at all, not even mark anything. */
  public boolean isNothing() {
    return noteCount() == 0 && controlCount() == 0;
  }

  /** Whether it leaves the song as it is, and marks notes at the most. */
  public boolean onlyMarks() {
    return noteCount() == marked.size() && controlCount() == 0;
  }

  /** The notes of a track that it touches, marks or adds. O(k log k) for k of them in all. */
  public Stream<Note> on(Track track) {
    List<Note> touched = Stream.of(gone, changed, marked).flatMap(List::stream).toList();
    Set<NoteId> here = Selection.of(NoteEdits.find(track, Selection.of(touched).notes())).notes();
    Stream<Note> there = touched.stream().filter(n -> here.contains(n.id()));
    return Stream.concat(there, added.getOrDefault(track.id(), List.of()).stream());
  }

  /** What it would do, in words, such as "3 notes changed, 1 note gone". */
  public String inWords() {
    List<String> said = new ArrayList<>();
    say(said, changed.size(), "note", "changed");
    say(said, gone.size(), "note", "gone");
    say(said, addedCount(), "note", "added");
    say(said, marked.size(), "note", "marked");
    say(said, movedCount(), "controller event", "moved");
    say(said, thinned.size(), "controller event", "gone");
    return said.isEmpty() ? "nothing to do" : String.join(", ", said);
  }

  private static void say(List<String> said, int count, String what, String how) {
    if (count > 0) {
      said.add(count + " " + what + (count == 1 ? " " : "s ") + how);
    }
  }

  /** It as an edit: of the song that it was worked out of. */
  public Edit edit(String label) {
    return new Done(label, this);
  }

  private record Done(String label, Outcome outcome) implements Edit {
    @Override
    public boolean isNothing() {
      return outcome.onlyMarks();
    }

    @Override
    public Song apply(Song song) {
      if (outcome.trimmed() > 0) {
        return SilentStart.trim(song, outcome.tracks(), outcome.trimmed(), outcome.wholeSong());
      }
      Song result = song;
      if (!outcome.gone().isEmpty() || !outcome.thinned().isEmpty()) {
        result =
            ControlEdits.delete(result, outcome.thinned(), Selection.of(outcome.gone()).notes());
      }
      result = ClipEdits.put(result, outcome.changed(), outcome.moved());
      for (Along each : outcome.along()) {
        result =
            ControlEdits.move(result, each.track(), each.controller(), each.range(), each.later());
      }
      for (Map.Entry<TrackId, List<Note>> each : outcome.added().entrySet()) {
        result = EnteredNotes.place(result, each.getKey(), each.getValue());
      }
      return result;
    }
  }
}
