package flailbeat.core.format.smf;

import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.carried.Payload;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Reads the events of one track chunk, up to its end mark or the first thing that is wrong. */
final class SmfTrackReader {
  /** A time of one byte, a status and two bytes of data. */
  private static final int PLAIN_BYTES = 4;

  /** An event with its time. */
  private static final int USUAL_BYTES = 4;

  private final byte[] bytes;
  private final int end;
  private final List<SmfEvent> events;
  private int at;
  private long tick;
  private int runningStatus;

  /** The status of the last channel message, which by the standard other events end. */
  private int lastStatus;

  private boolean carriedStatusOn;
  private boolean sawEnd;
  private String fault;

  SmfTrackReader(byte[] bytes, int from, int end) {
    this.bytes = bytes;
    this.at = from;
    this.end = end;
    this.events = new ArrayList<>(Math.max(16, (end - from) / USUAL_BYTES));
  }

  /** Reads what can be read. */
  SmfTrack read() {
    while (fault == null && !sawEnd && at < end) {
      if (plainEvent()) {
        continue;
      }
      int start = at;
      try {
        event();
      } catch (Broken e) {
        fault = e.getMessage();
        at = start;
      }
    }
    return new SmfTrack(events, tick);
  }

  /** What stopped the reading, or null: only this package reads it. */
  String fault() {
    return fault;
  }

  /** Whether running status went on across another kind of event, which the standard forbids. */
  boolean carriedStatusOn() {
    return carriedStatusOn;
  }

  boolean sawEnd() {
    return sawEnd;
  }

  /** Where reading stopped: behind the last whole event. */
  int position() {
    return at;
  }

  /**
   * Reads a channel message soon after the one before, as nearly all events are; anything else is
   * left as it is.
   */
  private boolean plainEvent() {
    if (end - at < PLAIN_BYTES || bytes[at] < 0) {
      return false;
    }
    int next = at + 1;
    int status = bytes[next] & 0xFF;
    if (status >= 0x80) {
      next++;
    } else {
      status = runningStatus;
    }
    if (status < 0x80 || status >= 0xF0) {
      return false;
    }
    int data1 = bytes[next++];
    int data2 = (status & 0xE0) == 0xC0 ? 0 : bytes[next++];
    long time = tick + bytes[at];
    if (data1 < 0 || data2 < 0 || time > Ticks.LAST) {
      return false;
    }
    events.add(SmfEvent.channel(time, status, data1, data2));
    runningStatus = status;
    lastStatus = status;
    tick = time;
    at = next;
    return true;
  }

  private void event() throws Broken {
    long time = tick + varlen();
    if (time > Ticks.LAST) {
      throw new Broken("a time beyond any song");
    }
    int status = peek();
    if (status < 0x80) {
      carriedStatusOn |= runningStatus == 0 && lastStatus != 0;
      if (lastStatus == 0) {
        throw new Broken("a data byte where an event should begin");
      }
      status = lastStatus;
    } else {
      at++;
    }
    SmfEvent event = body(time, status);
    tick = time;
    if (event.isMeta(SmfEvent.END_OF_TRACK)) {
      sawEnd = true;
    } else {
      events.add(event);
    }
  }

  private SmfEvent body(long time, int status) throws Broken {
    if (status < 0xF0) {
      runningStatus = status;
      lastStatus = status;
      int data1 = data();
      boolean one = (status & 0xE0) == 0xC0;
      return SmfEvent.channel(time, status, data1, one ? 0 : data());
    }
    runningStatus = 0;
    return switch (status) {
      case 0xF0, 0xF7 -> new SmfEvent(time, status, 0, 0, payload());
      case SmfEvent.META -> {
        int type = data();
        yield new SmfEvent(time, status, type, 0, payload());
      }
      default -> throw new Broken("an event of kind " + Integer.toHexString(status) + " hex");
    };
  }

  private Payload payload() throws Broken {
    long length = varlen();
    if (length > end - at) {
      throw new Broken("an event of " + length + " bytes where " + (end - at) + " are left");
    }
    Payload result = Payload.of(Arrays.copyOfRange(bytes, at, at + (int) length));
    at += (int) length;
    return result;
  }

  private int peek() throws Broken {
    if (at >= end) {
      throw new Broken("it ends inside an event");
    }
    return bytes[at] & 0xFF;
  }

  private int data() throws Broken {
    int value = peek();
    if (value > 0x7F) {
      throw new Broken("a byte over 127 where data should be");
    }
    at++;
    return value;
  }

  private long varlen() throws Broken {
    long value = 0;
    for (int i = 0; i < VarLen.MOST_BYTES; i++) {
      int b = peek();
      at++;
      value = value << 7 | b & 0x7F;
      if (b < 0x80) {
        return value;
      }
    }
    throw new Broken("a number of more than four bytes");
  }

  /** Carries the reason up to the loop; never leaves this class. */
  private static final class Broken extends Exception {
    private static final long serialVersionUID = 1;

    Broken(String message) {
      super(message, null, false, false);
    }
  }
}
