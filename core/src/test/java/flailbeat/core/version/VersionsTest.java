package flailbeat.core.version;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.core.TestSongs;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.disk.FaultyDisk;
import flailbeat.core.disk.FaultyDisk.Fault;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.clips.ClipMoves;
import flailbeat.core.edit.clips.Landing;
import flailbeat.core.edit.tracks.TakenBack;
import flailbeat.core.edit.tracks.TrackEdits;
import flailbeat.core.files.SongFiles;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.Tempo;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a song was before it was saved over is there, and can be taken back. */
class VersionsTest {
  private static final long HOUR = 3_600_000;
  private static final long NOW = 1_800_000_000_000L;

  @TempDir Path folder;
  private long now = NOW;

  private Song titled(int n) {
    return HarbourLamps.song().withTitle("Lamps " + n);
  }

  private void save(Versions versions, Path song, int n) throws IOException {
    versions.keep(song);
    SongFiles.standard().save(titled(n), song);
    Files.setLastModifiedTime(song, FileTime.fromMillis(now));
  }

  @Test
  void each_save_keeps_the_one_before_and_none_twice() throws IOException {
    Path song = folder.resolve("song.flail");
    Versions versions = new Versions(folder.resolve("versions"), () -> now);
    for (int n = 1; n <= 4; n++) {
      save(versions, song, n);
      now += 60_000;
    }
    versions.keep(song);
    versions.keep(song);
    List<Version> all = versions.of(song);
    assertThat(all)
        .extracting(v -> v.song().title())
        .containsExactly("Lamps 4", "Lamps 3", "Lamps 2", "Lamps 1");
    assertThat(all).extracting(Version::millis).isSortedAccordingTo((a, b) -> Long.compare(b, a));
    assertThat(all.getFirst().song()).isEqualTo(titled(4));
  }

  @Test
  void a_clock_that_is_set_back_mixes_nothing_up_and_loses_nothing() throws IOException {
    Path song = folder.resolve("song.flail");
    Versions versions = new Versions(folder.resolve("versions"), () -> now);
    for (int n = 1; n <= 4; n++) {
      save(versions, song, n);
      now -= 40 * 24 * HOUR;
    }
    versions.keep(song);
    assertThat(versions.of(song))
        .extracting(v -> v.song().title())
        .containsExactly("Lamps 4", "Lamps 3", "Lamps 2", "Lamps 1");
  }

  @Test
  void they_are_thinned_by_age_all_of_an_hour_hourly_for_a_day_daily_for_a_month_then_weekly() {
    // One each five minutes for 100 days.
    List<Version> all =
        IntStream.range(0, 100 * 24 * 12)
            .mapToObj(i -> new Version(folder, 100_000 - i, NOW - i * 300_000L, i, 1))
            .toList();
    List<Version> kept = Thinning.kept(all, NOW);
    assertThat(within(kept, 0, HOUR)).isEqualTo(13);
    assertThat(within(kept, HOUR + 1, 24 * HOUR)).isBetween(23L, 24L);
    assertThat(within(kept, 24 * HOUR + 1, 30 * 24 * HOUR)).isBetween(29L, 30L);
    assertThat(within(kept, 30 * 24 * HOUR + 1, 100 * 24 * HOUR)).isBetween(10L, 11L);
    assertThat(Thinning.kept(kept, NOW)).as("thinned again nothing goes").isEqualTo(kept);
  }

  private static long within(List<Version> versions, long from, long to) {
    return versions.stream()
        .filter(v -> NOW - v.millis() >= from && NOW - v.millis() <= to)
        .count();
  }

  @Test
  void where_they_take_too_much_room_the_oldest_go_and_never_the_last() {
    List<Version> all =
        IntStream.range(0, 10)
            .mapToObj(i -> new Version(folder, 10 - i, NOW - i, i, Thinning.MOST_BYTES / 4))
            .toList();
    assertThat(Thinning.kept(all, NOW)).isEqualTo(all.subList(0, 4));
    List<Version> huge = List.of(new Version(folder, 1, NOW, 1, 2 * Thinning.MOST_BYTES));
    assertThat(Thinning.kept(huge, NOW)).isEqualTo(huge);
  }

