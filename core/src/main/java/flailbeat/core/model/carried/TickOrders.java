package flailbeat.core.model.carried;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.LongToIntFunction;
import java.util.function.LongUnaryOperator;

/**
 * In what order a MIDI file had the events that stand at one tick of a track of it, where that is
 * not the usual one: ends of notes, then what is no channel message, then controllers, then starts
 * of notes, each as they came. Order within a tick says what a note sounds with.
 *
 * <p>What belongs together is known by its ids, so that it keeps its order wherever it is moved as
 * one. What an edit has brought to the same tick has no place in that order: ends come before it,
 * starts behind, so that a note comes after whatever sets its sound. Immutable.
 */
public final class TickOrders {
  /** Every order is the usual one. */
  public static final TickOrders NONE = new TickOrders(new Group[0]);

  /** What an event is that has no place in any order. */
  public static final long UNKNOWN = -1;

  /** The only name of a track. */
  public static final long NAME = Kind.NAME.ordinal();

  private static final int BITS = 3;

  /** Among so many it is quicker to look at each. */
  private static final int FEW = 32;

  /** Kinds of events; those up to controllers have ids. */
  private enum Kind {
    END("e"),
    START("n"),
    CONTROL("c"),
    NAME("name"),
    TEMPO("tempo"),
    METER("meter"),
    CARRIED("m");

    private static final Kind[] ALL = values();
    private final String sign;

    Kind(String sign) {
      this.sign = sign;
    }

    static Kind of(long ref) {
      return ALL[(int) (ref & (1 << BITS) - 1)];
    }

    boolean hasId() {
      return ordinal() <= CONTROL.ordinal();
    }

    boolean isNumbered() {
      return hasId() || this == CARRIED;
    }
  }

  /**
   * The events of one tick, in order.
   *
   * @param fileTrack the track of the file, from 0
   * @param tick where they stood
   */
  private record Group(int fileTrack, long tick, long[] refs) {}

  private final Group[] groups;
  private Map<Long, Integer> byId = Map.of();
  private Map<Long, Integer> byPlace = Map.of();

  private TickOrders(Group[] groups) {
    this.groups = groups;
  }

  /** The start of a note. */
  public static long start(long noteId) {
    return noteId << BITS | Kind.START.ordinal();
  }

  /** The end of a note. */
  public static long end(long noteId) {
    return noteId << BITS | Kind.END.ordinal();
  }

  /** A controller's event. */
  public static long control(long controlId) {
    return controlId << BITS | Kind.CONTROL.ordinal();
  }

  /** A tempo: there is one at a tick. */
  public static long tempo() {
    return Kind.TEMPO.ordinal();
  }

  /** A time signature: there is one at a tick. */
  public static long meter() {
    return Kind.METER.ordinal();
  }

  /** One of the events of a track that are carried at a tick, from 0. */
  public static long carried(int index) {
    return (long) index << BITS | Kind.CARRIED.ordinal();
  }

  /**
   * Whether one event comes before another at the same tick, in the usual order: by kind (ends,
   * what is no channel message, controllers, starts), then by number.
   */
  public static boolean comesBefore(long ref, long other) {
    return usual(ref) < usual(other);
  }

  private static long usual(long ref) {
    Kind kind = Kind.of(ref);
    long rank =
        switch (kind) {
          case END -> 0;
          case NAME -> 1;
          case TEMPO -> 2;
          case METER -> 3;
          case CARRIED -> 4;
          case CONTROL -> 5;
          case START -> 6;
        };
    return rank << 60 - BITS | ref >> BITS;
  }

  public boolean isEmpty() {
    return groups.length == 0;
  }

  /**
   * Brings the events of one tick in order; where the usual order holds, nothing is changed. O(k
   * log k) for k events, or as many as the file had there.
   *
   * @param fileTrack the track of the file that they stand in; -1 for whichever
   * @param events what stands for each event, in the usual order, in a part of an array
   * @param refOf what an event is
   */
  public void arrange(
      int fileTrack, long tick, long[] events, int from, int to, LongUnaryOperator refOf) {
    long[] here = Arrays.copyOfRange(events, from, to);
    long[] refs = Arrays.stream(here).map(refOf).toArray();
    int found = groupOf(fileTrack, tick, refs);
    if (found < 0) {
      return;
    }
    long[] group = groups[found].refs;
    LongToIntFunction placeOf = placesIn(group);
    long[] ranks = new long[refs.length];
    int known = 0;
    for (int i = 0; i < refs.length; i++) {
      int place = placeOf.applyAsInt(refs[i]);
      known += place < 0 ? 0 : 1;
      long rank = place < 0 ? rankOfStranger(refs[i], group.length) : place + 1;
      ranks[i] = rank << 32 | i;
    }
    if (known > 1) {
      Arrays.sort(ranks);
      for (int i = 0; i < ranks.length; i++) {
        events[from + i] = here[(int) ranks[i]];
      }
    }
  }

