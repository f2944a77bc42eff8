package flailbeat.core.model;

import java.util.List;

/**
 * What has to be taken out of one version of a sequence, and what put in, to make another of it: an
 * element that was changed is in both.
 *
 * @param <E> what is in the sequence
 * @param gone in order of id
 * @param come in order of id
 */
public record Difference<E>(List<E> gone, List<E> come) {
  public Difference {
    gone = List.copyOf(gone);
    come = List.copyOf(come);
  }

  public boolean isNone() {
    return gone.isEmpty() && come.isEmpty();
  }
}
