package flailbeat.core.session.chores;

import flailbeat.core.chore.Area;
import flailbeat.core.chore.Chore;
import flailbeat.core.chore.Cleanup;
import flailbeat.core.chore.Outcome;
import flailbeat.core.chore.Reach;
import flailbeat.core.edit.Edit;
import flailbeat.core.edit.Scope;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.TimeShift;
import flailbeat.core.model.Song;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.session.bench.EditActions;
import flailbeat.core.session.bench.MouseDrawing;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Looping;
import flailbeat.core.session.document.Notices;
import flailbeat.core.session.document.Preview;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.person.CommandNumbers;
import flailbeat.core.session.person.Named;
import flailbeat.core.session.timing.QuantizePreview;
import flailbeat.core.time.Clock;
import flailbeat.core.time.TickRange;
import flailbeat.core.work.Workshop;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;

/**
 * Chores: each is tried first, which shows what it would do, and is then done or left. What is
 * tried is worked out anew whenever the song or what is chosen in it changes.
 */
public final class ChoreTrial {
  private static final String AMOUNT = "chore-";

  /** So that a number fits behind it. */
  private static final int LONGEST_NAME = 36;

  private final Document document;
  private final EditActions editing;
  private final QuantizePreview timing;
  private final Performer performer;
  private final MouseDrawing drawing;
  private final CommandNumbers amounts;
  private final Looping looping;
  private final Changes changes;
  private final Notices notices;
  private final Named<Chore> own;
  private final Preview<ChoreCounts.Ask, ChoreCounts> counts;
  private Optional<Reach> chosen = Optional.empty();
  private Optional<TriedChore> tried = Optional.empty();
  private Area area;
  private ChoreCounts.Now areaOf;
  private Outcome outcome = Outcome.NONE;
  private Area outcomeOn;
  private TriedChore outcomeOf;
  private Optional<Shown> shown = Optional.empty();
  private long seed = 1;
  private boolean counting;

  public ChoreTrial(
      Document document,
      EditActions editing,
      QuantizePreview timing,
      Performer performer,
      MouseDrawing drawing,
      CommandNumbers amounts,
      Looping looping,
      Changes changes,
      Notices notices,
      Clock clock,
      Workshop workshop) {
    this.document = document;
    this.editing = editing;
    this.timing = timing;
    this.performer = performer;
    this.drawing = drawing;
    this.amounts = amounts;
    this.looping = looping;
    this.changes = changes;
    this.notices = notices;
    own = new Named<>(changes);
    counts =
        new Preview<>(
            this::ask,
            ChoreCounts.Ask::isSameAs,
            ChoreCounts::of,
            workshop,
            clock,
            notices,
            () -> changes.fire(Aspect.CHORES));
  }

  /** The person's own chores. */
  public Named<Chore> own() {
    return own;
  }

  /** How much of the song chores work on: as it was chosen or else as other commands do. */
  public Reach reach() {
    boolean selected = !document.scope().selected().notes().isEmpty();
    return chosen
        .filter(r -> selected || r != Reach.SELECTION)
        .orElseGet(() -> reachOf(document.scope().kind()));
  }

  private static Reach reachOf(Scope.Kind kind) {
    return switch (kind) {
      case SELECTION -> Reach.SELECTION;
      case CLIP -> Reach.CLIP;
      case TRACK -> Reach.TRACK;
    };
  }

  /** From now on chores work on so much of the song. */
  public void setReach(Reach value) {
    if (value == Reach.SELECTION && document.scope().selected().notes().isEmpty()) {
      notices.tell("Nothing is selected");
    } else {
      chosen = Optional.of(value);
    }
    changes.fire(Aspect.CHORES);
  }

  /** The number that a chore goes by. */
  public int amount(Cleanup cleanup) {
    return cleanup.hasAmount()
        ? Math.clamp(
            amounts.of(AMOUNT + cleanup.id(), cleanup.standard()), cleanup.least(), cleanup.most())
        : 0;
  }

  /**
   * Has a chore go by another number.
   *
   * @throws IllegalArgumentException for one beyond its bounds, with a message for the person
   */
  public void setAmount(Cleanup cleanup, int value) {
    cleanup.require(value);
    amounts.give(AMOUNT + cleanup.id(), value);
    if (trying().equals(Optional.of(cleanup))) {
      tryOut(cleanup);
    }
  }

  /** Shows what a chore would do. */
  public void tryOut(Cleanup cleanup) {
    show(new TriedChore.Built(cleanup, amount(cleanup)));
  }

  /**
   * Shows what a chore of the person's own would do.
   *
   * @param name what it is called; empty for one that has no name yet
   */
  public void tryOut(String name, Chore chore) {
    show(new TriedChore.Own(name.isEmpty() ? "New chore" : name, chore, seed));
  }

  /** Draws anew what is left to chance. */
  public void drawAgain() {
    seed++;
    tried.ifPresent(
        t ->
            show(
                t instanceof TriedChore.Own o ? new TriedChore.Own(o.name(), o.chore(), seed) : t));
  }

  private void show(TriedChore value) {
    if (!tried.equals(Optional.of(value))) {
      tried = Optional.of(value);
      changes.fire(Aspect.CHORES);
    }
  }

  /** Whether a chore is being tried. */
  public boolean isTrying() {
    return tried.isPresent();
  }

