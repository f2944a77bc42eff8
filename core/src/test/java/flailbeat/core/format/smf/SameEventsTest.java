package flailbeat.core.format.smf;

import static flailbeat.core.format.smf.Midi.control;
import static flailbeat.core.format.smf.Midi.exclusive;
import static flailbeat.core.format.smf.Midi.file;
import static flailbeat.core.format.smf.Midi.imported;
import static flailbeat.core.format.smf.Midi.meta;
import static flailbeat.core.format.smf.Midi.off;
import static flailbeat.core.format.smf.Midi.on;
import static flailbeat.core.format.smf.Midi.program;
import static flailbeat.core.format.smf.Midi.track;
import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.TestSongs;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.tracks.TrackEdits;
import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.Payload;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.PlaybackPlan;
import java.io.IOException;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * What goes in comes out, event for event and in the same order, through a project as it is saved.
 */
class SameEventsTest {
  private static SmfFile throughProject(SmfFile file) throws IOException {
    return SmfExport.of(TestSongs.reopened(imported(file).song()));
  }

  /** In words, a note-on of velocity 0 being the end of a note like any other (MIDI 1.0). */
  static List<String> said(SmfFile file) {
    return IntStream.range(0, file.tracks().size())
        .boxed()
        .flatMap(
            i ->
                Stream.concat(
                    file.tracks().get(i).events().stream().map(e -> i + ": " + said(e)),
                    Stream.of(i + ": end " + file.tracks().get(i).endTick())))
        .toList();
  }

  private static String said(SmfEvent e) {
    boolean silent = (e.status() & 0xF0) == 0x90 && e.data2() == 0;
    SmfEvent event =
        silent ? SmfEvent.channel(e.tick(), e.status() - 0x10, e.data1(), Note.RELEASE) : e;
    return String.format(
        "%d %X %d %d %s",
        event.tick(), event.status(), event.data1(), event.data2(), event.payload());
  }

  private static void assertSame(SmfFile file) throws IOException {
    SmfFile back = throughProject(file);
    assertThat(said(back)).isEqualTo(said(file));
    assertThat(back.format()).isEqualTo(file.format());
    assertThat(back.ppq()).isEqualTo(file.ppq());
  }

  private static SmfTrack conductor() {
    return track(meta(0, 0x58, "04021808"), meta(0, 0x03, "41"), meta(0, 0x51, "07A120"));
  }

  @Test
  void notes_keep_the_sound_that_is_set_between_them_at_one_tick() throws Exception {
    SmfTrack part =
        track(
            program(0, 0, 3),
            on(0, 60, 90),
            on(0, 64, 90),
            program(0, 0, 0),
            on(0, 67, 90),
            control(240, 64, 127),
            off(240, 60, 64),
            off(240, 64, 64),
            off(240, 67, 64),
            control(480, 64, 0));
    assertSame(file(960, conductor(), part));
    Song song = TestSongs.reopened(imported(file(960, conductor(), part)).song());
    PlaybackPlan plan = PlaybackPlan.of(song, ClickTrack.NONE, 0);
    List<String> heard =
        IntStream.range(0, plan.size())
            .mapToObj(plan::messageAt)
            .map(m -> String.format("%X %d", PlaybackPlan.status(m), PlaybackPlan.data1(m)))
            .toList();
    assertThat(heard)
        .as("played as well")
        .containsExactly(
            "C0 3", "90 60", "90 64", "C0 0", "90 67", "B0 64", "80 60", "80 64", "80 67", "B0 64");
  }

  @Test
  void what_is_no_note_keeps_its_order_too() throws Exception {
    assertSame(
        file(
            480,
            track(meta(0, 0x51, "07A120"), meta(0, 0x03, "41"), meta(0, 0x01, "42")),
            track(
                program(0, 0, 5),
                control(0, 7, 100),
                exclusive(0, "7E7F0901F7"),
                meta(0, 0x03, "42"),
                control(0, 10, 64),
                meta(0, 0x05, "6C61"),
                on(0, 67, 90),
                meta(0, 0x05, "6C62"),
                on(0, 60, 90),
                off(100, 60, 64),
                off(100, 67, 64))));
  }