  /** Where in a group each event stands; -1 for one that is not in it. */
  private static LongToIntFunction placesIn(long[] group) {
    if (group.length <= FEW) {
      return ref -> {
        int at = 0;
        while (at < group.length && group[at] != ref) {
          at++;
        }
        return at < group.length ? at : -1;
      };
    }
    Map<Long, Integer> places = new HashMap<>();
    for (int i = 0; i < group.length; i++) {
      places.putIfAbsent(group[i], i);
    }
    return ref -> places.getOrDefault(ref, -1);
  }

  /** Ends and whatever sets a sound come first, starts last. */
  private static long rankOfStranger(long ref, int size) {
    return ref != UNKNOWN && Kind.of(ref) == Kind.START ? size + 1 : 0;
  }

  private int groupOf(int fileTrack, long tick, long[] refs) {
    if (isEmpty()) {
      return -1;
    }
    index();
    for (long ref : refs) {
      Integer group = ref == UNKNOWN ? null : byId.get(ref);
      if (group != null) {
        return group;
      }
    }
    return byPlace.getOrDefault(place(fileTrack, tick), -1);
  }

  private synchronized void index() {
    if (!byId.isEmpty() || !byPlace.isEmpty()) {
      return;
    }
    Map<Long, Integer> ids = new HashMap<>();
    Map<Long, Integer> places = new HashMap<>();
    for (int g = 0; g < groups.length; g++) {
      boolean anyId = false;
      for (long ref : groups[g].refs) {
        if (Kind.of(ref).hasId()) {
          ids.put(ref, g);
          anyId = true;
        }
      }
      if (!anyId) {
        places.put(place(groups[g].fileTrack, groups[g].tick), g);
      }
    }
    byId = ids;
    byPlace = places;
  }

  private static long place(int fileTrack, long tick) {
    return tick << 20 | fileTrack;
  }

  /** The same, elsewhere where a place is known by its tick alone. */
  public TickOrders mapTicks(LongUnaryOperator change) {
    return new TickOrders(
        Arrays.stream(groups)
            .map(g -> new Group(g.fileTrack, change.applyAsLong(g.tick), g.refs))
            .toArray(Group[]::new));
  }

  /**
   * Each order in words, as {@code 1@960 c12 n5 m0 e4}: the file's track, the tick, and the events
   * in turn: starts and ends of notes and controllers by their ids, {@code name}, {@code tempo},
   * {@code meter}, and what is carried by its number at that tick.
   */
  public String[] words() {
    return Arrays.stream(groups).map(TickOrders::words).toArray(String[]::new);
  }

  private static String words(Group group) {
    StringBuilder text = new StringBuilder();
    text.append(group.fileTrack).append('@').append(group.tick);
    for (long ref : group.refs) {
      Kind kind = Kind.of(ref);
      text.append(' ').append(kind.sign);
      if (kind.isNumbered()) {
        text.append(ref >> BITS);
      }
    }
    return text.toString();
  }

  /**
   * Reads what {@link #words} gave.
   *
   * @throws IllegalArgumentException for anything else
   */
  public static TickOrders ofWords(Iterable<String> lines) {
    Builder builder = new Builder();
    for (String line : lines) {
      String[] words = line.split(" ");
      String[] place = words[0].split("@");
      if (place.length != 2) {
        throw new IllegalArgumentException("\"" + line + "\" is no order of events");
      }
      long[] refs = new long[words.length - 1];
      for (int i = 0; i < refs.length; i++) {
        refs[i] = refOf(words[i + 1]);
      }
      builder.add((int) number(place[0], 0xFFFF), number(place[1], Long.MAX_VALUE >> 24), refs);
    }
    return builder.build();
  }

  private static long refOf(String word) {
    for (Kind kind : Kind.ALL) {
      if (!kind.isNumbered() && word.equals(kind.sign)) {
        return kind.ordinal();
      }
      boolean starts = kind.isNumbered() && word.startsWith(kind.sign);
      if (starts && word.length() > 1 && Character.isDigit(word.charAt(1))) {
        return number(word.substring(1), Long.MAX_VALUE >> BITS) << BITS | kind.ordinal();
      }
    }
    throw new IllegalArgumentException("\"" + word + "\" is no event");
  }

  private static long number(String digits, long most) {
    try {
      long number = Long.parseLong(digits);
      if (number >= 0 && number <= most) {
        return number;
      }
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException("\"" + digits + "\" is no number of an event", e);
    }
    throw new IllegalArgumentException(digits + " is no number of an event");
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof TickOrders o && Arrays.equals(words(), o.words());
  }

  @Override
  public int hashCode() {
    return groups.length;
  }

  @Override
  public String toString() {
    return String.join("; ", words());
  }

  /** Gathers orders. */
  public static final class Builder {
    private final List<Group> groups = new ArrayList<>();

    /**
     * Takes the events of a tick; at most 2^20 tracks.
     *
     * @param refs not copied
     */
    public void add(int fileTrack, long tick, long[] refs) {
      groups.add(new Group(fileTrack, tick, refs));
    }

    public TickOrders build() {
      return groups.isEmpty() ? NONE : new TickOrders(groups.toArray(Group[]::new));
    }
  }
}
