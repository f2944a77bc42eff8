package flailbeat.app.command;

import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.PhysicalKey;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Something that can be done.
 *
 * @param id never changes: settings and texts name it by this; lower-case letters, digits and
 *     hyphens
 * @param title in plain words, as menus show it
 * @param cap the same in as few letters as a key's cap has room for; empty where it needs none
 * @param kind what holding its key does
 * @param keys what it is carried out by
 * @param need what has to be there for it to have something to do
 * @param press carries it out, or begins it
 * @param release ends it, when it is held
 * @param amount the number that it goes by, if it does; it stands in the title
 */
public record Command(
    String id,
    String title,
    String cap,
    Group group,
    KeyContext where,
    Kind kind,
    Keys keys,
    Need need,
    Runnable press,
    Runnable release,
    Optional<Amount> amount) {
  /**
   * The keys of a command; the one that is shown comes first.
   *
   * @param own the ones that are always its own
   * @param plain more, which are its own only while the Keys switch stands at Commands
   * @param places places of the keyboard, whatever is printed there: its own where no note lies
   */
  public record Keys(List<Keystroke> own, List<Keystroke> plain, List<PhysicalKey> places) {
    /** None. */
    public static final Keys NONE = new Keys(List.of(), List.of(), List.of());

    public boolean isEmpty() {
      return own.isEmpty() && plain.isEmpty() && places.isEmpty();
    }
  }

  /** Who must have the keys for its key to be its own. */
  public enum KeyContext {
    /** Anybody. */
    ANYWHERE("anywhere"),
    /** The Keys switch stands at Commands. */
    COMMANDS("Keys at Commands"),
    /** The Keys switch stands at Play. */
    PLAY("Keys at Play"),
    /** The Keys switch stands at Steps. */
    STEPS("Keys at Steps"),
    /** The Keys switch stands at Play or at Steps: letters are notes. */
    NOTES("Keys at Play or Steps"),
    /** Doubtful notes are walked through. */
    WALK("deciding doubtful notes"),
    /** The application asks for keys. */
    LESSON("asked for keys"),
    /** The mouse holds something on the bench. */
    MOUSE("the mouse held down on the bench"),
    /** A chore is tried, and shows what it would do. */
    TRIAL("a chore being tried"),
    /** The sounds are gone through. */
    SOUNDS("sounds being gone through"),
    /** Lines are told that are to be read. */
    TOLD("lines to be read"),
    /** Songs that were lost are offered. */
    LOST("lost songs being offered"),
    /** The sheet of keys lies over the window. */
    SHEET("the sheet of keys in sight");

    private final String title;

    private static final List<KeyContext> AT_COMMANDS = List.of(COMMANDS, ANYWHERE);
    private static final List<KeyContext> AT_PLAY = List.of(PLAY, NOTES, ANYWHERE);
    private static final List<KeyContext> AT_STEPS = List.of(STEPS, NOTES, ANYWHERE);

    KeyContext(String title) {
      this.title = title;
    }

    /** Who has the keys while the Keys switch stands so. */
    public static KeyContext of(KeysMode mode) {
      return switch (mode) {
        case COMMANDS -> COMMANDS;
        case PLAY -> PLAY;
        case STEPS -> STEPS;
      };
    }

    /** Where commands are looked for that have a key here; the first that has it is meant. */
    public List<KeyContext> among() {
      return switch (this) {
        case COMMANDS -> AT_COMMANDS;
        case PLAY -> AT_PLAY;
        case STEPS -> AT_STEPS;
        default -> List.of(this);
      };
    }

    /** Whether letters are notes wherever it holds. */
    boolean isOfNotes() {
      return this == PLAY || this == STEPS || this == NOTES;
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
    return new Command(
        id,
        title,
        "",
        group,
        KeyContext.ANYWHERE,
        Kind.PRESS,
        new Keys(strokes(keys), List.of(), List.of()),
        Need.NOTHING,
        press,
        () -> {},
        Optional.empty());
  }

  /** Its title in plain words, with the number that it goes by now. */
  @Override
  public String title() {
    return amount.map(a -> title.replace(Amount.MARK, a.inWords())).orElse(title);
  }

  /** Its title with another number. */
  public String title(int number) {
    return amount.map(a -> title.replace(Amount.MARK, a.words().apply(number))).orElse(title);
  }

  /** Its title without any number. */
  public String titleWords() {
    return amount.isEmpty() ? title : title.replace(Amount.MARK, "").replaceAll(" +", " ").strip();
  }

  /** What its key's cap says of it. */
  public String word() {
    return cap.isEmpty() ? "\u2026" : cap;
  }

  /** What is to be said after its keys or its title when it lasts as long as they are held. */
  public String untilWhen() {
    return kind == Kind.HOLD ? ", while held" : "";
  }

  /** Whether it answers what the window shows or asks now: it means nothing at other times. */
  public boolean isAnswer() {
    return where == KeyContext.WALK
        || where == KeyContext.LESSON
        || where == KeyContext.SHEET
        || where == KeyContext.TRIAL
        || where == KeyContext.SOUNDS
        || where == KeyContext.LOST
        || where == KeyContext.TOLD
        || where == KeyContext.MOUSE;
  }

  private static List<Keystroke> strokes(String keys) {
    return Stream.of(keys.split(" or ")).filter(k -> !k.isEmpty()).map(Keystroke::parse).toList();
  }

  /** The same, to be found elsewhere. */
  public Command under(Group value) {
    return new Command(id, title, cap, value, where, kind, keys, need, press, release, amount);
  }

  /** Some commands, all to be found in one group. */
  public static List<Command> under(Group group, List<Command> commands) {
    return commands.stream().map(c -> c.under(group)).toList();
  }

  /** The same with other keys. */
  public Command with(Keys value) {
    return new Command(id, title, cap, group, where, kind, value, need, press, release, amount);
  }

  /** The same with more keys while the Keys switch stands at Commands. */
  public Command plain(String more) {
    return with(new Keys(keys.own(), strokes(more), keys.places()));
  }

  /** The same with places of the keyboard. */
  public Command at(PhysicalKey... places) {
    return with(new Keys(keys.own(), keys.plain(), List.of(places)));
  }

  /** The same with its key its own only there. */
  public Command in(KeyContext value) {
    return new Command(id, title, cap, group, value, kind, keys, need, press, release, amount);
  }

  /** The same with a word for its key's cap. */
  public Command onCap(String value) {
    return new Command(id, title, value, group, where, kind, keys, need, press, release, amount);
  }

  /** The same, done again and again while its key is held. */
  public Command repeating() {
    return new Command(
        id, title, cap, group, where, Kind.REPEAT, keys, need, press, release, amount);
  }

  /** The same, lasting until its key comes up. */
  public Command until(Runnable value) {
    return new Command(id, title, cap, group, where, Kind.HOLD, keys, need, press, value, amount);
  }

  /** Whether there is anything for it to do now. */
  public boolean isPossible() {
    return need.isMet().getAsBoolean();
  }

  /** What is said to who asks for it while it has nothing to do. */
  public String whyNot() {
    return title() + ": " + need.otherwise();
  }

  /** The same, with something to do only at times. */
  public Command when(Need value) {
    return new Command(id, title, cap, group, where, kind, keys, value, press, release, amount);
  }

  /** The same, going by a number that stands in its title. */
  public Command by(Amount value) {
    return new Command(
        id, title, cap, group, where, kind, keys, need, press, release, Optional.of(value));
  }
}
