package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Timed;
import flailbeat.core.model.control.Controller;
import flailbeat.core.session.bench.EventList.Column;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import javafx.event.Event;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableRow;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The list of events: in step with the bench, typed over, sorted, filtered. */
class EventsPageTest extends HeadlessWindow {
  @BeforeEach
  void openList() throws Exception {
    ui.run(
        () -> {
          Song song = HarbourLamps.song();
          ui.session.open(
              SongEdits.addControls(
                  song,
                  song.tracks().get(0).id(),
                  List.of(
                      new NewControl(100, Controller.EXPRESSION.at(90)),
                      new NewControl(5000, Controller.BEND.at(9000)))),
              Optional.empty());
        });
    type(KeyCode.SHIFT, KeyCode.F5);
    layOut();
  }

  private void layOut() throws Exception {
    ui.run(() -> ui.node("bench").getScene().getRoot().applyCss());
    ui.run(() -> ui.node("bench").getScene().getRoot().layout());
  }

  @SuppressWarnings("unchecked")
  private TableView<Timed<?>> table() {
    return (TableView<Timed<?>>) ui.node("events");
  }

  private List<Timed<?>> rows() {
    return ui.get(() -> List.copyOf(table().getItems()));
  }

  /** Puts the mouse over a row and a column of the list, which is not scrolled. */
  private void over(int row, int column) throws Exception {
    layOut();
    Node flow = ui.get(() -> table().lookup(".virtual-flow"));
    double before =
        ui.get(
            () ->
                table().getColumns().subList(0, column).stream()
                    .mapToDouble(TableColumn::getWidth)
                    .sum());
    Point2D at = ui.get(() -> flow.localToScreen(before + 10, 22 * row + 11));
    ui.run(() -> robot.mouseMove(at.getX(), at.getY()));
  }

  /** Two clicks on a cell: the robot's come sooner than a hand's, within one frame. */
  private void doubleClick(int row, int column) throws Exception {
    layOut();
    Timed<?> event = rows().get(row);
    ui.run(
        () -> {
          TableRow<?> shown =
              table().lookupAll(".table-row-cell").stream()
                  .map(n -> (TableRow<?>) n)
                  .filter(r -> r.getItem() == event)
                  .findFirst()
                  .orElseThrow();
          Node cell = shown.getChildrenUnmodifiable().get(column);
          Event.fireEvent(cell, pressedTwice());
        });
    layOut();
  }

  private static MouseEvent pressedTwice() {
    return new MouseEvent(
        MouseEvent.MOUSE_PRESSED,
        5,
        5,
        5,
        5,
        MouseButton.PRIMARY,
        2,
        false,
        false,
        false,
        false,
        true,
        false,
        false,
        false,
        false,
        true,
        null);
  }

  private void type(String text) throws Exception {
    ui.await(() -> ui.node("event-value").isFocused());
    ui.run(() -> ((TextField) ui.node("event-value")).setText(text));
    type(KeyCode.ENTER);
  }

  @Test
  void a_click_selects_on_the_bench_and_what_is_selected_there_is_seen_here() throws Exception {
    assertThat(rows()).hasSize(69);
    Note third = (Note) rows().get(3);
    over(3, 1);
    ui.run(() -> robot.mousePress(MouseButton.PRIMARY));
    ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
    assertThat(ui.get(() -> ui.session.document().selection().notes())).containsExactly(third.id());
    ui.run(() -> ui.session.document().select(Selection.of(notes().subList(40, 42))));
    layOut();
    Note first = notes().get(40);
    assertThat(
            ui.get(
                () ->
                    table().lookupAll(".table-row-cell").stream()
                        .filter(n -> n.getPseudoClassStates().toString().contains("chosen"))
                        .map(n -> (Object) ((TableRow<?>) n).getItem())
                        .toList()))
        .contains(first);
    press(KeyCode.A);
    assertThat(sounding()).as("the list never takes the keys").isNotEmpty();
    release(KeyCode.A);
  }

  @Test
  void values_of_notes_and_controllers_are_typed_over_in_place() throws Exception {
    int note = rows().get(1) instanceof Note ? 1 : 0;
    long id = rows().get(note).idNumber();
    doubleClick(note, 3);
    type("99");
    assertThat(notes()).filteredOn(n -> n.idNumber() == id).allMatch(n -> n.velocity() == 99);
    int point = rows().get(0) instanceof ControlPoint ? 0 : 1;
    point = rows().get(point) instanceof ControlPoint ? point : 2;
    doubleClick(point, 3);
    type("200");
    assertThat(ui.get(() -> ui.node("event-value").getPseudoClassStates().toString()))
        .contains("refused");
    type("-10");
    ControlPoint changed = (ControlPoint) rows().get(point);
    assertThat(changed.control().value()).isEqualTo(80);
    type(KeyCode.DELETE);
    assertThat(rows()).hasSize(68).noneMatch(r -> r.idNumber() == changed.idNumber());
  }

  @Test
  void the_list_is_filtered_and_put_in_order_of_any_column() throws Exception {
    click("events-controllers");
    assertThat(rows()).hasSize(2).allMatch(r -> r instanceof ControlPoint);
    click("events-notes");
    ui.run(
        () -> {
          table().getSortOrder().setAll(List.of(table().getColumns().get(3)));
          table().sort();
        });
    assertThat(rows().stream().map(r -> ((Note) r).velocity()).toList()).isSorted().hasSize(67);
    assertThat(ui.get(() -> ui.session.events()).text(rows().get(0), Column.WHAT))
        .matches("[A-G]#?\\d");
  }

  @Test
  void the_list_is_gone_through_filtered_turned_and_typed_over_by_commands_alone()
      throws Exception {
    type(KeyCode.SHIFT, KeyCode.PAGE_DOWN);
    type(KeyCode.SHIFT, KeyCode.PAGE_DOWN);
    assertThat(selectedRows()).containsExactly(1);
    ui.choose("list-add-next");
    assertThat(selectedRows()).containsExactly(1, 2);
    ui.choose("list-filter");
    ui.choose("list-filter");
    assertThat(rows()).allMatch(r -> r instanceof ControlPoint);
    ui.choose("list-turn");
    assertThat(rows().getFirst().tick()).isGreaterThan(rows().getLast().tick());
    assertThat(ui.get(() -> table().getSortOrder().size())).as("it shows").isEqualTo(1);
    type(KeyCode.SHIFT, KeyCode.PAGE_UP);
    ui.run(() -> ui.session.events().select(List.of(rows().getFirst())));
    ui.choose("list-value");
    layOut();
    ui.run(() -> ((TextField) ui.node("event-value")).setText("8192"));
    type(KeyCode.ENTER);
    assertThat(((ControlPoint) rows().getFirst()).control().value()).isEqualTo(8192);
  }

  private List<Integer> selectedRows() {
    return ui.get(
        () -> {
          List<Timed<?>> all = ui.session.events().rows();
          return IntStream.range(0, all.size())
              .filter(i -> ui.session.events().selected().test(all.get(i).idNumber()))
              .boxed()
              .toList();
        });
  }
}
