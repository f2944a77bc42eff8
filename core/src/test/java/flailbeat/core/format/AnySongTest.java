package flailbeat.core.format;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.TestSongs;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.format.smf.SmfExport;
import flailbeat.core.format.smf.SmfFile;
import flailbeat.core.format.smf.SmfImport;
import flailbeat.core.format.smf.SmfReader;
import flailbeat.core.format.smf.SmfReading;
import flailbeat.core.format.smf.SmfWriter;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.FileTraits;
import flailbeat.core.model.carried.FromFile;
import flailbeat.core.model.carried.MidiOrigin;
import flailbeat.core.model.carried.Payload;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Section;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.Ticks;
import flailbeat.core.time.Timeline;
import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import net.jqwik.api.constraints.Size;

/** Whatever song can be is written in every format, and read again. */
class AnySongTest {
  private static final long LAST = Ticks.LAST;

  @Property(tries = 300)
  void any_song_is_written_in_every_format_and_read_again(
      @ForAll @IntRange(min = 1, max = 0x7FFF) int resolution,
      @ForAll @Size(max = 6) List<@LongRange(min = 0, max = Ticks.LAST) Long> places,
      @ForAll @IntRange(min = 0, max = 3) int loops,
      @ForAll @LongRange(min = 0, max = Ticks.LAST) long end,
      @ForAll boolean stated)
      throws Exception {
    Song song = song(resolution, places, loops, end, stated);
    Song reopened = TestSongs.reopened(song);
    assertThat(reopened).isEqualTo(song);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    SmfExport export = SmfExport.from(song);
    SmfWriter.write(export.file(), out);
    SmfReading read = SmfReader.read(out.toByteArray());
    assertThat(read.isSound()).as("%s", read.damage()).isTrue();
    assertThat(withoutFillers(read.file())).isEqualTo(export.file());
    Song back = SmfImport.of(read.file(), "back").song();
    assertThat(back.noteCount()).isEqualTo(TestSongs.track(song).placed().sounding().size());
    assertThat(SmfExport.of(TestSongs.reopened(back)).tracks()).hasSameSizeAs(read.file().tracks());
  }

  /** An empty text bridges a gap that is too long for one number. */
  private static SmfFile withoutFillers(SmfFile file) {
    return new SmfFile(
        file.format(),
        file.ppq(),
        file.tracks().stream()
            .map(
                t ->
                    new SmfFile.SmfTrack(
                        t.events().stream()
                            .filter(e -> !e.isMeta(1) || e.payload().length() > 0)
                            .toList(),
                        t.endTick()))
            .toList());
  }

  private static Song song(int resolution, List<Long> places, int loops, long end, boolean stated) {
    List<Clip> clips = new ArrayList<>();
    long id = 100;
    long free = 0;
    for (long place : places.stream().sorted().toList()) {
      long start = Math.max(free, place);
      if (start >= LAST) {
        continue;
      }
      long length = Math.min(Math.max(60, (LAST - start) / 3), 4 * 3840);
      long room = LAST - start;
      Note note = TestSongs.note(id++, (int) (place % 128), 0, Math.min(room, 1 + place % 500));
      ControlPoint point =
          new ControlPoint(new ControlId(id++), Math.min(room, place % 60), Control.bend(8000));
      long period = loops > 0 && length > 60L * loops ? Math.max(60, length / loops) : Clip.NEVER;
      clips.add(TestSongs.clip(id++, start, length, period, List.of(note), List.of(point)));
      free = start + length;
    }
    Song song = TestSongs.song(clips.toArray(Clip[]::new));
    CarriedEvent late = new CarriedEvent(end, 0xFF, 5, Payload.ofHex("41"));
    Song made =
        new Song(
            "Any",
            new Timeline(
                TempoMap.of(List.of(new TempoMap.Change(end, Tempo.ofBpm(20 + end % 300)))),
                MeterMap.of(List.of(new MeterMap.Change(0, new Meter(7, 8)))),
                List.of(new Section(end, "Last"), new Section(0, "First"))),
            song.tracks(),
            new FromFile(List.of(late), resolution, MidiOrigin.NONE),
            song.nextId());
    Track first = TestSongs.track(made);
    return SongEdits.addTrack(
        made.withTrack(first.id(), t -> t.withTraits(new FileTraits(stated, end))),
        Instrument.kit(0));
  }
}
