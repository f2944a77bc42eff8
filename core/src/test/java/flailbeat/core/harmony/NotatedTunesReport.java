package flailbeat.core.harmony;

import flailbeat.core.files.SongFiles;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.pitch.Fifths;
import flailbeat.core.pitch.Key;
import flailbeat.core.pitch.Scale;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;

/**
 * Finds keys and chords of notated tunes and compares with their notation: what tools/notated-tunes
 * made, where abc2midi reads the notation.
 */
final class NotatedTunesReport {
  private static final int LEAST_NOTES = 24;
  private static final int LEAST_BARS = 8;
  private static final double LEAST_KEYS = 80;
  private static final double LEAST_SYMBOLS = 90;
  private static final int TEXT = 0x01;
  private static final long TICKS = 960;
  private static final Pattern KEY =
      Pattern.compile("([A-G])([#b]?) ?(maj|m(?!aj|ix)|min|dor|mix)?[a-z]*( [^_^=]*)?", 2);

  /** What is written where nobody thought of a key. */
  private static final Key UNSIGNED = new Key(0, Scale.MAJOR);

  private NotatedTunesReport() {}

  /** How much was right of how much. */
  private static final class Tally {
    private int right;
    private int all;
    private double told;

    private void add(boolean good, double share) {
      right += good ? 1 : 0;
      all++;
      told += share;
    }

    private double percent() {
      return 100.0 * right / all;
    }

    @Override
    public String toString() {
      return String.format(
          Locale.ROOT, "%d of %d, %.1f %% (told %.1f %%)", right, all, percent(), 100 * told / all);
    }
  }

  public static void main(String[] words) throws IOException, InvalidMidiDataException {
    Path folder = Path.of(words[0]);
    Map<Scale, Tally> keys = new EnumMap<>(Scale.class);
    Tally all = new Tally();
    List<String> missed = new ArrayList<>();
    Tally alone = new Tally();
    Tally withMelody = new Tally();
    for (String line :
        Files.readAllLines(folder.resolve("keys.txt"), StandardCharsets.ISO_8859_1)) {
      String name = line.substring(0, line.indexOf('\t'));
      Optional<Key> meant = key(line.substring(line.indexOf('\t') + 1));
      Song song = SongFiles.standard().read(folder.resolve(name + ".mid")).song();
      SongChords.Found found = new SongChords().find(song, Optional.empty());
      boolean whole =
          song.noteCount() >= LEAST_NOTES && song.meters().barAt(song.end()) >= LEAST_BARS;
      boolean signed = meant.filter(k -> !k.equals(UNSIGNED)).isPresent();
      if (signed && whole && !found.keys().isEmpty()) {
        KeyReading first = found.keys().getFirst();
        boolean right = first.key().equals(meant.get());
        keys.computeIfAbsent(meant.get().scale(), k -> new Tally()).add(right, first.share());
        all.add(right, first.share());
        if (!right) {
          missed.add(name + " " + meant.get() + ", not " + first.words());
        }
      }
      Path symbols = folder.resolve(name + ".symbols");
      if (Files.exists(symbols) && whole && !struck(symbols).isEmpty()) {
        compare(found, symbols, withMelody);
        Song accompaniment = accompaniment(song, folder.resolve(name + ".mid"));
        compare(new SongChords().find(accompaniment, Optional.empty()), symbols, alone);
      }
    }
    missed.forEach(System.out::println);
    keys.forEach((of, tally) -> System.out.println("keys in " + of.title() + ": " + tally));
    System.out.println("keys: " + all);
    System.out.println("chord symbols by the beat, from their accompaniment: " + alone);
    System.out.println("chord symbols by the beat, with the melody: " + withMelody);
    if (all.percent() < LEAST_KEYS || alone.percent() < LEAST_SYMBOLS) {
      throw new IllegalStateException("That is less than is wanted");
    }
  }

  private static Optional<Key> key(String written) {
    Matcher matcher = KEY.matcher(written.strip());
    if (!matcher.matches()) {
      return Optional.empty();
    }
    int accidental = matcher.group(2).isEmpty() ? 0 : matcher.group(2).equals("#") ? 1 : -1;
    int tonic = Fifths.pitchClass(Fifths.of(matcher.group(1).charAt(0), accidental));
    String mode = matcher.group(3) == null ? "maj" : matcher.group(3).toLowerCase(Locale.ROOT);
    return Optional.of(
        new Key(
            tonic,
            switch (mode) {
              case "m", "min" -> Scale.NATURAL_MINOR;
              case "dor" -> Scale.DORIAN;
              case "mix" -> Scale.MIXOLYDIAN;
              default -> Scale.MAJOR;
            }));
  }

