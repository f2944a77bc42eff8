package flailbeat.core.format.smf;

import flailbeat.core.model.carried.Payload;

/**
 * An event of a MIDI file.
 *
 * @param tick from the start of its track, at the file's own resolution
 * @param status 80 to EF (channel message), F0 or F7 (system exclusive), FF (meta), hexadecimal
 * @param data1 first data byte of a channel message; the type of a meta event
 * @param data2 second data byte of a channel message; otherwise 0
 * @param payload the bytes of a meta or system exclusive event; empty otherwise
 */
public record SmfEvent(long tick, int status, int data1, int data2, Payload payload) {
  public static final int META = 0xFF;
  public static final int TRACK_NAME = 0x03;
  public static final int END_OF_TRACK = 0x2F;
  public static final int PORT = 0x21;
  public static final int TEMPO = 0x51;
  public static final int TIME_SIGNATURE = 0x58;

  private static final Payload EMPTY = Payload.of();

  public static SmfEvent channel(long tick, int status, int data1, int data2) {
    return new SmfEvent(tick, status, data1, data2, EMPTY);
  }

  public static SmfEvent meta(long tick, int type, byte... bytes) {
    return new SmfEvent(tick, META, type, 0, Payload.of(bytes));
  }

  public boolean isMeta(int type) {
    return status == META && data1 == type;
  }

  public boolean isChannelMessage() {
    return status < 0xF0;
  }

  /** A note-on that starts a note; one with velocity 0 ends it (MIDI 1.0). */
  public boolean isNoteOn() {
    return (status & 0xF0) == 0x90 && data2 > 0;
  }

  public boolean isNoteOff() {
    return (status & 0xF0) == 0x80 || (status & 0xF0) == 0x90 && data2 == 0;
  }

  public int channel() {
    return status & 0x0F;
  }

  public SmfEvent at(long newTick) {
    return newTick == tick ? this : new SmfEvent(newTick, status, data1, data2, payload);
  }
}
