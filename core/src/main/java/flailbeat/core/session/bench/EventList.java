package flailbeat.core.session.bench;

import flailbeat.core.edit.ClipEdits;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.notes.Arithmetic;
import flailbeat.core.edit.notes.NoteField;
import flailbeat.core.edit.shapes.ControlEdits;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Timed;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.control.ControllerNames;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import flailbeat.core.session.document.Document;
import flailbeat.core.session.document.Notices;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.LongPredicate;

/**
 * The events of the chosen track as a list: its notes and what its controllers do. What is selected
 * there is what is selected on the bench.
 */
public final class EventList {
  /** Which events are listed. */
  public enum Filter {
    ALL("all events"),
    NOTES("notes alone"),
    CONTROLLERS("controllers alone");

    private final String words;

    Filter(String words) {
      this.words = words;
    }

    String words() {
      return words;
    }
  }

  /** What is told of an event, and what the list can be in order of. */
  public enum Column {
    PLACE("Where"),
    WHAT("What"),
    LENGTH("Length"),
    VALUE("Value");

    private final String title;

    Column(String title) {
      this.title = title;
    }

    public String title() {
      return title;
    }
  }

  private final Document document;
  private final ExactValues values;
  private final EditActions editing;
  private final Changes changes;
  private final Notices notices;
  private Filter filter = Filter.ALL;
  private Column order = Column.PLACE;
  private boolean descending;

  public EventList(
      Document document,
      ExactValues values,
      EditActions editing,
      Changes changes,
      Notices notices) {
    this.document = document;
    this.values = values;
    this.editing = editing;
    this.changes = changes;
    this.notices = notices;
  }

  /** Which events are listed. */
  public Filter filter() {
    return filter;
  }

  public void setFilter(Filter value) {
    if (filter != value) {
      filter = value;
      changes.fire(Aspect.SETTINGS);
    }
  }

  /** Lists the next kind of events, round and round, and says which. */
  public void nextFilter() {
    Filter[] all = Filter.values();
    setFilter(all[(filter.ordinal() + 1) % all.length]);
    notices.tell("The list shows " + filter.words());
  }

  /** What the list is in order of. */
  public Column order() {
    return order;
  }

  /** Whether the last comes first. */
  public boolean isDescending() {
    return descending;
  }

  public void setOrder(Column value, boolean falling) {
    if (order != value || descending != falling) {
      order = value;
      descending = falling;
      changes.fire(Aspect.SETTINGS);
    }
  }

  /** The list in order of the next column, round and round; says which. */
  public void nextOrder() {
    Column[] all = Column.values();
    setOrder(all[(order.ordinal() + 1) % all.length], descending);
    tellOrder();
  }

  /** Turns the list round. */
  public void turnOrder() {
    setOrder(order, !descending);
    tellOrder();
  }

  private void tellOrder() {
    notices.tell(
        "The list is in order of \u201c"
            + order.title()
            + "\u201d, "
            + (descending ? "falling" : "rising"));
  }

  /** The events as they are listed now. */
  public List<Timed<?>> rows() {
    return rows(filter, order, descending);
  }

  /**
   * Goes to the row after those selected (1), or the one before them (-1).
   *
   * @param extendsSelection whether those selected so far stay selected
   */
  public void step(int direction, boolean extendsSelection) {
    List<Timed<?>> rows = rows();
    LongPredicate now = selected();
    int first = -1;
    int last = -1;
    for (int i = 0; i < rows.size(); i++) {
      if (now.test(rows.get(i).idNumber())) {
        first = first < 0 ? i : first;
        last = i;
      }
    }
    int from = direction > 0 ? last : first;
    int to = from < 0 ? 0 : Math.clamp(from + direction, 0, rows.size() - 1);
    if (!rows.isEmpty()) {
      Selection one = selection(List.of(rows.get(to)));
      document.select(extendsSelection ? document.selection().plus(one) : one);
    }
  }

  /**
   * The events in order. O(n) in order of place, O(n log n) in any other; what is alike is in order
   * of place.
   */
  public List<Timed<?>> rows(Filter filter, Column order, boolean descending) {
    Track track = document.track();
    List<Note> notes = filter == Filter.CONTROLLERS ? List.of() : track.notes();
    List<ControlPoint> points = filter == Filter.NOTES ? List.of() : track.controls();
    List<Timed<?>> rows = new ArrayList<>(notes.size() + points.size());
    int n = 0;
    for (ControlPoint point : points) {
      while (n < notes.size() && notes.get(n).tick() < point.tick()) {
        rows.add(notes.get(n++));
      }
      rows.add(point);
    }
    rows.addAll(notes.subList(n, notes.size()));
    if (order != Column.PLACE) {
      rows.sort(comparator(order));
    }
    return descending ? rows.reversed() : rows;
  }

  private static Comparator<Timed<?>> comparator(Column order) {
    return switch (order) {
      case PLACE -> Comparator.comparingLong(Timed::tick);
      case WHAT -> Comparator.comparingInt(EventList::kind);
      case LENGTH -> Comparator.comparingLong(e -> e instanceof Note note ? note.length() : 0);
      case VALUE ->
          Comparator.comparingInt(
              e -> e instanceof Note note ? note.velocity() : ((ControlPoint) e).control().value());
    };
  }

