package flailbeat.core.edit.clips;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.TestSongs;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.format.smf.SmfExport;
import flailbeat.core.format.smf.SmfImport;
import flailbeat.core.format.smf.SmfReader;
import flailbeat.core.format.smf.SmfWriter;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import net.jqwik.api.constraints.Size;

/**
 * Random edits of clips, on a song and on a list that anyone can follow: what sounds is the same,
 * note by note.
 */
class ClipModelTest {
  private static final long BAR = TestSongs.BAR;
  private static final long STEP = 240;

  /** A note, counted from where its clip begins. */
  private record Row(long onset, int pitch, int velocity, long length) {}

  /** A clip whose rows are held in a list that linked clips have in common. */
  private static final class Plain {
    private List<Row> rows = new ArrayList<>();
    private long start;
    private long length;
    private long period;
    private int higher;
    private int louder;
    private boolean muted;

    long end() {
      return start + length;
    }

    Plain copy(boolean linked) {
      Plain result = new Plain();
      result.rows = linked ? rows : new ArrayList<>(rows);
      result.start = start;
      result.length = length;
      result.period = period;
      result.higher = higher;
      result.louder = louder;
      result.muted = muted;
      return result;
    }

    /** What begins in a stretch of the song, as it stands there. */
    List<Row> written(long from, long to) {
      List<Row> result = new ArrayList<>();
      for (long round = 0; round * repeats() < length; round++) {
        for (Row row : rows) {
          long onset = start + round * repeats() + row.onset;
          long most =
              period == 0 ? row.length : Math.min(period, length - round * period) - row.onset;
          boolean within = row.onset < repeats() && onset < end() && onset >= from && onset < to;
          if (within) {
            result.add(new Row(onset, row.pitch, row.velocity, Math.min(row.length, most)));
          }
        }
      }
      return result;
    }

    private long repeats() {
      return period == 0 ? Long.MAX_VALUE / 4 : period;
    }

    /** A piece of it, which has its rows for itself unless it is but shortened. */
    Plain piece(long from, long to, boolean first) {
      Plain result = copy(first && from == start && isShared());
      result.start = from;
      result.length = to - from;
      boolean whole = from == start && isShared() && first;
      if (whole || period > 0 && (from - start) % period == 0) {
        return result;
      }
      result.rows = new ArrayList<>();
      if (period > 0) {
        written(from, to).forEach(r -> result.rows.add(at(r, -from)));
        result.period = 0;
        return result;
      }
      long until = to == end() ? Long.MAX_VALUE : to - start;
      for (Row row : rows) {
        if (row.onset >= from - start && row.onset < until) {
          result.rows.add(at(row, start - from));
        }
      }
      return result;
    }

    private boolean shared;

    boolean isShared() {
      return shared;
    }
  }

  private static Row at(Row row, long later) {
    return new Row(row.onset + later, row.pitch, row.velocity, row.length);
  }

  /** The song as a list of tracks of clips. */
  private static final class Model {
    private final List<List<Plain>> tracks = List.of(new ArrayList<>(), new ArrayList<>());

    void share() {
      for (List<Plain> track : tracks) {
        track.sort(Comparator.comparingLong(c -> c.start));
        for (Plain clip : track) {
          clip.shared = track.stream().filter(c -> c.rows == clip.rows).count() > 1 || clip.shared;
        }
      }
    }

    void layOver(int track, Plain coming) {
      List<Plain> result = new ArrayList<>();
      for (Plain clip : tracks.get(track)) {
        boolean before = clip.start < coming.start && clip.end() > coming.start;
        boolean after = clip.end() > coming.end() && clip.start < coming.end();
        if (clip.end() <= coming.start || clip.start >= coming.end()) {
          result.add(clip);
          continue;
        }
        if (before) {
          result.add(clip.piece(clip.start, coming.start, true));
        }
        if (after) {
          result.add(clip.piece(coming.end(), clip.end(), !before));
        }
      }
      result.add(coming);
      tracks.get(track).clear();
      tracks.get(track).addAll(result);
    }

    List<String> heard() {
      List<String> result = new ArrayList<>();
      for (int i = 0; i < tracks.size(); i++) {
        for (Plain clip : tracks.get(i)) {
          for (Row row : clip.muted ? List.<Row>of() : clip.written(0, Long.MAX_VALUE)) {
            result.add(
                words(
                    i, row.onset, row.pitch + clip.higher, row.velocity + clip.louder, row.length));
          }
        }
      }
      result.sort(null);
      return result;
    }
  }

  private static String words(int track, long onset, int pitch, int velocity, long length) {
    return track + ": " + onset + " " + pitch + " " + velocity + " " + length;
  }

  private static List<String> heard(Song song) {
    List<String> result = new ArrayList<>();
    for (int i = 0; i < song.tracks().size(); i++) {
      for (Note n : song.tracks().get(i).audible().sounding()) {
        result.add(words(i, n.onset(), n.pitch(), n.velocity(), n.length()));
      }
    }
    result.sort(null);
    return result;
  }