  @Test
  void whatever_the_disk_does_a_version_is_whole_or_not_there_and_the_song_as_it_was()
      throws IOException {
    Random random = new Random(5);
    for (Fault fault : Fault.values()) {
      boolean failed = true;
      for (int n = 1; failed; n++) {
        FaultyDisk disk = new FaultyDisk();
        Path song = disk.path("/home/song.flail");
        Files.createDirectories(song.getParent());
        Versions versions = new Versions(disk.path("/state/versions"), () -> now);
        save(versions, song, 1);
        save(versions, song, 2);
        disk.plan(fault, n);
        boolean kept = true;
        try {
          versions.keep(song);
        } catch (IOException e) {
          kept = false;
        }
        failed = disk.hasFailed();
        FaultyDisk left = fault == Fault.POWER_CUT ? disk.afterPowerCut(random) : disk;
        Versions after = new Versions(left.path("/state/versions"), () -> now);
        List<Version> all = after.of(left.path("/home/song.flail"));
        for (Version version : all) {
          assertThat(version.song()).isIn(titled(1), titled(2));
        }
        assertThat(all.size()).as("%s at %d", fault, n).isBetween(kept ? 2 : 1, 2);
        assertThat(SongFiles.standard().read(left.path("/home/song.flail")).song())
            .isEqualTo(titled(2));
      }
    }
  }

  @Test
  void what_changed_is_told_in_words() {
    Song before = HarbourLamps.song();
    Track first = before.tracks().getFirst();
    Set<NoteId> five = first.notes().stream().limit(5).map(Note::id).collect(Collectors.toSet());
    Song after = SongEdits.setTempo(NoteEdits.delete(before, five), Tempo.ofBpm(100));
    after = NoteEdits.change(after, idsAfter(first, 5, 8), n -> n.withPitch(n.pitch() + 1));
    assertThat(SongChanges.words(before, after))
        .containsExactly("tempo 96 to 100", first.name() + ": 5 notes removed, 3 moved");
    assertThat(SongChanges.words(after, before))
        .containsExactly("tempo 100 to 96", first.name() + ": 5 notes added, 3 moved");
    assertThat(SongChanges.words(before, before)).isEmpty();
    Song removed = TrackEdits.remove(before, first.id());
    assertThat(SongChanges.words(before, removed))
        .containsExactly(
            "track " + first.name() + " removed, with " + first.noteCount() + " notes");
    assertThat(SongChanges.words(before, before.withTitle("Other")))
        .containsExactly("named \u201cOther\u201d");
    Song named = TrackEdits.rename(before, first.id(), "Keynotes");
    Song fewer =
        TrackEdits.rename(named, first.id(), "Keys")
            .withTrack(first.id(), t -> t.withClips(called(t, "Verse")));
    assertThat(SongChanges.words(named, fewer))
        .containsExactly("Keys: was Keynotes, clips moved or shaped");
  }

  private static List<Clip> called(Track track, String name) {
    return track.clips().stream().map(c -> c.withTraits(c.traits().withName(name))).toList();
  }

  private static Set<NoteId> idsAfter(Track track, int from, int to) {
    return track.notes().subList(from, to).stream().map(Note::id).collect(Collectors.toSet());
  }

  @Test
  void a_track_is_taken_back_as_it_was_though_its_notes_went_to_another_and_all_else_stays() {
    Song then = HarbourLamps.song();
    Track first = then.tracks().getFirst();
    Track second = then.tracks().get(1);
    ClipId moved = first.clips().getFirst().id();
    Song now = ClipMoves.move(then, Set.of(moved), 0, 1, Landing.OVER);
    now = SongEdits.setTempo(now, Tempo.ofBpm(77));
    Song back = TakenBack.track(now, then, first.id());
    assertThat(TestSongs.heard(back.withTracks(List.of(back.tracks().getFirst()))))
        .isEqualTo(TestSongs.heard(then));
    assertThat(back.tracks().get(1)).isEqualTo(now.tracks().get(1)).isNotEqualTo(second);
    assertThat(back.tempos()).isEqualTo(now.tempos());
    Song gone = TrackEdits.remove(then, first.id());
    Song again = TakenBack.track(gone, then, first.id());
    assertThat(again.indexOf(first.id())).isZero();
    assertThat(again.noteCount()).isEqualTo(then.noteCount());
  }

  @Test
  void a_clip_is_taken_back_where_it_lay_in_the_place_of_what_it_became() {
    Song then =
        TestSongs.song(
            TestSongs.clip(2, 0, 3840, TestSongs.note(10, 60, 0, 960)),
            TestSongs.clip(3, 3840, 3840, TestSongs.note(11, 62, 0, 960)));
    Song now = NoteEdits.delete(then, Set.of(new NoteId(11)));
    now = ClipMoves.move(now, Set.of(new ClipId(3)), 7680, 0);
    Song back = TakenBack.clip(now, then, new ClipId(3));
    assertThat(TestSongs.heard(back)).isEqualTo("60@0+960 62@3840+960");
    assertThat(TestSongs.clips(back)).isEqualTo("0-3840 3840-7680");
    Song trackGone = TrackEdits.remove(HarbourLamps.song(), TestSongs.TRACK);
    assertThatThrownBy(
            () ->
                TakenBack.clip(
                    trackGone.withTracks(trackGone.tracks().subList(1, 2)), then, new ClipId(3)))
        .hasMessageContaining("is gone: take that back");
  }
}
