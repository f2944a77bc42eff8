package flailbeat.core.edit.tracks;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.TestSongs;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.clips.ClipMoves;
import flailbeat.core.edit.clips.Landing;
import flailbeat.core.format.smf.SmfEvent;
import flailbeat.core.format.smf.SmfExport;
import flailbeat.core.format.smf.SmfImport;
import flailbeat.core.format.smf.SmfReader;
import flailbeat.core.format.smf.SmfWriter;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.Mix.Dial;
import flailbeat.core.model.sound.OwnPreset;
import flailbeat.core.model.track.HandTraits;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.Parts;
import flailbeat.core.playback.PlaybackPlan;
import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** Whole tracks: placed, grouped, copied, and set. */
class TrackEditsTest {
  private static final long BAR = TestSongs.BAR;

  /** Tracks called A, B, C ... */
  private static Song tracks(String names) {
    Song song = Song.empty();
    for (int i = 1; i < names.length(); i++) {
      song = SongEdits.addTrack(song, Instrument.melodic(i));
    }
    for (int i = 0; i < names.length(); i++) {
      song = TrackEdits.rename(song, song.tracks().get(i).id(), names.substring(i, i + 1));
    }
    return song;
  }

  private static TrackId id(Song song, String name) {
    return song.tracks().stream().filter(t -> t.name().equals(name)).findFirst().get().id();
  }

  /** As {@code A [B C] D}: those of one group in brackets. */
  private static String shown(Song song) {
    StringBuilder text = new StringBuilder();
    String group = "";
    for (Track track : song.tracks()) {
      String its = track.personal().group();
      text.append(!its.equals(group) && !group.isEmpty() ? "]" : "");
      text.append(text.isEmpty() ? "" : " ");
      text.append(!its.equals(group) && !its.isEmpty() ? "[" : "").append(track.name());
      group = its;
    }
    return text + (group.isEmpty() ? "" : "]");
  }

  @Test
  void tracks_of_a_group_stand_side_by_side_wherever_they_are_taken() {
    Song song = tracks("ABCDE");
    song = TrackEdits.groupWithBefore(song, id(song, "C"));
    song = TrackEdits.groupWithBefore(song, id(song, "D"));
    assertThat(shown(song)).isEqualTo("A [B C D] E");
    assertThat(shown(TrackEdits.move(song, id(song, "A"), 2))).isEqualTo("[B C A D] E");
    assertThat(shown(TrackEdits.move(song, id(song, "C"), 0))).isEqualTo("C A [B D] E");
    assertThat(shown(TrackEdits.ungroup(song, id(song, "B")))).isEqualTo("A [C D] B E");
    Song two = TrackEdits.remove(song, id(song, "D"));
    assertThat(shown(two)).isEqualTo("A [B C] E");
    assertThat(shown(TrackEdits.remove(two, id(two, "C"))))
        .as("one is no group")
        .isEqualTo("A B E");
    assertThat(TrackEdits.groupWithBefore(song, id(song, "A"))).isSameAs(song);
  }

  @Property(tries = 200)
  void whatever_is_done_groups_stay_together_and_no_track_is_lost(@ForAll long seed) {
    Random random = new Random(seed);
    Song song = tracks("ABCDEFG");
    for (int i = 0; i < 30; i++) {
      TrackId any = song.tracks().get(random.nextInt(song.tracks().size())).id();
      int before = song.tracks().size();
      int kind = random.nextInt(5);
      song =
          switch (kind) {
            case 0 -> TrackEdits.move(song, any, random.nextInt(9) - 1);
            case 1 -> TrackEdits.groupWithBefore(song, any);
            case 2 -> TrackEdits.ungroup(song, any);
            case 3 -> TrackEdits.duplicate(song, any, random.nextBoolean());
            default -> TrackEdits.remove(song, any);
          };
      int more = kind == 3 ? 1 : kind == 4 && before > 1 ? -1 : 0;
      assertThat(song.tracks()).hasSize(before + more);
      List<String> runs = new ArrayList<>();
      for (Track track : song.tracks()) {
        String group = track.personal().group();
        if (runs.isEmpty() || !runs.getLast().equals(group)) {
          runs.add(group);
        }
      }
      runs.removeIf(String::isEmpty);
      assertThat(runs).as("each group in one run").doesNotHaveDuplicates();
      for (String group : runs) {
        assertThat(TrackEdits.group(song, group)).hasSizeGreaterThan(1);
      }
      assertThat(song.tracks().stream().map(Track::id)).doesNotHaveDuplicates();
    }
  }

