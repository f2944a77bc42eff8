package flailbeat.core.chore;

import flailbeat.core.edit.Chords;
import flailbeat.core.harmony.BrokenChords;
import flailbeat.core.harmony.ChordEdits;
import flailbeat.core.harmony.Voicing;

/** Chores that come with the application. */
public enum Cleanup implements ByNumber {
  SHORT("short", "Remove notes shorter than # ms", 1, 2000, 60),
  DOUBLES("doubles", "Remove doubles within # ms", 0, 500, 40),
  OVERLAPS("overlaps", "Trim overlaps of one pitch"),
  GAPS("gaps", "Close gaps of less than # ms", 1, 2000, 80),
  VELOCITY("velocity", "Set velocities to #", 1, 127, 80),
  SQUEEZE("squeeze", "Squeeze velocities to # %", 0, 300, 50),
  FADE("fade", "Fade velocities to #", 1, 127, 20),
  OCTAVES("octaves", "Octave below chords under # notes", 2, 10, 3),
  MARK_OUTSIDE("mark-outside", "Mark notes outside the scale"),
  MOVE_OUTSIDE("move-outside", "Move notes outside the scale into it"),
  REMOVE_OUTSIDE("remove-outside", "Remove notes outside the scale"),
  SILENCE("silence", "Trim silent bars at the start"),
  THIN("thin", "Thin controllers, # off at most", 1, 64, 2),
  QUIETEST("quietest", "Mark the quietest # %", 1, 99, 5),
  CHORD_UP("chord-up", "Turn chords over, up"),
  CHORD_DOWN("chord-down", "Turn chords over, down"),
  CHORD_CLOSE("chord-close", "Chords in close position"),
  CHORD_OPEN("chord-open", "Chords in open position"),
  CHORD_DROP_2("chord-drop-2", "Drop the second voice of chords"),
  CHORD_DROP_3("chord-drop-3", "Drop the third voice of chords"),
  CHORD_LEAD("chord-lead", "Lead chords smoothly"),
  STRUM_UP(
      "strum-up", "Strum chords up in # ms", 1, Chords.LONGEST_STRUM_MS, ChordEdits.USUAL_STRUM_MS),
  STRUM_DOWN(
      "strum-down",
      "Strum chords down in # ms",
      1,
      Chords.LONGEST_STRUM_MS,
      ChordEdits.USUAL_STRUM_MS),
  BREAK_UP("break-up", "Break chords upwards, # to a beat", 1, 12, 2),
  BREAK_DOWN("break-down", "Break chords downwards, # to a beat", 1, 12, 2),
  BREAK_STENCIL("break-stencil", "Break chords as the stencil");

  private final String id;
  private final Title title;

  Cleanup(String id, String title) {
    this.id = id;
    this.title = Title.of(title);
  }

  Cleanup(String id, String title, int least, int most, int standard) {
    this.id = id;
    this.title = new Title(title, least, most, standard);
  }

  /** Whether it is done to notes that sound together, rather than to each. */
  public boolean isOnChords() {
    return this == OCTAVES || compareTo(CHORD_UP) >= 0;
  }

  /** Never changes: settings name it by this. */
  public String id() {
    return id;
  }

  @Override
  public Title titled() {
    return title;
  }

  /** Whether it goes by the scale. */
  public boolean isOfScale() {
    return this == MARK_OUTSIDE || this == MOVE_OUTSIDE || this == REMOVE_OUTSIDE;
  }

  /**
   * What it would do.
   *
   * @param amount the number that it goes by, within its bounds
   * @throws IllegalArgumentException for a number beyond them
   */
  public Outcome outcome(Area area, int amount) {
    require(amount);
    Draft draft = new Draft();
    CleanupRun cleaning = new CleanupRun(area, draft);
    ChordChores chords = new ChordChores(area, draft);
    switch (this) {
      case SHORT -> cleaning.removeShort(amount);
      case DOUBLES -> cleaning.removeDoubles(amount);
      case OVERLAPS -> cleaning.trimOverlaps();
      case GAPS -> cleaning.closeGaps(amount);
      case VELOCITY -> cleaning.velocities(n -> amount);
      case SQUEEZE -> cleaning.squeeze(amount);
      case FADE -> cleaning.fade(amount);
      case OCTAVES -> cleaning.octavesBelow(amount);
      case MARK_OUTSIDE -> cleaning.eachOutside((note, degree) -> draft.mark(note));
      case MOVE_OUTSIDE ->
          cleaning.eachOutside(
              (note, degree) -> draft.change(note, note.moved(0, degree - note.pitch())));
      case REMOVE_OUTSIDE -> cleaning.eachOutside((note, degree) -> draft.remove(note));
      case SILENCE -> cleaning.trimSilence();
      case THIN -> cleaning.thin(amount);
      case QUIETEST -> cleaning.markQuietest(amount);
      case CHORD_UP -> chords.voice(Voicing::invertedUp);
      case CHORD_DOWN -> chords.voice(Voicing::invertedDown);
      case CHORD_CLOSE -> chords.voice(Voicing::close);
      case CHORD_OPEN -> chords.voice(Voicing::open);
      case CHORD_DROP_2 -> chords.voice(v -> Voicing.dropped(v, 2));
      case CHORD_DROP_3 -> chords.voice(v -> Voicing.dropped(v, 3));
      case CHORD_LEAD -> chords.lead();
      case STRUM_UP -> chords.strum(amount, false);
      case STRUM_DOWN -> chords.strum(amount, true);
      case BREAK_UP -> chords.breakUp(BrokenChords.Order.UP, amount);
      case BREAK_DOWN -> chords.breakUp(BrokenChords.Order.DOWN, amount);
      case BREAK_STENCIL -> chords.breakByStencil();
    }
    return draft.outcome(area.song());
  }
}
