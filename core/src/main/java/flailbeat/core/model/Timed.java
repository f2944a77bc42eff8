package flailbeat.core.model;

/**
 * What lies in a clip: it has an id and a place in time.
 *
 * @param <E> what it is
 */
public sealed interface Timed<E> permits Note, ControlPoint {
  /** The number of its id. */
  long idNumber();

  /** Where it begins. */
  long tick();

  /** The tick after its last. */
  long end();

  /** The same, so many ticks later. */
  E shifted(long ticks);
}
