package flailbeat.audio.synth;

import com.sun.media.sound.SoftSynthesizer;
import java.lang.reflect.Field;
import java.lang.reflect.Method;
import java.util.AbstractSet;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;

/**
 * The channels of a synthesizer in the order of their numbers. It keeps them in a set without an
 * order; what they send to its reverb would be added up in another order each time, and a song
 * would not sound the same to the last bit. So that set is replaced by this.
 */
final class MixOrder extends AbstractSet<Object> {
  private final List<Object> containers = new ArrayList<>();
  private Field mixerOf;

  private MixOrder() {}

  /**
   * Has a synthesizer that is open mix its channels in order.
   *
   * @throws IllegalStateException where this Java keeps its synthesizer otherwise, or closed
   */
  static void keepIn(SoftSynthesizer synthesizer) {
    try {
      Method main = SoftSynthesizer.class.getDeclaredMethod("getMainMixer");
      main.setAccessible(true);
      Object mainMixer = main.invoke(synthesizer);
      Field registered = mainMixer.getClass().getDeclaredField("registeredMixers");
      registered.setAccessible(true);
      registered.set(mainMixer, new MixOrder());
    } catch (ReflectiveOperationException | RuntimeException e) {
      throw new IllegalStateException(
          "The JDK's synthesizer is not as it was: start with"
              + " --add-opens java.desktop/com.sun.media.sound=ALL-UNNAMED",
          e);
    }
  }

  private int channel(Object container) {
    try {
      if (mixerOf == null) {
        mixerOf = container.getClass().getDeclaredField("mixer");
        mixerOf.setAccessible(true);
      }
      return ((ChannelMixer) mixerOf.get(container)).channel();
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException("The JDK's mixers are not as they were", e);
    }
  }

  @Override
  public boolean add(Object container) {
    // A channel is registered anew with each sound that is loaded, and has one mixer for good.
    if (containers.stream().anyMatch(c -> channel(c) == channel(container))) {
      return false;
    }
    int at = 0;
    while (at < containers.size() && channel(containers.get(at)) <= channel(container)) {
      at++;
    }
    containers.add(at, container);
    return true;
  }

  @Override
  public Iterator<Object> iterator() {
    return containers.iterator();
  }

  @Override
  public int size() {
    return containers.size();
  }
}