  @Test
  void tracks_keep_their_colours_when_others_come_and_go() {
    Song song = tracks("ABC");
    Song moved = TrackEdits.move(song, id(song, "C"), 0);
    assertThat(colors(moved)).isEqualTo("C2 A0 B1");
    assertThat(colors(TrackEdits.remove(moved, id(song, "A")))).isEqualTo("C2 B1");
    assertThat(colors(TrackEdits.duplicate(song, id(song, "A"), false))).isEqualTo("A0 A 20 B1 C2");
  }

  private static String colors(Song song) {
    return song.tracks().stream()
        .map(t -> t.name() + TrackEdits.color(song, t))
        .collect(Collectors.joining(" "));
  }

  @Test
  void a_duplicate_has_copies_of_its_own_that_are_linked_among_one_another_alone() {
    Song song = TestSongs.song(TestSongs.clip(5, 0, BAR, TestSongs.note(10, 60, 0, 480)));
    Clip clip = TestSongs.track(song).clips().getFirst();
    song = ClipMoves.copy(song, Set.of(clip.id()), 2 * BAR, 0, true, Landing.OVER);
    Song two = TrackEdits.duplicate(song, TestSongs.TRACK, true);
    Track copy = two.tracks().get(1);
    assertThat(copy.placed().sounding()).extracting(Note::onset).containsExactly(0L, 2 * BAR);
    assertThat(copy.links().count(copy.clips().get(0))).isEqualTo(2);
    Set<Long> ids = new HashSet<>();
    two.tracks().forEach(t -> t.clips().forEach(c -> assertThat(ids.add(c.id().value())).isTrue()));
    two.tracks().forEach(t -> t.notes().forEach(n -> assertThat(ids.add(n.idNumber())).isTrue()));
    assertThat(copy.clips().get(0).traits().link())
        .isNotEqualTo(two.tracks().get(0).clips().get(0).traits().link());
    assertThat(copy.channel()).isNotEqualTo(two.tracks().get(0).channel());
  }

  @Test
  void a_dial_stands_where_a_file_put_it_and_is_set_there() {
    Song song =
        TestSongs.song(
            TestSongs.clip(
                5,
                0,
                BAR,
                Clip.NEVER,
                List.of(TestSongs.note(10, 60, 480, 480)),
                List.of(
                    TestSongs.point(20, 0, 7, 85),
                    TestSongs.point(21, 240, 7, 90),
                    TestSongs.point(22, 960, 7, 20))));
    assertThat(StartValues.of(TestSongs.track(song), Dial.LEVEL)).isEqualTo(90);
    assertThat(StartValues.movesLater(TestSongs.track(song), Dial.LEVEL)).isTrue();
    Song set = StartValues.set(song, TestSongs.TRACK, Dial.LEVEL, 64);
    assertThat(TestSongs.controls(set)).isEqualTo("7=85@0 7=64@240 7=20@960");
    assertThat(TestSongs.track(set).sound().mix().values()).isEmpty();
    assertThat(StartValues.of(TestSongs.track(song), Dial.PAN)).as("rests").isEqualTo(64);
    Song panned = StartValues.set(song, TestSongs.TRACK, Dial.PAN, 0);
    assertThat(StartValues.of(TestSongs.track(panned), Dial.PAN)).isZero();
    assertThat(StartValues.reset(panned, TestSongs.TRACK, Dial.PAN)).isEqualTo(song);
    assertThat(StartValues.set(song, TestSongs.TRACK, Dial.PAN, 64)).as("rests").isSameAs(song);
  }

