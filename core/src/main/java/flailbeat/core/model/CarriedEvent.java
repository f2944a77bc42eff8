package flailbeat.core.model;

import flailbeat.core.time.Ticks;

/**
 * An event of a MIDI file that Flailbeat does not edit and hands on as it came: lyrics, markers,
 * key signatures, system exclusive and the like.
 *
 * @param tick 0 to {@link Ticks#LAST}
 * @param status F0 or F7 (system exclusive) or FF (meta), hexadecimal
 * @param type the meta event's type; 0 for system exclusive
 */
public record CarriedEvent(long tick, int status, int type, Payload payload) {
  public CarriedEvent {
    Ticks.require(tick);
  }
}
