package flailbeat.core.harmony;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ClipTraits;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.pitch.KeyMap;
import flailbeat.core.pitch.KeySignature;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** The chords of a song, found from its notes. */
class ChordFinderTest {
  private static final KeyMap D_MINOR =
      new KeyMap(List.of(new KeyMap.Change(0, new KeySignature(-1, true))));
  private static final long BAR = 3_840;
  private static final ClipTraits SILENT = new ClipTraits("", ClipTraits.AS_TRACK, true, 0, 0, 0);

  private static List<Note> sounding(Song song, int... tracks) {
    List<Note> all = new ArrayList<>();
    IntStream.of(tracks)
        .mapToObj(song.tracks()::get)
        .map(Track::placed)
        .forEach(p -> all.addAll(p.sounding()));
    all.sort(Note.ORDER);
    return all;
  }

  private static List<ChordSpan> find(Song song, int... tracks) {
    return new ChordFinder()
        .find(sounding(song, tracks), song.meters(), D_MINOR, new TickRange(0, 16 * BAR));
  }

  /** The demo's own harmony, as it was written: one chord to a bar. */
  @Test
  void the_demos_chords_are_found_in_their_bars() {
    Song song = HarbourLamps.song();
    assertThat(names(find(song, 3)))
        .containsExactly(
            "1 Dm", "2 C", "3 Bb", "4 Asus4", "5 Dm", "6 F", "7 Gm", "8 A", "9 Bb", "10 F", "11 Gm",
            "12 Dm", "13 Bb", "14 C", "15 A7", "16 Dm");
  }

  private static List<String> names(List<ChordSpan> spans) {
    return spans.stream()
        .filter(ChordSpan::hasChord)
        .map(s -> s.range().start() / BAR + 1 + " " + s.chord().name())
        .toList();
  }

  @Test
  void spans_follow_one_another_without_gaps_and_say_where_there_is_no_chord() {
    Song song = HarbourLamps.song();
    List<ChordSpan> spans =
        new ChordFinder()
            .find(sounding(song, 0, 1, 3), song.meters(), D_MINOR, new TickRange(0, 40 * BAR));
    long at = 0;
    for (ChordSpan span : spans) {
      assertThat(span.range().start()).isEqualTo(at);
      at = span.range().end();
    }
    assertThat(at).isEqualTo(40 * BAR);
    assertThat(spans.getLast().hasChord()).isFalse();
    assertThat(new ChordFinder().find(List.of(), song.meters(), KeyMap.NONE, new TickRange(0, BAR)))
        .allMatch(s -> !s.hasChord());
  }

  /**
   * I IV V I twice in C and twice in E major (common practice: no key shares more than three
   * notes).
   */
  private static Song fromCtoE() {
    List<Note> notes = new ArrayList<>();
    int[][] chords = {{0, 4, 7}, {5, 9, 12}, {7, 11, 14}, {0, 4, 7}};
    for (int bar = 0; bar < 16; bar++) {
      for (int voice : chords[bar % 4]) {
        int pitch = 48 + voice + (bar < 8 ? 0 : 4);
        notes.add(Note.placed(new NoteId(10 + notes.size()), pitch, 80, bar * BAR, BAR));
      }
    }
    notes.sort(Note.ORDER);
    Song empty = Song.empty();
    Clip clip = Clip.around(new ClipId(5), notes, List.of(), empty.meters());
    return empty
        .withTrack(empty.tracks().getFirst().id(), t -> t.withClips(List.of(clip)))
        .withNextId(1_000);
  }

  @Test
  void where_the_key_changes_each_bar_is_told_in_its_own_and_spelled_by_it() {
    SongChords.Found found = new SongChords().find(fromCtoE(), Optional.empty());
    assertThat(found.keySpans())
        .extracting(s -> s.range().start() / BAR + " " + s.key().words())
        .containsExactly("0 C major", "8 E major");
    assertThat(names(found.spans())).contains("1 C", "3 G", "9 E", "11 B").doesNotContain("9 Fb");
    assertThat(found.keyMap().changes())
        .containsExactly(
            new KeyMap.Change(0, new KeySignature(0, false)),
            new KeyMap.Change(8 * BAR, new KeySignature(4, false)));
    assertThat(found.keyAt(20 * BAR).orElseThrow().words()).isEqualTo("E major");
    Song demo = HarbourLamps.song();
    assertThat(new SongChords().find(demo, Optional.empty()).keySpans())
        .extracting(s -> s.key().words())
        .containsExactly("D minor");
  }

  @Test
  void a_note_hours_away_costs_no_more_than_one_that_is_near() {
    List<Note> notes = new ArrayList<>(sounding(HarbourLamps.song(), 3));
    long far = Ticks.LAST - 2 * BAR;
    notes.add(Note.placed(new NoteId(9_000), 60, 80, far, 100));
    notes.add(Note.placed(new NoteId(9_001), 64, 80, far, 100));
    MeterMap meters = HarbourLamps.song().meters();
    TickRange whole = meters.wholeBars(new TickRange(0, far + 100));
    assertThat(Slices.of(notes, meters, whole).size()).isLessThan(100);
    List<ChordSpan> spans = new ChordFinder().find(notes, meters, D_MINOR, whole);
    assertThat(spans.getLast().range().end()).isEqualTo(whole.end());
    assertThat(spans.stream().filter(ChordSpan::hasChord).toList().getLast().range().contains(far))
        .isTrue();
    assertThat(names(spans)).contains("1 Dm", "16 Dm").doesNotHaveDuplicates();
  }

  @Test
  void a_clip_that_is_muted_says_nothing_of_the_chords() {
    Song song = fromCtoE();
    Song muted =
        song.withTrack(
            song.tracks().getFirst().id(),
            t -> t.withClips(t.clips().stream().map(c -> c.withTraits(SILENT)).toList()));
    assertThat(new SongChords().find(muted, Optional.empty())).isEqualTo(SongChords.Found.NOTHING);
  }

  @Test
  void what_was_found_before_changes_nothing_of_what_is_found_now() {
    Song song = HarbourLamps.song();
    List<Note> all = sounding(song, 0, 1, 3);
    ChordFinder used = new ChordFinder();
    TickRange range = new TickRange(0, 16 * BAR);
    used.find(all, song.meters(), D_MINOR, range);
    for (int cut = 1; cut < all.size(); cut += 37) {
      List<Note> fewer = new ArrayList<>(all);
      fewer.subList(cut - 1, Math.min(all.size(), cut + 20)).clear();
      assertThat(used.find(fewer, song.meters(), D_MINOR, range))
          .isEqualTo(new ChordFinder().find(fewer, song.meters(), D_MINOR, range));
    }
    assertThat(used.find(all, song.meters(), D_MINOR, new TickRange(0, 4 * BAR)))
        .isEqualTo(new ChordFinder().find(all, song.meters(), D_MINOR, new TickRange(0, 4 * BAR)));
  }
}