  @Test
  void names_and_tracks_are_as_they_were() throws Exception {
    SmfTrack nameless = track(on(0, 60, 90), off(9, 60, 64));
    SmfTrack blank = track(meta(0, 0x03, "20"), on(0, 62, 90), off(9, 62, 64));
    SmfTrack text = new SmfTrack(List.of(meta(0, 0x03, "43726564697473")), 700);
    SmfTrack foreign =
        track(
            meta(0, 0x03, "4DF67765"),
            on(0, 60, 90),
            SmfEvent.channel(0, 0x91, 60, 90),
            off(9, 60, 64),
            SmfEvent.channel(9, 0x81, 60, 64));
    SmfTrack late = track(on(0, 60, 90), meta(5, 0x03, "4C617465"), off(9, 60, 64));
    SmfTrack nothing = new SmfTrack(List.of(), 0);
    assertSame(file(960, new SmfTrack(List.of(), 9000), nameless, blank, text, foreign, late));
    assertSame(file(960, nothing, nothing));
    assertSame(file(960, text));
    assertSame(new SmfFile(0, 96, List.of(foreign)));
    assertSame(file(960, late, nameless));
  }

  @Test
  void silence_at_the_end_of_the_first_track_stays() throws Exception {
    assertSame(
        file(
            960,
            new SmfTrack(List.of(meta(0, 0x51, "07A120")), 175_104),
            track(on(0, 60, 90), off(9, 60, 64))));
  }

  @Test
  void a_note_that_is_moved_among_others_comes_after_what_sets_their_sound() {
    Song song =
        imported(
                file(
                    960,
                    conductor(),
                    track(
                        on(0, 60, 90),
                        program(0, 0, 3),
                        off(100, 60, 64),
                        program(960, 0, 5),
                        on(960, 62, 90),
                        off(1000, 62, 64))))
            .song();
    Note first = song.tracks().get(0).notes().get(0);
    Song moved = NoteEdits.move(song, Set.of(first.id()), 960, 0);
    assertThat(said(SmfExport.of(moved)).stream().filter(w -> w.startsWith("1: 960")))
        .containsExactly("1: 960 C0 5 0 ", "1: 960 90 60 90 ", "1: 960 90 62 90 ");
  }

  @Test
  void what_is_added_goes_behind_and_what_is_taken_away_takes_nothing_else_along() {
    SmfTrack one = track(meta(0, 0x03, "41"), on(0, 60, 90), off(9, 60, 64));
    SmfTrack two = track(on(0, 62, 90), meta(4, 0x05, "6C61"), off(9, 62, 64));
    Song song = imported(new SmfFile(0, 960, List.of(one))).song();
    Song more = SongEdits.addTrack(song, Instrument.melodic(4));
    SmfFile file = SmfExport.of(more);
    assertThat(file.format()).as("it has two tracks now").isEqualTo(1);
    assertThat(said(file).subList(0, 4)).isEqualTo(said(SmfExport.of(song)));
    Song both = imported(file(960, conductor(), one, two)).song();
    Song left = TrackEdits.remove(both, both.tracks().get(0).id());
    assertThat(said(SmfExport.of(left))).isEqualTo(said(file(960, conductor(), two)));
    CarriedEvent stray = new CarriedEvent(5, 0xFF, 6, Payload.ofHex("41")).inFileTrack(7);
    assertThat(said(SmfExport.of(left.withCarried(List.of(stray))))).contains("0: 5 FF 6 0 41");
  }

  @Test
  void every_sample_comes_back() throws Exception {
    int same = 0;
    for (SmfFile file : Samples.all()) {
      if (imported(file).remarks().isEmpty()) {
        assertSame(file);
        same++;
      }
    }
    assertThat(same).isGreaterThan(40);
  }
}