  private Song song;
  private Model model;

  private void begin() {
    Song empty = Song.empty();
    Track second = Track.empty(new TrackId(2), "Second", Instrument.melodic(0), 1);
    song = empty.withTracks(List.of(empty.tracks().get(0), second)).withNextId(1000);
    model = new Model();
    long id = 10;
    for (int i = 0; i < 4; i++) {
      int track = i % 2;
      Plain plain = new Plain();
      plain.start = (1 + 3L * (i / 2)) * BAR;
      plain.length = (1 + i % 2) * BAR;
      List<Note> notes = new ArrayList<>();
      for (int n = 0; n < 3 + i; n++) {
        Row row = new Row(n * 720L + 120L * i, 50 + 3 * n, 60 + n, 400 + 300L * (n % 2));
        plain.rows.add(row);
        notes.add(Note.placed(new NoteId(id++), row.pitch, row.velocity, row.onset, row.length));
      }
      model.tracks.get(track).add(plain);
      Clip clip = TestSongs.clip(id++, plain.start, plain.length, Clip.NEVER, notes, List.of());
      TrackId on = song.tracks().get(track).id();
      song =
          song.withTrack(
              on,
              t -> {
                List<Clip> clips = new ArrayList<>(t.clips());
                clips.add(clip);
                return t.withClips(clips);
              });
    }
  }

  @Property(tries = 300)
  void what_sounds_is_what_a_plain_list_says_and_comes_back_from_both_kinds_of_files(
      @ForAll @Size(max = 14) List<@LongRange(min = 0, max = 1L << 40) Long> seeds)
      throws IOException {
    begin();
    for (long seed : seeds) {
      edit(new Random(seed));
      model.share();
      assertThat(heard(song)).isEqualTo(model.heard());
    }
    Song reopened = TestSongs.reopened(song);
    assertThat(reopened).isEqualTo(song);
    for (int i = 0; i < 2; i++) {
      for (Clip clip : reopened.tracks().get(i).clips()) {
        for (Clip other : reopened.tracks().get(i).links().all(clip)) {
          assertThat(other.content()).as("one object").isSameAs(clip.content());
        }
      }
    }
    assertThat(onsets(exported(song))).isEqualTo(onsets(song));
  }

  private static Song exported(Song song) throws IOException {
    ByteArrayOutputStream midi = new ByteArrayOutputStream();
    SmfWriter.write(SmfExport.of(song), midi);
    return SmfImport.of(SmfReader.read(midi.toByteArray()).file(), "again").song();
  }

  private static List<String> onsets(Song song) {
    return song.tracks().stream()
        .flatMap(t -> t.audible().sounding().stream())
        .map(n -> n.onset() + " " + n.pitch() + " " + n.velocity())
        .sorted()
        .toList();
  }

  private void edit(Random random) {
    int track = random.nextInt(2);
    List<Plain> plains = model.tracks.get(track);
    if (plains.isEmpty()) {
      return;
    }
    int index = random.nextInt(plains.size());
    Plain plain = plains.get(index);
    Clip clip = song.tracks().get(track).clips().get(index);
    Set<ClipId> ids = Set.of(clip.id());
    long ticks = STEP * random.nextInt(-60, 80);
    boolean linked = random.nextBoolean();
    switch (random.nextInt(14)) {
      case 0 -> move(track, plain, ids, ticks, random.nextInt(-1, 2));
      case 1 -> copy(track, plain, ids, ticks, random.nextInt(-1, 2), linked);
      case 2, 3 -> lay(track, plain, ids, plain.end(), 1 + random.nextInt(4), linked);
      case 4, 5 -> resize(plains, index, ids, ticks);
      case 6 -> split(plains, plain, ids, plain.start + Math.abs(ticks));
      case 7 -> delete(plains, plain, ids, linked);
      case 8 -> swap(plains, index, ids);
      case 9 -> traits(plain, ids, random);
      case 10 -> {
        song = ClipShapes.unlink(song, ids);
        plain.rows = new ArrayList<>(plain.rows);
        plain.shared = false;
      }
      case 11 -> {
        song = ClipShapes.settle(song, ids);
        settle(plain);
      }
      default -> raise(plain, clip, random);
    }
  }

  private void move(int track, Plain plain, Set<ClipId> ids, long ticks, int tracks) {
    long silent = plain.rows.stream().mapToLong(r -> r.onset).min().orElse(0);
    long lead = plain.period > 0 ? 0 : Math.clamp(silent, 0, plain.length - 1);
    long by = Math.max(ticks, -plain.start - lead);
    int to = Math.clamp(track + tracks, 0, 1);
    song = ClipMoves.move(song, ids, ticks, tracks);
    if (by == 0 && to == track) {
      return;
    }
    model.tracks.get(track).remove(plain);
    boolean leaves =
        to != track && model.tracks.get(track).stream().anyMatch(c -> c.rows == plain.rows);
    Plain moved = plain.copy(!leaves);
    moved.shared = plain.shared && !leaves;
    moved.start += by;
    if (moved.start < 0) {
      long before = -moved.start;
      moved.rows = new ArrayList<>(moved.rows.stream().map(r -> at(r, -before)).toList());
      moved.shared = false;
      moved.length -= before;
      moved.start = 0;
    }
    model.layOver(to, moved);
  }

