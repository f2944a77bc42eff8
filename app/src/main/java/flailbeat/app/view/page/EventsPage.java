package flailbeat.app.view.page;

import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.control.Segments;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.Page;
import flailbeat.app.view.base.PageBox;
import flailbeat.core.model.Timed;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.EventList;
import flailbeat.core.session.bench.EventList.Column;
import flailbeat.core.session.bench.EventList.Filter;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Change;
import java.util.List;
import java.util.Optional;
import java.util.function.LongPredicate;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableRow;
import javafx.scene.control.TableView;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * The events of the chosen track as a list: only the rows in sight are made. What is selected in it
 * is what is selected on the bench. A value is typed over after two clicks on it; the list itself
 * never takes the keys.
 */
public final class EventsPage extends PageBox {
  private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
  private static final double ROW = 22;

  private final Session session;
  private final EventList events;
  private final ObservableList<Timed<?>> items = FXCollections.observableArrayList();
  private final TableView<Timed<?>> table = new TableView<>(items);
  private final Segments<Filter> filter;
  private final Label count = Form.remark("");
  private boolean ordering;
  private Listed listed;
  private List<Timed<?>> rows = List.of();
  private LongPredicate selected = id -> false;
  private Optional<Timed<?>> anchor = Optional.empty();
  private Optional<Editing> editing = Optional.empty();
  private boolean own;
  private boolean stale = true;

  /** What is typed over. */
  private record Editing(long id, Column column, EntryField field) {}

  /**
   * The page.
   *
   * @param content makes what is on it
   */
  public static Page page(Supplier<EventsPage> content) {
    return new Page(
        "list",
        "List",
        ", of all events",
        "Every note and controller of the track",
        "Shift+F5",
        "M2 4 H20 M2 9 H20 M2 14 H14",
        content);
  }

  public EventsPage(Session session) {
    super("events-page");
    this.session = session;
    this.events = session.events();
    filter =
        new Segments<Filter>(events::setFilter)
            .add(Filter.ALL, "All", "Notes and controllers")
            .add(Filter.NOTES, "Notes", "Notes alone")
            .add(Filter.CONTROLLERS, "Controllers", "Controllers alone")
            .named("events");
    column(Column.PLACE, 78);
    column(Column.WHAT, 76);
    column(Column.LENGTH, 60);
    column(Column.VALUE, 48);
    table.setId("events");
    table.setFixedCellSize(ROW);
    table.setFocusTraversable(false);
    table.setColumnResizePolicy(TableView.CONSTRAINED_RESIZE_POLICY_FLEX_LAST_COLUMN);
    table.setPlaceholder(Form.remark("Nothing here yet: record, step in or draw something."));
    table.setSortPolicy(t -> sort());
    table.setRowFactory(t -> new EventRow());
    table.setSelectionModel(null);
    table
        .focusedProperty()
        .addListener(
            (property, before, focused) -> {
              if (focused) {
                table.getScene().getRoot().requestFocus();
              }
            });
    VBox.setVgrow(table, Priority.ALWAYS);
    getChildren().addAll(filter, count, table);
    Follow.changes(this, session, this::onChange);
    sceneProperty()
        .addListener(
            (property, before, now) -> {
              if (now != null && stale) {
                refresh();
              }
            });
    filter.show(events.filter());
  }

  private void column(Column column, double width) {
    TableColumn<Timed<?>, Timed<?>> made = new TableColumn<>(column.title());
    made.setPrefWidth(width);
    made.setReorderable(false);
    made.setUserData(column);
    made.setCellValueFactory(row -> new ReadOnlyObjectWrapper<>(row.getValue()));
    made.setCellFactory(c -> new EventCell(column));
    table.getColumns().add(made);
  }

  /** The person has clicked on a column's title. */
  private boolean sort() {
    if (!ordering && table.getSortOrder().isEmpty()) {
      events.setOrder(Column.PLACE, false);
    } else if (!ordering) {
      TableColumn<Timed<?>, ?> by = table.getSortOrder().getFirst();
      events.setOrder(
          (Column) by.getUserData(), by.getSortType() == TableColumn.SortType.DESCENDING);
    }
    return true;
  }

  private void showOrder() {
    ordering = true;
    try {
      TableColumn<Timed<?>, ?> by = table.getColumns().get(events.order().ordinal());
      by.setSortType(
          events.isDescending() ? TableColumn.SortType.DESCENDING : TableColumn.SortType.ASCENDING);
      boolean asItCame = events.order() == Column.PLACE && !events.isDescending();
      table.getSortOrder().setAll(asItCame ? List.of() : List.of(by));
    } finally {
      ordering = false;
    }
  }

