package flailbeat.core.step;

import flailbeat.core.edit.Edit;
import java.util.List;
import java.util.Optional;

/**
 * What came of a key.
 *
 * @param state from now on
 * @param edit what it does to the song, if anything
 * @param heard what is to be heard of it that no held key sounds
 * @param remark what the person should know, such as why it could not be done
 */
public record StepResult(
    StepState state, Optional<Edit> edit, List<Struck> heard, Optional<String> remark) {
  static StepResult of(StepState state) {
    return new StepResult(state, Optional.empty(), List.of(), Optional.empty());
  }

  static StepResult of(StepState state, Edit edit) {
    return new StepResult(state, Optional.of(edit), List.of(), Optional.empty());
  }

  static StepResult refused(StepState state, String why) {
    return new StepResult(state, Optional.empty(), List.of(), Optional.of(why));
  }

  StepResult hearing(List<Struck> notes) {
    return new StepResult(state, edit, notes, remark);
  }
}
