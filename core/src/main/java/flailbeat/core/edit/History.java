package flailbeat.core.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * The states that something went through, with a cursor and a mark at the one last saved. States
 * are immutable; how much of the one before a state shares, and so what a step costs in memory, is
 * up to who makes it. Stepping costs the same whatever was changed. The oldest steps are forgotten
 * beyond {@value #LIMIT}.
 *
 * @param <S> an immutable state
 */
public final class History<S> {
  /** How many steps can be undone. */
  public static final int LIMIT = 1000;

  /**
   * A state, and what was done to come to it.
   *
   * @param label empty for the first
   * @param <S> an immutable state
   */
  public record Step<S>(String label, S state) {}

  private final List<Step<S>> steps = new ArrayList<>();
  private int cursor;
  private int saved;

  /** A history as it was: a copy, which goes on by itself. */
  public History(History<S> other) {
    steps.addAll(other.steps);
    cursor = other.cursor;
    saved = other.saved;
  }

  /** All states that there are, the first and what was undone among them. */
  public List<Step<S>> steps() {
    return List.copyOf(steps);
  }

  /** Which of the steps is the current one. */
  public int cursor() {
    return cursor;
  }

  /** Which of the steps is saved; -1 for none of them. */
  public int saved() {
    return saved;
  }

  /** A history that starts at a state, which counts as saved. */
  public History(S initial) {
    steps.add(new Step<>("", initial));
  }

  public S current() {
    return steps.get(cursor).state();
  }

  /**
   * Adds a state after the current one; what had been undone is gone. A state that equals the
   * current one by identity adds nothing.
   *
   * @param label what was done, as the undo command shows it: {@code Move notes}
   */
  public void push(String label, S state) {
    if (state == current()) {
      return;
    }
    steps.subList(cursor + 1, steps.size()).clear();
    if (saved > cursor) {
      saved = -1;
    }
    steps.add(new Step<>(label, state));
    cursor++;
    if (cursor > LIMIT) {
      steps.remove(0);
      cursor--;
      saved = Math.max(-1, saved - 1);
    }
  }

  /** Changes every state alike: what is no step of its own, and is to hold whatever is undone. */
  public void replaceAll(UnaryOperator<S> change) {
    steps.replaceAll(s -> new Step<>(s.label(), change.apply(s.state())));
  }

  /** Steps back; false at the beginning. */
  public boolean undo() {
    if (cursor == 0) {
      return false;
    }
    cursor--;
    return true;
  }

  /** Steps forward again; false at the end. */
  public boolean redo() {
    if (cursor == steps.size() - 1) {
      return false;
    }
    cursor++;
    return true;
  }

  /** What undo would take back. */
  public Optional<String> undoLabel() {
    return cursor == 0 ? Optional.empty() : Optional.of(steps.get(cursor).label());
  }

  /** What redo would bring back. */
  public Optional<String> redoLabel() {
    return cursor == steps.size() - 1
        ? Optional.empty()
        : Optional.of(steps.get(cursor + 1).label());
  }

  public void markSaved() {
    saved = cursor;
  }

  /** Takes the saved mark away: no state of this history stands in a file. */
  public void markUnsaved() {
    saved = -1;
  }

  public boolean isSaved() {
    return saved == cursor;
  }
}