  private void onChange(Change change) {
    boolean otherwise = change.isOf(Aspect.SETTINGS) && !Listed.of(events).equals(listed);
    if (!otherwise && !change.isOf(Aspect.SONG, Aspect.CHOICE)) {
      return;
    }
    stale = true;
    if (getScene() == null) {
      return;
    }
    if (change.isOf(Aspect.SONG) || otherwise || rows.isEmpty()) {
      refresh();
    } else {
      choose();
    }
  }

  /** What is listed and how: other settings are nothing to it. */
  private record Listed(EventList.Filter filter, Column order, boolean descending) {
    static Listed of(EventList events) {
      return new Listed(events.filter(), events.order(), events.isDescending());
    }
  }

  /** Other events, or in another order. */
  private void refresh() {
    stale = false;
    listed = Listed.of(events);
    filter.show(events.filter());
    showOrder();
    rows = events.rows();
    // Another list would have the table forget what it is in order of.
    items.setAll(rows);
    choose();
  }

  /** Others are selected: the first of them comes into sight, unless it was the list's doing. */
  private void choose() {
    selected = events.selected();
    int chosen = 0;
    int first = -1;
    for (int i = 0; i < rows.size(); i++) {
      if (selected.test(rows.get(i).idNumber())) {
        chosen++;
        first = first < 0 ? i : first;
      }
    }
    count.setText(
        rows.size()
            + (rows.size() == 1 ? " event" : " events")
            + (chosen == 0 ? "" : ", " + chosen + " selected"));
    table.refresh();
    if (!own && first >= 0) {
      table.scrollTo(Math.max(0, first - 2));
    }
  }

  private void click(MouseEvent e, Timed<?> event) {
    if (e.getButton() != MouseButton.PRIMARY) {
      return;
    }
    own = true;
    try {
      int from = anchor.map(rows::indexOf).orElse(-1);
      if (e.isShiftDown() && from >= 0) {
        int to = rows.indexOf(event);
        events.select(rows.subList(Math.min(from, to), Math.max(from, to) + 1));
      } else if (e.isShortcutDown()) {
        events.toggle(event);
        anchor = Optional.of(event);
      } else if (!selected.test(event.idNumber()) || e.getClickCount() == 1) {
        events.select(List.of(event));
        anchor = Optional.of(event);
      }
    } finally {
      own = false;
    }
  }

  /** Types over the value of the first selected event. */
  public void editSelected() {
    rows.stream()
        .filter(r -> selected.test(r.idNumber()))
        .findFirst()
        .ifPresentOrElse(
            event -> {
              table.scrollTo(Math.max(0, rows.indexOf(event) - 2));
              edit(event, Column.VALUE);
            },
            () -> session.notices().tell("Select the event first whose value shall be another"));
  }

  private void edit(Timed<?> event, Column column) {
    if (!events.isOpen(event, column)) {
      return;
    }
    EntryField field =
        new EntryField(
            "event-value",
            5,
            "Another value, or a change such as +10",
            typed -> {
              events.enter(event, column, typed);
              leave();
            });
    field.show(events.text(event, column));
    editing = Optional.of(new Editing(event.idNumber(), column, field));
    // The caret can be in it only once its cell has been made.
    field
        .sceneProperty()
        .addListener(
            (property, before, now) -> {
              if (now != null) {
                field.edit();
              }
            });
    // A cell that is made anew takes the field with it: then it is not left.
    field.whenLeft(
        () -> {
          if (field.getScene() != null) {
            leave();
          }
        });
    table.refresh();
  }

  private void leave() {
    if (editing.isPresent()) {
      editing = Optional.empty();
      table.refresh();
    }
  }

  private final class EventRow extends TableRow<Timed<?>> {
    @Override
    protected void updateItem(Timed<?> event, boolean empty) {
      super.updateItem(event, empty);
      pseudoClassStateChanged(CHOSEN, !empty && selected.test(event.idNumber()));
    }
  }

  private final class EventCell extends TableCell<Timed<?>, Timed<?>> {
    private final Column column;

    EventCell(Column column) {
      this.column = column;
      if (column == Column.WHAT) {
        getStyleClass().add("names");
      }
      addEventFilter(
          MouseEvent.MOUSE_PRESSED,
          e -> {
            if (getItem() != null && editing.isEmpty()) {
              Timed<?> event = getItem();
              click(e, event);
              if (e.getClickCount() == 2 && !e.isShiftDown() && !e.isShortcutDown()) {
                edit(event, column);
              }
              e.consume();
            }
          });
    }

    @Override
    protected void updateItem(Timed<?> event, boolean empty) {
      super.updateItem(event, empty);
      if (empty || event == null) {
        setText(null);
        setGraphic(null);
        return;
      }
      Optional<Editing> here =
          editing.filter(x -> x.id() == event.idNumber() && x.column() == column);
      setText(here.isPresent() ? null : events.text(event, column));
      setGraphic(here.map(Editing::field).orElse(null));
    }
  }
}
