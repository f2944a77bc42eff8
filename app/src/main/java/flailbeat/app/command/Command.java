package flailbeat.app.command;

import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;

/**
 * Something that can be done.
 *
 * @param id never changes: settings and texts name it by this; lower-case letters and hyphens
 * @param title in plain words, as menus show it
 * @param cap the same in as few letters as a key's cap has room for; empty where it needs none
 * @param kind what holding its key does
 * @param keys its keys, the one that is shown first
 * @param plain more keys, which are its own only while the Keys switch stands at Commands
 * @param enabled whether there is anything for it to do now
 * @param press carries it out, or begins it
 * @param release ends it, when it is held
 */
public record Command(
    String id,
    String title,
    String cap,
    Group group,
    Where where,
    Kind kind,
    List<Keystroke> keys,
    List<Keystroke> plain,
    BooleanSupplier enabled,
    Runnable press,
    Runnable release) {
  /** Where it is found. */
  public enum Group {
    SONG("Song"),
    EDIT("Edit"),
    CAPTURE("Capture"),
    TIMING("Timing"),
    VIEW("View"),
    HELP("Help");

    private final String title;

    Group(String title) {
      this.title = title;
    }

    public String title() {
      return title;
    }
  }

  /** Who must have the keys for its key to be its own. */
  public enum Where {
    /** Anybody. */
    ANYWHERE("anywhere"),
    /** The Keys switch stands at Commands. */
    COMMANDS("Keys at Commands"),
    /** The Keys switch stands at Play. */
    PLAY("Keys at Play"),
    /** Doubtful notes are walked through. */
    WALK("deciding doubtful notes"),
    /** The application asks for keys. */
    LESSON("asked for keys"),
    /** The sheet of keys lies over the window. */
    SHEET("the sheet of keys in sight");

    private final String title;

    Where(String title) {
      this.title = title;
    }

    public String title() {
      return title;
    }
  }

  /** What holding its key does. */
  public enum Kind {
    /** Nothing more. */
    PRESS,
    /** It is done again and again. */
    REPEAT,
    /** It lasts until the key comes up. */
    HOLD
  }

  /** One that is carried out when its key goes down, by whoever has the keys. */
  public static Command of(Group group, String id, String title, String keys, Runnable press) {
    List<Keystroke> strokes = strokes(keys);
    return new Command(
        id,
        title,
        "",
        group,
        Where.ANYWHERE,
        Kind.PRESS,
        strokes,
        List.of(),
        () -> true,
        press,
        () -> {});
  }

  /** What is to be said after its keys or its title when it lasts as long as they are held. */
  public String untilWhen() {
    return kind == Kind.HOLD ? ", while held" : "";
  }

  /** Whether it answers what the window shows or asks now: it means nothing at other times. */
  public boolean isAnswer() {
    return where == Where.WALK || where == Where.LESSON || where == Where.SHEET;
  }

  private static List<Keystroke> strokes(String keys) {
    return Stream.of(keys.split(" or ")).filter(k -> !k.isEmpty()).map(Keystroke::parse).toList();
  }

  /** The same with more keys while the Keys switch stands at Commands. */
  public Command plain(String more) {
    return new Command(
        id, title, cap, group, where, kind, keys, strokes(more), enabled, press, release);
  }

  /** The same with its key its own only there. */
  public Command in(Where value) {
    return new Command(id, title, cap, group, value, kind, keys, plain, enabled, press, release);
  }

  /** The same with a word for its key's cap. */
  public Command onCap(String value) {
    return new Command(id, title, value, group, where, kind, keys, plain, enabled, press, release);
  }

  /** The same, done again and again while its key is held. */
  public Command repeating() {
    return new Command(
        id, title, cap, group, where, Kind.REPEAT, keys, plain, enabled, press, release);
  }

  /** The same, lasting until its key comes up. */
  public Command until(Runnable value) {
    return new Command(id, title, cap, group, where, Kind.HOLD, keys, plain, enabled, press, value);
  }

  /** The same, with something to do only at times. */
  public Command when(BooleanSupplier value) {
    return new Command(id, title, cap, group, where, kind, keys, plain, value, press, release);
  }
}