  private void copy(
      int track, Plain plain, Set<ClipId> ids, long ticks, int tracks, boolean linked) {
    long by = Math.max(ticks, -plain.start);
    int to = Math.clamp(track + tracks, 0, 1);
    song = ClipMoves.copy(song, ids, ticks, tracks, linked, Landing.OVER);
    if (by != 0 || to != track) {
      Plain copy = plain.copy(linked && to == track);
      copy.shared = linked;
      plain.shared |= linked && to == track;
      copy.start += by;
      model.layOver(to, copy);
    }
  }

  private void lay(int track, Plain plain, Set<ClipId> ids, long tick, int times, boolean linked) {
    ClipPattern pattern = ClipPattern.of(song, ids).orElseThrow();
    song = pattern.laidInto(song, tick, track, times, linked, Landing.OVER);
    plain.shared |= linked;
    for (int i = 0; i < times; i++) {
      Plain copy = plain.copy(linked);
      copy.shared = linked;
      copy.start = tick + i * plain.length;
      model.layOver(track, copy);
    }
  }

  private void resize(List<Plain> plains, int index, Set<ClipId> ids, long ticks) {
    Plain plain = plains.get(index);
    song = ClipShapes.resizeEnd(song, ids, ticks, ClipShapes.Beyond.LOOP);
    long most =
        index + 1 < plains.size() ? plains.get(index + 1).start - plain.start : Long.MAX_VALUE;
    long length = Math.clamp(plain.length + ticks, Math.min(60, most), most);
    long last = plain.rows.stream().mapToLong(r -> r.onset + 1).max().orElse(0);
    long bars = Math.ceilDiv(plain.start + last, BAR) * BAR - plain.start;
    long period = Math.max(60, last > plain.length ? bars : plain.length);
    if (plain.period == 0 && !plain.rows.isEmpty() && length > period) {
      plain.period = period;
    }
    plain.length = length;
  }

  private void split(List<Plain> plains, Plain plain, Set<ClipId> ids, long tick) {
    song = ClipShapes.split(song, ids, tick);
    if (tick > plain.start && tick < plain.end()) {
      plains.remove(plain);
      Plain first = plain.piece(plain.start, tick, true);
      first.shared = plain.shared;
      plains.add(first);
      plains.add(plain.piece(tick, plain.end(), false));
    }
  }

  private void delete(List<Plain> plains, Plain plain, Set<ClipId> ids, boolean closes) {
    song = ClipShapes.delete(song, ids, closes);
    plains.remove(plain);
    if (closes) {
      plains.stream().filter(c -> c.start > plain.start).forEach(c -> c.start -= plain.length);
    }
  }

  private void swap(List<Plain> plains, int index, Set<ClipId> ids) {
    song = ClipShapes.swap(song, ids);
    if (index + 1 < plains.size()) {
      Plain a = plains.get(index);
      Plain b = plains.get(index + 1);
      long end = b.end();
      b.start = a.start;
      a.start = end - a.length;
    }
  }

  private void traits(Plain plain, Set<ClipId> ids, Random random) {
    int higher = random.nextInt(-12, 13);
    int louder = random.nextInt(-20, 21);
    boolean muted = random.nextInt(4) == 0;
    song =
        ClipShapes.traits(
            song, ids, t -> t.withTranspose(higher).withLouder(louder).withMuted(muted));
    plain.higher = higher;
    plain.louder = louder;
    plain.muted = muted;
  }

  private static void settle(Plain plain) {
    if (plain.higher == 0 && plain.louder == 0) {
      return;
    }
    List<Row> rows = new ArrayList<>();
    plain.rows.forEach(
        r ->
            rows.add(
                new Row(r.onset, r.pitch + plain.higher, r.velocity + plain.louder, r.length)));
    plain.rows = rows;
    plain.shared = false;
    plain.higher = 0;
    plain.louder = 0;
  }

  /** One note a semitone higher, wherever it sounds. */
  private void raise(Plain plain, Clip clip, Random random) {
    List<Note> notes =
        clip.content().notes().stream().filter(n -> n.onset() < clip.contentLength()).toList();
    if (notes.isEmpty()) {
      return;
    }
    Note note = notes.get(random.nextInt(notes.size()));
    song = NoteEdits.change(song, Set.of(note.id()), n -> n.moved(0, 1));
    for (int i = 0; i < plain.rows.size(); i++) {
      Row row = plain.rows.get(i);
      if (row.onset == note.onset() && row.pitch == note.pitch()) {
        plain.rows.set(i, new Row(row.onset, row.pitch + 1, row.velocity, row.length));
        return;
      }
    }
  }
}
