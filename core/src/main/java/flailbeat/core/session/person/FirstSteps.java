package flailbeat.core.session.person;

import flailbeat.core.keys.KeysMode;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/** What a newcomer has done so far of what is useful first, and what comes next. */
public final class FirstSteps {
  /** In the order in which they are useful. */
  public enum Step {
    HEAR("press a letter that is drawn white: it sounds"),
    OCTAVE("{octave-up} and {octave-down}: other octaves"),
    RECORD("{record} records, after a count-in, and stops"),
    QUANTIZE("{quantize} puts late notes right"),
    AS_PLAYED("hold {as-played}: as you played it"),
    UNDO("{undo} takes anything back"),
    KEEP("play without recording, then {keep} keeps it"),
    SAVE("{song-save} saves the song");

    private final String says;

    Step(String says) {
      this.says = says;
    }

    /**
     * What to do, with the commands that it names in braces.
     *
     * @param keys what the letter keys are now
     */
    public String says(KeysMode keys) {
      return keys == KeysMode.COMMANDS && (this == HEAR || this == OCTAVE)
          ? "{keys-switch} makes the letter keys notes, and then " + says
          : says;
    }
  }

  /**
   * As it is kept.
   *
   * @param done the steps that were done
   * @param off whether no more are wanted
   */
  public record Kept(Set<Step> done, boolean off) {
    public Kept {
      done = done == null ? Set.of() : Set.copyOf(done);
    }
  }

  private final Changes changes;
  private final Set<Step> done = EnumSet.noneOf(Step.class);
  private boolean off;

  public FirstSteps(Changes changes) {
    this.changes = changes;
  }

  /** What is useful next; empty when all is done, or no more is wanted. */
  public Optional<Step> next() {
    return off
        ? Optional.empty()
        : Arrays.stream(Step.values()).filter(s -> !done.contains(s)).findFirst();
  }

  /** It was done, in whatever order. */
  public void did(Step step) {
    if (!off && done.add(step)) {
      changes.fire(Aspect.SETTINGS);
    }
  }

  /** Whether a step was done. */
  public boolean isDone(Step step) {
    return done.contains(step);
  }

  /** No more are wanted; or, where none is shown, all are shown anew. */
  public void toggle() {
    if (next().isPresent()) {
      off = true;
    } else {
      off = false;
      done.clear();
    }
    changes.fire(Aspect.SETTINGS);
  }

  /** As it is kept. */
  public Kept kept() {
    return new Kept(Collections.unmodifiableSet(done), off);
  }

  /** Takes over what was kept. */
  public void set(Kept value) {
    done.clear();
    done.addAll(value.done());
    off = value.off();
    changes.fire(Aspect.SETTINGS);
  }
}