  /** RP-001 and MIDI 1.0: controllers 7, 10, 72 to 74, 91 and 93 at the start of the track. */
  @Test
  void what_the_strip_sets_is_heard_and_exported_before_the_first_note() throws Exception {
    Song song = TestSongs.song(TestSongs.clip(5, 0, BAR, TestSongs.note(10, 60, 0, 480)));
    for (Dial dial : Dial.values()) {
      song = StartValues.set(song, TestSongs.TRACK, dial, 10 + dial.ordinal());
    }
    song = song.withTrack(TestSongs.TRACK, t -> t.withSound(t.sound().withTranspose(-70 + 58)));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    SmfWriter.write(SmfExport.of(song), out);
    List<SmfEvent> events = SmfReader.read(out.toByteArray()).file().tracks().get(1).events();
    String written =
        events.stream()
            .filter(SmfEvent::isChannelMessage)
            .map(e -> Integer.toHexString(e.status()) + ":" + e.data1() + ":" + e.data2())
            .collect(Collectors.joining(" "));
    assertThat(written)
        .isEqualTo(
            "c0:0:0 b0:7:10 b0:10:11 b0:74:12 b0:73:13 b0:72:14 b0:91:15 b0:93:16"
                + " 90:48:90 80:48:64");
    Song back = SmfImport.of(SmfReader.read(out.toByteArray()).file(), "back").song();
    for (Dial dial : Dial.values()) {
      Track track = back.tracks().get(0);
      assertThat(StartValues.of(track, dial)).as(dial.title()).isEqualTo(10 + dial.ordinal());
    }
    PlaybackPlan plan = PlaybackPlan.of(song, ClickTrack.NONE, 0);
    assertThat(PlaybackPlan.data1(plan.messageAt(0))).isEqualTo(7);
    assertThat(PlaybackPlan.data1(plan.messageAt(7))).as("an octave lower").isEqualTo(48);
  }

  @Test
  void a_kit_is_not_transposed_and_what_would_leave_the_piano_sounds_in_the_nearest_octave() {
    Song song =
        TestSongs.song(
            TestSongs.clip(
                5, 0, BAR, TestSongs.note(10, 120, 0, 480), TestSongs.note(11, 30, 480, 480)));
    song = song.withTrack(TestSongs.TRACK, t -> t.withSound(t.sound().withTranspose(14)));
    assertThat(heard(song)).isEqualTo("122 44");
    song = song.withTrack(TestSongs.TRACK, t -> t.withInstrument(Instrument.kit(0), 9));
    assertThat(heard(song)).isEqualTo("120 30");
  }

  private static String heard(Song song) {
    return TestSongs.track(song).audible().sounding().stream()
        .map(n -> "" + n.pitch())
        .collect(Collectors.joining(" "));
  }

  @Test
  void all_that_is_set_for_a_track_comes_back_from_its_file() throws Exception {
    Song song = tracks("AB");
    OwnPreset own = new OwnPreset("Mine.sf2", "abc", 3, 40, "Lantern");
    song = song.withTrack(id(song, "A"), t -> t.withInstrument(new Instrument(40, false, own), 3));
    song =
        song.withTrack(
            id(song, "A"), t -> t.withSound(t.sound().withPort("Wire").withTranspose(5)));
    song = StartValues.set(song, id(song, "A"), Dial.REVERB, 0);
    song =
        TrackEdits.personal(
            song,
            id(song, "A"),
            t -> t.withColor(4).withHands(new HandTraits("SPAN", 36, 20, 100)));
    song = TrackEdits.fold(TrackEdits.groupWithBefore(song, id(song, "B")), "A", true);
    assertThat(TestSongs.reopened(song)).isEqualTo(song);
    assertThat(song.tracks().get(1).personal().folded()).isTrue();
    assertThat(TrackEdits.isHidden(song, song.tracks().get(1))).isTrue();
  }

  @Test
  void tracks_keep_their_parts_so_that_what_sounds_goes_on() {
    Song song = tracks("ABC");
    Parts parts = Parts.of(song);
    Song moved = TrackEdits.move(song, id(song, "C"), 0);
    Song less = TrackEdits.remove(moved, id(song, "A"));
    Parts after = parts.following(moved).following(less);
    assertThat(after.of(less.tracks().get(0))).hasValue(2);
    assertThat(after.of(less.tracks().get(1))).hasValue(1);
    Song more = SongEdits.addTrack(less, Instrument.melodic(0));
    assertThat(after.following(more).of(more.tracks().getLast())).as("the free one").hasValue(0);
  }
}
