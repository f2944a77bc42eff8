package flailbeat.audio.synth;

import com.sun.media.sound.ModelAbstractChannelMixer;

/**
 * Takes what a channel sounds out of the synthesizer's own mix, so that it can be measured and
 * mixed in an order that is always the same.
 */
final class ChannelMixer extends ModelAbstractChannelMixer {
  private final int channel;
  private final float[] left;
  private final float[] right;

  /** Adds what it takes to these. */
  ChannelMixer(int channel, float[] left, float[] right) {
    this.channel = channel;
    this.left = left;
    this.right = right;
  }

  int channel() {
    return channel;
  }

  @Override
  public boolean process(float[][] buffer, int offset, int length) {
    take(buffer[0], left, offset, length);
    take(buffer[1], right, offset, length);
    return true;
  }

  private static void take(float[] from, float[] to, int offset, int length) {
    for (int i = offset; i < offset + length; i++) {
      to[i] += from[i];
      from[i] = 0;
    }
  }

  @Override
  public void stop() {
    // A channel has one for good: what sounds through it when another sound is chosen goes on.
  }
}