  /** Notes by pitch, then controllers by kind and number. */
  private static int kind(Timed<?> event) {
    if (event instanceof Note note) {
      return note.pitch();
    }
    Control control = ((ControlPoint) event).control();
    return ((control.kind().ordinal() + 1) << 8) + control.number();
  }

  /** An event as it is listed in a column. */
  public String text(Timed<?> event, Column column) {
    return switch (event) {
      case Note note ->
          switch (column) {
            case PLACE -> values.one(NoteField.START, note);
            case WHAT -> values.one(NoteField.PITCH, note);
            case LENGTH -> values.one(NoteField.LENGTH, note);
            case VALUE -> Integer.toString(note.velocity());
          };
      case ControlPoint point ->
          switch (column) {
            case PLACE -> values.position(point.tick());
            case WHAT -> name(point);
            case LENGTH -> "";
            case VALUE -> Integer.toString(point.control().value());
          };
      default -> "";
    };
  }

  private String name(ControlPoint point) {
    Control control = point.control();
    return switch (control.kind()) {
      case CONTROLLER -> ControllerNames.of(control.number());
      case PITCH_BEND -> Controller.BEND.title();
      case CHANNEL_PRESSURE -> Controller.PRESSURE.title();
      case KEY_PRESSURE -> "Pressure on " + values.pitch(control.number(), point.tick());
      case PROGRAM -> "Program";
    };
  }

  /** Whether an event is selected, by the number of its id; ids are never given twice. */
  public LongPredicate selected() {
    Selection selection = document.selection();
    LongPredicate notes = selection.noteTest();
    Set<ControlId> controls = selection.controls();
    return id -> notes.test(id) || !controls.isEmpty() && controls.contains(new ControlId(id));
  }

  /** Selects these events and no others. */
  public void select(List<Timed<?>> events) {
    document.select(selection(events));
  }

  /** Selects an event besides the others, or no longer. */
  public void toggle(Timed<?> event) {
    Selection before = document.selection();
    if (event instanceof Note note) {
      document.select(before.toggled(note.id()));
    } else if (event instanceof ControlPoint point) {
      Set<ControlId> controls = new HashSet<>(before.controls());
      if (!controls.remove(point.id())) {
        controls.add(point.id());
      }
      document.select(new Selection(before.notes(), before.clips(), controls));
    }
  }

  private static Selection selection(List<Timed<?>> events) {
    List<Note> notes = new ArrayList<>();
    Set<ControlId> controls = new HashSet<>();
    for (Timed<?> event : events) {
      if (event instanceof Note note) {
        notes.add(note);
      } else if (event instanceof ControlPoint point) {
        controls.add(point.id());
      }
    }
    return Selection.of(notes).plus(Selection.ofControls(controls));
  }

  /** Whether something can be typed there. */
  public boolean isOpen(Timed<?> event, Column column) {
    return event instanceof Note || column == Column.PLACE || column == Column.VALUE;
  }

  /**
   * Takes what was typed over a value: of a note that is selected, for all that are.
   *
   * @throws IllegalArgumentException for nonsense, in words for the person; nothing is changed then
   */
  public void enter(Timed<?> event, Column column, String typed) {
    if (!selected().test(event.idNumber())) {
      select(List.of(event));
    }
    switch (event) {
      case Note note -> values.enter(field(column), typed);
      case ControlPoint point -> enter(point, column, typed);
      default -> throw new IllegalArgumentException("This cannot be changed here");
    }
  }

  private static NoteField field(Column column) {
    return switch (column) {
      case PLACE -> NoteField.START;
      case WHAT -> NoteField.PITCH;
      case LENGTH -> NoteField.LENGTH;
      case VALUE -> NoteField.VELOCITY;
    };
  }

  private void enter(ControlPoint point, Column column, String typed) {
    if (column == Column.PLACE) {
      Arithmetic what = values.read(NoteField.START, typed);
      long tick = Math.clamp(Math.round(what.applyTo(point.tick())), 0, Ticks.LAST);
      editing.edit("Move event", s -> ClipEdits.put(s, List.of(), List.of(point.at(tick))));
      return;
    }
    Control control = point.control();
    int most = control.kind().most();
    long wanted = Math.round(Arithmetic.parse(typed).applyTo(control.value()));
    if (wanted < 0 || wanted > most) {
      throw new IllegalArgumentException(name(point) + " goes from 0 to " + most);
    }
    Control changed = new Control(control.kind(), control.number(), (int) wanted);
    editing.edit(
        "Change " + name(point),
        s ->
            ClipEdits.put(
                s, List.of(), List.of(new ControlPoint(point.id(), point.tick(), changed))));
  }

  /** Takes the selected control points away; says whether there were any. */
  public boolean deleteControls() {
    Set<ControlId> gone = document.selection().controls();
    if (gone.isEmpty()) {
      return false;
    }
    Set<NoteId> notes = document.selection().notes();
    editing.edit("Delete events", s -> ControlEdits.delete(s, gone, notes));
    notices.tell("Deleted: " + (gone.size() + notes.size()) + " events");
    return true;
  }
}
