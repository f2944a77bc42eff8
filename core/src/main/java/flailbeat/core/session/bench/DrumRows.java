package flailbeat.core.session.bench;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.roll.PitchRows;
import flailbeat.core.model.roll.RollTraits;
import flailbeat.core.pitch.DrumNames;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.run.RunControl;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** The rows in which the drums of a kit lie above one another; other tracks have a row a pitch. */
public final class DrumRows {
  private final Document document;
  private final EditActions editing;
  private final RunControl runControl;
  private final StepEntry steps;
  private final Notices notices;
  private List<Clip> lookedAt = List.of();
  private Set<Integer> usedThere = Set.of();

  public DrumRows(
      Document document,
      EditActions editing,
      RunControl runControl,
      StepEntry steps,
      Notices notices) {
    this.document = document;
    this.steps = steps;
    this.editing = editing;
    this.runControl = runControl;
    this.notices = notices;
  }

  /** Whether the chosen track is a kit, whose rows can be put in order. */
  public boolean areOfKit() {
    return document.track().instrument().kit();
  }

  private PitchRows rows() {
    return document.track().roll().rows();
  }

  /** The pitches of the chosen track's rows, from the top down; empty for all in order. */
  public List<Integer> shown() {
    return areOfKit() && !rows().equals(PitchRows.ALL) ? rows().shown(used()) : List.of();
  }

  /** The pitches of the chosen track that have notes, or are being recorded or stepped in. */
  public Set<Integer> used() {
    Set<Integer> used = new TreeSet<>(usedByClips());
    runControl
        .pass()
        .ifPresent(
            pass -> {
              pass.held().forEach(n -> used.add(n.pitch()));
              pass.done().forEach(n -> used.add(n.pitch()));
            });
    steps.held().forEach(n -> used.add(n.pitch()));
    return used;
  }

  private Set<Integer> usedByClips() {
    List<Clip> clips = document.track().clips();
    if (clips != lookedAt) {
      Set<Integer> used = new TreeSet<>();
      clips.forEach(c -> c.content().notes().forEach(n -> used.add(c.heard(n).pitch())));
      usedThere = used;
      lookedAt = clips;
    }
    return usedThere;
  }

  /** Shows only the rows that have notes, or all of them again. */
  public void toggleOnlyUsed() {
    boolean only = !rows().onlyUsed();
    set(only ? "Only rows with notes" : "All rows", rows().withOnlyUsed(only));
    notices.tell(only ? "Rows without notes are hidden; {rows-used} shows them" : "All rows shown");
  }

  /** Puts the row of the first selected note one lower (1) or higher (-1). */
  public void move(int by) {
    Optional<Note> note =
        NoteEdits.find(document.track(), document.scope().selected().notes()).stream().findFirst();
    if (note.isEmpty()) {
      notices.tell("Select a note of the row first, or drag its name with Alt");
      return;
    }
    List<Integer> now = rows().shown(used());
    int at = now.indexOf(note.get().pitch());
    int to = Math.clamp(at + by, 0, now.size() - 1);
    move(note.get().pitch(), now.get(to));
  }

  /** The rows as they would be with a pitch in the row of another. */
  public List<Integer> shownWith(int pitch, int toRowOf) {
    return rows().moved(pitch, toRowOf, used()).shown(used());
  }

  /** Puts a pitch into the row of another, which makes room. */
  public void move(int pitch, int toRowOf) {
    if (pitch != toRowOf && areOfKit()) {
      set(
          "Row of " + DrumNames.orPitch(pitch, OctaveNames.MIDDLE_C4),
          rows().moved(pitch, toRowOf, used()));
    }
  }

  /** Puts the rows in order of pitch. */
  public void reset() {
    set("Rows in order of pitch", new PitchRows(List.of(), rows().onlyUsed()));
  }

  private void set(String label, PitchRows value) {
    TrackId track = document.track().id();
    editing.edit(label, s -> s.withTrack(track, t -> with(t, value)));
  }

  private static Track with(Track track, PitchRows value) {
    return track.withRoll(new RollTraits(track.roll().start(), value));
  }
}