  /** Which of the chores that come with the application is tried, if it is one. */
  public Optional<Cleanup> trying() {
    return tried.flatMap(
        t -> t instanceof TriedChore.Built built ? Optional.of(built.cleanup()) : Optional.empty());
  }

  /** Which of the person's own is tried, if it is one. */
  public Optional<Chore> tryingOwn() {
    return tried.flatMap(
        t -> t instanceof TriedChore.Own o ? Optional.of(o.chore()) : Optional.empty());
  }

  /** What the chore that is tried is called; empty without one. */
  public String title() {
    return tried.map(TriedChore::title).orElse("");
  }

  /** What the chore that is tried would do now; nothing without one. */
  public Outcome outcome() {
    if (tried.isEmpty()) {
      return Outcome.NONE;
    }
    Area on = area();
    TriedChore wanted = tried.get();
    if (outcomeOn != on || !wanted.equals(outcomeOf)) {
      outcome = wanted.outcome(on);
      outcomeOn = on;
      outcomeOf = wanted;
    }
    return outcome;
  }

  /**
   * What the chore that is tried would do.
   *
   * @param before the song as it is
   * @param after the song as it would be
   */
  public record Shown(Outcome outcome, Edit edit, Song before, Song after) {}

  /** What the chore that is tried would do now; empty without one. */
  public Optional<Shown> shown() {
    if (tried.isEmpty()) {
      shown = Optional.empty();
      return shown;
    }
    Outcome now = outcome();
    Song song = document.song();
    if (shown.filter(s -> s.outcome() == now && s.before() == song).isEmpty()) {
      Edit edit = now.edit(title());
      Song after = edit.isNothing() ? song : edit.apply(song);
      shown = Optional.of(new Shown(now, edit, song, after));
    }
    return shown;
  }

  /** How many notes the chore that is tried works on. */
  public int among() {
    return area().noteCount();
  }

  private Area area() {
    ChoreCounts.Now now = now();
    if (!now.isSameAs(areaOf)) {
      area = areaOf(now);
      areaOf = now;
    }
    return area;
  }

  private ChoreCounts.Now now() {
    return new ChoreCounts.Now(
        document.song(),
        reach(),
        document.track().id(),
        document.clip(),
        document.scope().selected(),
        timing.settings(),
        performer.key(),
        drawing.stencil());
  }

  private Area areaOf(ChoreCounts.Now now) {
    return Area.of(
            now.song(),
            now.reach(),
            document.track(),
            now.clip(),
            now.selection(),
            timing.lines(),
            now.key())
        .withStencil(now.stencil());
  }

  /** Does what is shown, as one step; what it marks is selected then. */
  public void carryOut() {
    if (tried.isEmpty()) {
      return;
    }
    String title = title();
    Outcome now = outcome();
    Song before = document.song();
    editing.carryOut(now.edit(title));
    boolean refused = !now.onlyMarks() && document.song() == before;
    if (refused) {
      return;
    }
    if (now.trimmed() > 0 && now.wholeSong()) {
      looping.follow(TimeShift.closing(new TickRange(0, now.trimmed())), before);
    }
    forget();
    if (!now.marked().isEmpty()) {
      document.select(Selection.of(now.marked()));
    }
    notices.tell(title + ": " + now.inWords());
    changes.fire(Aspect.CHORES);
  }

  /** Leaves all as it was. */
  public void leave() {
    if (tried.isPresent()) {
      forget();
      changes.fire(Aspect.CHORES);
    }
  }

  /** Nothing is tried any more, and no song is held on to for its sake. */
  private void forget() {
    tried = Optional.empty();
    shown = Optional.empty();
    outcome = Outcome.NONE;
    outcomeOn = null;
    outcomeOf = null;
  }

  /** Whether somebody looks at how much there is to do: only then is it counted. */
  public void count(boolean value) {
    counting = value;
  }

  /** How much there is for each chore to do, if it has been counted. */
  public Optional<ChoreCounts> counts() {
    return counts.ready();
  }

  /** Called for each frame drawn. */
  public void tick() {
    if (counting) {
      counts.tick();
    }
  }

  private ChoreCounts.Ask ask() {
    Map<Cleanup, Integer> all = new EnumMap<>(Cleanup.class);
    for (Cleanup each : Cleanup.values()) {
      all.put(each, amount(each));
    }
    Area here = area().apart(timing.lines());
    return new ChoreCounts.Ask(areaOf, here, all, Map.copyOf(own.all()));
  }

  /**
   * Takes in chores that were handed on. One whose name another chore has already gets a number
   * behind it.
   *
   * @return how many were not there yet
   */
  public int takeIn(Map<String, Chore> handedOn) {
    int count = 0;
    for (Map.Entry<String, Chore> each : handedOn.entrySet()) {
      String name = each.getKey().strip();
      name = name.substring(0, Math.min(name.length(), LONGEST_NAME)).strip();
      String wanted = name.isEmpty() ? "Chore" : name;
      String free = wanted;
      for (int number = 2; isTaken(free, each.getValue()); number++) {
        free = wanted + " " + number;
      }
      if (!each.getValue().equals(own.all().get(free))) {
        own.keep(free, each.getValue());
        count++;
      }
    }
    return count;
  }

  private boolean isTaken(String name, Chore chore) {
    Chore there = own.all().get(name);
    return there != null && !there.equals(chore);
  }

  /** A chore in plain words. */
  public static String inWords(Chore chore) {
    return chore.inWords(OctaveNames.MIDDLE_C4);
  }
}
