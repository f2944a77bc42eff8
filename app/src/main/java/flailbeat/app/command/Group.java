package flailbeat.app.command;

import java.util.Optional;

/** Where a command is found: a menu, or a part of one that opens within it. */
public enum Group {
  SONG("Song"),
  EDIT("Edit"),
  MOVE("Move", EDIT),
  MOUSE("Mouse and lines", EDIT),
  SELECT("Select"),
  MEASURE("By measure", SELECT),
  ONE_BY_ONE("One by one", SELECT),
  LIST("In the list", SELECT),
  NOTES("Notes"),
  SPLIT("Split and join", NOTES),
  PITCH("Pitch", NOTES),
  VELOCITY("Velocity", NOTES),
  LANES("Lanes", NOTES),
  CURVES("Curves of the lanes", NOTES),
  CHORDS("Chords", NOTES),
  BROKEN("Strum and break", NOTES),
  HARMONY("Chord names and key", NOTES),
  CHORES("Chores", NOTES),
  CHORD_CHORES("Chores on chords", NOTES),
  CHORE_REACH("Where chores work", NOTES),
  TRACK("Track"),
  ORDER("Order, groups, colour", TRACK),
  TONE("Level and tone", TRACK),
  SOUND("Sounds", TRACK),
  PLAY("Play"),
  LOOP("Loop", PLAY),
  LETTERS("Letter keys", PLAY),
  TOUCH("How hard", PLAY),
  PEDALS("Pedals and wheels", PLAY),
  KEYBOARD("Your keyboard", PLAY),
  STEPS("Steps"),
  STEP_LENGTHS("Length", STEPS),
  STEP_CURSOR("Cursor", STEPS),
  TIMING("Timing"),
  LINES("Lines", TIMING),
  MAP("Map"),
  CLIP_CHOICE("Choose clips", MAP),
  CLIP_LAYING("Lay out", MAP),
  CLIP_PLACES("Move clips", MAP),
  CLIP_SHAPES("Longer and shorter", MAP),
  VIEW("View"),
  PAGES("Pages", VIEW),
  LOOKS("Colours and texts", VIEW),
  HELP("Help"),
  LESSONS("Lessons", HELP);

  private final String title;
  private final Optional<Group> whole;

  Group(String title) {
    this.title = title;
    this.whole = Optional.empty();
  }

  Group(String title, Group whole) {
    this.title = title;
    this.whole = Optional.of(whole);
  }

  /** The group that this one is a part of; empty for one that stands by itself. */
  public Optional<Group> whole() {
    return whole;
  }

  public String title() {
    return title;
  }
}
