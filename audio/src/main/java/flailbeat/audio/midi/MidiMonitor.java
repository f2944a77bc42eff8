package flailbeat.audio.midi;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;

/**
 * What came in and went out by MIDI lately: the last {@value #MOST} messages, with their times. May
 * be used by several threads, and holds none of them up for longer than one message takes.
 */
public final class MidiMonitor {
  /** More are not kept. */
  public static final int MOST = 2000;

  private final Deque<Entry> entries = new ArrayDeque<>();
  private long count;

  /**
   * A message.
   *
   * @param number counts them all, from 1
   * @param atNanos of the system's clock
   * @param in whether it came in
   * @param device by what
   */
  public record Entry(
      long number, long atNanos, boolean in, String device, int status, int data1, int data2) {}

  /** Takes a message down. */
  public synchronized void take(
      long atNanos, boolean in, String device, int status, int data1, int data2) {
    count++;
    entries.addLast(new Entry(count, atNanos, in, device, status, data1, data2));
    if (entries.size() > MOST) {
      entries.removeFirst();
    }
  }

  /** Those that came behind one of a number, oldest first. */
  public synchronized List<Entry> since(long number) {
    List<Entry> result = new ArrayList<>();
    for (Entry entry : entries) {
      if (entry.number() > number) {
        result.add(entry);
      }
    }
    return result;
  }

  /** How many there were, ever. */
  public synchronized long count() {
    return count;
  }

  /** Forgets all. */
  public synchronized void clear() {
    entries.clear();
  }
}
