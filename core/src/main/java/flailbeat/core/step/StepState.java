package flailbeat.core.step;

import flailbeat.core.model.id.TrackId;

/** All that step entry knows between one key and the next. */
public record StepState(StepSettings settings, StepPlace place, Hold hold) {
  /** At a tick of a track, with nothing entered and nothing held. */
  public static StepState at(StepSettings settings, long tick, TrackId track) {
    return new StepState(settings, StepPlace.at(tick), Hold.none(track));
  }

  public StepState with(StepSettings value) {
    return new StepState(value, place, hold);
  }

  public StepState with(StepPlace value) {
    return new StepState(settings, value, hold);
  }

  StepState with(Hold value) {
    return new StepState(settings, place, value);
  }

  /** Whether keys that are held have entered the last step, and can make it longer or shorter. */
  public boolean isOpen() {
    return hold.isHeld()
        && hold.fresh().isEmpty()
        && place.openHold() == hold.number()
        && place.last().isPresent();
  }
}
