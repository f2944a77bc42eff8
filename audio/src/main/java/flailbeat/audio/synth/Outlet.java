package flailbeat.audio.synth;

import java.util.Arrays;

/**
 * Where the messages of each channel go: to the synthesizer, or to a MIDI output. A note always
 * ends where it began, though its part goes elsewhere by then. Lives on the audio thread and
 * allocates nothing.
 */
final class Outlet {
  private static final int NOTE_OFF = 0x80;
  private static final int NOTE_ON = 0x90;
  private static final int CONTROLLER = 0xB0;
  private static final int SUSTAIN = 64;
  private static final int SOSTENUTO = 66;
  private static final int ALL_SOUND_OFF = 120;
  private static final int ALL_NOTES_OFF = 123;
  private static final int NOWHERE = -1;

  private final Synth synth;
  private final Feed feed;

  /** Where each note that sounds was begun, by channel and pitch. */
  private final int[] begun = new int[2 * Synth.LIVE << 7];

  /** Where each pedal that is down was put down, by channel, sostenuto behind sustain. */
  private final int[] down = new int[2 * Synth.LIVE << 1];

  private long dueNanos;

  Outlet(Synth synth, Feed feed) {
    this.synth = synth;
    this.feed = feed;
    Arrays.fill(begun, NOWHERE);
    Arrays.fill(down, NOWHERE);
  }

  /** Says when what follows is due, by the system's clock; 0 for now. */
  void due(long nanos) {
    dueNanos = nanos;
  }

  private int route(int channel) {
    return feed.route(channel % Synth.LIVE);
  }

  void noteOn(int channel, int pitch, int velocity) {
    int route = route(channel);
    int before = begun[channel << 7 | pitch];
    if (isElsewhere(before, route)) {
      send(before, NOTE_OFF, pitch, 64);
    }
    begun[channel << 7 | pitch] = route;
    if (route == Feed.TO_SYNTH) {
      synth.noteOn(channel, pitch, velocity);
    } else {
      send(route, NOTE_ON, pitch, velocity);
    }
  }

  void noteOff(int channel, int pitch) {
    int route = begun[channel << 7 | pitch];
    begun[channel << 7 | pitch] = NOWHERE;
    if (route == Feed.TO_SYNTH || route == NOWHERE) {
      synth.noteOff(channel, pitch);
    } else {
      send(route, NOTE_OFF, pitch, 64);
    }
  }

  /** Sends a channel message that is neither note-on nor note-off. */
  void control(int status, int channel, int data1, int data2) {
    int route = route(channel);
    if ((status & 0xF0) == CONTROLLER && (data1 == SUSTAIN || data1 == SOSTENUTO)) {
      followPedal(channel << 1 | (data1 == SUSTAIN ? 0 : 1), route, data1, data2);
    }
    synth.control(status, channel, data1, data2);
    if (route != Feed.TO_SYNTH) {
      send(route, status & 0xF0, data1, data2);
    }
  }

  private void followPedal(int pedal, int route, int controller, int value) {
    if (isElsewhere(down[pedal], route)) {
      send(down[pedal], CONTROLLER, controller, 0);
    }
    down[pedal] = value == 0 ? NOWHERE : route;
  }

  private static boolean isElsewhere(int before, int route) {
    return before != NOWHERE && before != Feed.TO_SYNTH && before != route;
  }

  private void send(int route, int status, int data1, int data2) {
    PortQueue port = feed.port(Feed.portOf(route));
    if (port != null) {
      port.offer(status | Feed.channelOf(route) | data1 << 8 | data2 << 16, dueNanos);
    }
  }

  /** Ends all that sounds, everywhere. */
  void silence() {
    dueNanos = 0;
    synth.silence();
    for (int at = 0; at < begun.length; at++) {
      if (begun[at] != NOWHERE && begun[at] != Feed.TO_SYNTH) {
        send(begun[at], NOTE_OFF, at & 127, 64);
      }
      begun[at] = NOWHERE;
    }
    for (int pedal = 0; pedal < down.length; pedal++) {
      followPedal(pedal, NOWHERE, pedal % 2 == 0 ? SUSTAIN : SOSTENUTO, 0);
    }
    for (int part = 0; part < Synth.LIVE; part++) {
      int route = feed.route(part);
      if (route != Feed.TO_SYNTH) {
        send(route, CONTROLLER, SUSTAIN, 0);
        send(route, CONTROLLER, SOSTENUTO, 0);
        send(route, CONTROLLER, ALL_NOTES_OFF, 0);
        send(route, CONTROLLER, ALL_SOUND_OFF, 0);
      }
    }
  }
}