  private record Struck(long tick, long end, int pitch) {}

  /** What is struck for chord symbols. */
  private static List<Struck> struck(Path file) throws IOException, InvalidMidiDataException {
    Sequence sequence = MidiSystem.getSequence(file.toFile());
    List<Struck> result = new ArrayList<>();
    for (Track track : sequence.getTracks()) {
      if (isAccompaniment(track)) {
        Map<Integer, Long> sounding = new HashMap<>();
        for (int i = 0; i < track.size(); i++) {
          MidiEvent event = track.get(i);
          if (event.getMessage() instanceof ShortMessage message) {
            long tick = event.getTick() * TICKS / sequence.getResolution();
            int pitch = message.getData1();
            int key = message.getChannel() * 128 + pitch;
            boolean on = message.getCommand() == ShortMessage.NOTE_ON && message.getData2() > 0;
            if (on) {
              sounding.put(key, tick);
            } else if (sounding.containsKey(key)) {
              result.add(new Struck(sounding.remove(key), tick, pitch));
            }
          }
        }
      }
    }
    return result;
  }

  private static boolean isAccompaniment(Track track) {
    for (int i = 0; i < track.size(); i++) {
      if (track.get(i).getMessage() instanceof MetaMessage meta
          && meta.getType() == TEXT
          && new String(meta.getData(), StandardCharsets.ISO_8859_1).contains("gchord")) {
        return true;
      }
    }
    return false;
  }

  private static Song accompaniment(Song song, Path file)
      throws IOException, InvalidMidiDataException {
    List<Note> notes = new ArrayList<>();
    long id = 1_000;
    for (Struck each : struck(file)) {
      long length = Math.max(1, each.end() - each.tick());
      notes.add(Note.placed(new NoteId(id++), each.pitch(), 80, each.tick(), length));
    }
    notes.sort(Note.ORDER);
    Song empty = Song.empty();
    Clip clip = Clip.around(new ClipId(5), notes, List.of(), song.meters());
    return empty
        .withTimeline(song.timeline())
        .withTrack(empty.tracks().getFirst().id(), t -> t.withClips(List.of(clip)))
        .withNextId(id + 1);
  }

  /** Compares each beat: the same root, third and fifth. */
  private static void compare(SongChords.Found found, Path symbols, Tally tally)
      throws IOException, InvalidMidiDataException {
    Map<Long, List<Integer>> beats = new TreeMap<>();
    for (Struck each : struck(symbols)) {
      beats.computeIfAbsent(each.tick() / 20, t -> new ArrayList<>()).add(each.pitch());
    }
    beats.forEach(
        (tick, pitches) -> {
          int root = root(pitches);
          if (root >= 0) {
            Optional<ChordSpan> span = found.at(tick * 20 + TICKS / 4).filter(ChordSpan::hasChord);
            boolean right =
                span.filter(s -> s.chord().rootClass() == root)
                    .filter(s -> triad(s.chord().kind().bits()) == triad(above(pitches, root)))
                    .isPresent();
            tally.add(right, span.map(ChordSpan::share).orElse(0.0));
          }
        });
  }

  private static final int TRIAD = 1 << 3 | 1 << 4 | 1 << 6 | 1 << 7 | 1 << 8;

  private static int triad(int bits) {
    return bits & TRIAD;
  }

  private static int above(List<Integer> pitches, int root) {
    int bits = 0;
    for (int pitch : pitches) {
      bits |= 1 << Math.floorMod(pitch - root, 12);
    }
    return bits;
  }

  /**
   * The root that a chord symbol is struck on: its bass if there is a triad above it; -1 for none.
   */
  private static int root(List<Integer> pitches) {
    int bass = pitches.stream().min(Integer::compare).orElseThrow();
    for (int i = 0; i < 12; i++) {
      int bits = above(pitches, (bass + i) % 12);
      boolean third = (bits >> 3 & 1) + (bits >> 4 & 1) == 1;
      boolean fifth = (bits & (1 << 6 | 1 << 7 | 1 << 8)) != 0;
      if (third && fifth) {
        return (bass + i) % 12;
      }
    }
    return -1;
  }
}
