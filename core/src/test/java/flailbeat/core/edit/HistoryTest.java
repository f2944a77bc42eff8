package flailbeat.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class HistoryTest {
  private final History<String> history = new History<>("a");

  @Test
  void undo_and_redo_walk_back_and_forth() {
    history.push("to b", "b");
    history.push("to c", "c");
    assertThat(history.undoLabel()).contains("to c");
    assertThat(history.undo()).isTrue();
    assertThat(history.undo()).isTrue();
    assertThat(history.undo()).isFalse();
    assertThat(history.current()).isEqualTo("a");
    assertThat(history.redoLabel()).contains("to b");
    assertThat(history.redo()).isTrue();
    assertThat(history.redo()).isTrue();
    assertThat(history.redo()).isFalse();
    assertThat(history.current()).isEqualTo("c");
  }

  @Test
  void an_edit_after_undo_drops_what_was_undone() {
    history.push("to b", "b");
    history.undo();
    history.push("to c", "c");
    assertThat(history.redo()).isFalse();
    history.undo();
    assertThat(history.current()).isEqualTo("a");
  }

  @Test
  void an_edit_that_changes_nothing_is_no_step() {
    history.push("nothing", history.current());
    assertThat(history.undoLabel()).isEmpty();
  }

  @Test
  void the_saved_mark_follows_the_state_that_was_saved() {
    history.push("to b", "b");
    assertThat(history.isSaved()).isFalse();
    history.markSaved();
    history.push("to c", "c");
    history.undo();
    assertThat(history.isSaved()).isTrue();
    history.undo();
    assertThat(history.isSaved()).isFalse();
    history.push("to d", "d");
    assertThat(history.isSaved()).isFalse();
    history.undo();
    assertThat(history.isSaved()).as("b was dropped with its mark").isFalse();
  }

  @Test
  void the_oldest_steps_are_forgotten_beyond_the_limit() {
    for (int i = 0; i < History.LIMIT + 10; i++) {
      history.push("step", "s" + i);
    }
    int steps = 0;
    while (history.undo()) {
      steps++;
    }
    assertThat(steps).isEqualTo(History.LIMIT);
    assertThat(history.current()).isEqualTo("s9");
    assertThat(history.isSaved()).isFalse();
  }
}
