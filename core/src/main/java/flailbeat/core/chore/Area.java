package flailbeat.core.chore;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.edit.notes.Stencil;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.pitch.Key;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What a chore works on, and what it has to know for it.
 *
 * @param lines those of the grid
 * @param key the scale that notes lie in, or not
 * @param stencil the notes that were taken as a pattern
 */
public record Area(
    Song song, Reach reach, List<Part> parts, GridLines lines, Key key, Optional<Stencil> stencil) {
  /**
   * What of a track is in it.
   *
   * @param notes in song time and in order
   * @param range the stretch in which its controllers are
   */
  public record Part(Track track, List<Note> notes, TickRange range) {
    /** Its control points, in song time. */
    public List<ControlPoint> controls() {
      return track.controls().stream().filter(p -> range.contains(p.tick())).toList();
    }

    /** Whether any of its notes is in a clip that loops. */
    boolean isInLoop() {
      return track.clips().stream().anyMatch(c -> c.loops() && c.range().overlaps(range));
    }

    /** Whether its notes are drums, whose pitches are none. */
    boolean isKit() {
      return track.instrument().kit();
    }
  }

  public Area {
    parts = List.copyOf(parts);
  }

  /**
   * The area of a reach; what it does not hold is no part of it.
   *
   * @param track the chosen one
   * @param clip the chosen one, on that track
   */
  public static Area of(
      Song song,
      Reach reach,
      Track track,
      Optional<Clip> clip,
      Selection selection,
      GridLines lines,
      Key key) {
    List<Part> parts = new ArrayList<>();
    switch (reach) {
      case SELECTION ->
          song.tracks().stream()
              .map(t -> selected(t, selection))
              .filter(p -> !p.notes().isEmpty())
              .forEach(parts::add);
      case CLIP ->
          clip.map(track.links()::leader)
              .ifPresent(c -> parts.add(new Part(track, c.placed().notes(), c.range())));
      case TRACK -> parts.add(whole(track));
      case SONG -> song.tracks().forEach(t -> parts.add(whole(t)));
    }
    return new Area(song, reach, parts, lines, key, Optional.empty());
  }

  private static Part selected(Track track, Selection selection) {
    List<Note> notes = NoteEdits.find(track, selection.notes());
    return new Part(track, notes, notes.isEmpty() ? TickRange.EVER : NoteTools.range(notes));
  }

  private static Part whole(Track track) {
    return new Part(track, track.notes(), TickRange.EVER);
  }

  /** The same with notes that were taken as a pattern. */
  public Area withStencil(Optional<Stencil> value) {
    return new Area(song, reach, parts, lines, key, value);
  }

  /** The same with lines that no other thread works with: they keep what they have worked out. */
  public Area apart(GridLines value) {
    return new Area(song, reach, parts, value, key, stencil);
  }

  /** How many notes are in it. */
  public int noteCount() {
    return parts.stream().mapToInt(p -> p.notes().size()).sum();
  }
}
