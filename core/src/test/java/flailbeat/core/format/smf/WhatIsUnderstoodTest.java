package flailbeat.core.format.smf;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.TestSongs;
import flailbeat.core.format.smf.SmfFile.SmfTrack;
import flailbeat.core.model.Song;
import flailbeat.core.model.carried.Marker;
import flailbeat.core.model.carried.Payload;
import flailbeat.core.pitch.KeySignature;
import flailbeat.core.time.Section;
import flailbeat.core.time.Timeline;
import java.util.List;
import org.junit.jupiter.api.Test;

/**
 * What of a file's bytes is understood goes out as it came, and what nobody can understand too. The
 * events are those of the Standard MIDI Files 1.0 specification: FF 59 key signature, FF 06 marker.
 */
class WhatIsUnderstoodTest {
  private static SmfEvent meta(long tick, int type, String hex) {
    return new SmfEvent(tick, SmfEvent.META, type, 0, Payload.ofHex(hex));
  }

  private static final List<SmfEvent> EVENTS =
      List.of(
          meta(0, 0x59, "FD00"),
          meta(96, 0x06, "566572736520E9"),
          meta(192, 0x59, "0401"),
          meta(288, 0x59, "6300"),
          meta(384, 0x06, "456E64"));

  private static Song imported() throws Exception {
    SmfFile file = new SmfFile(1, 96, List.of(new SmfTrack(EVENTS, 480)));
    return TestSongs.reopened(SmfImport.of(file, "Any").song());
  }

  @Test
  void keys_and_markers_are_read_and_what_makes_no_sense_is_passed_over() throws Exception {
    Song song = imported();
    assertThat(song.keys().at(0)).contains(new KeySignature(-3, false));
    assertThat(song.keys().at(1920)).contains(new KeySignature(4, true));
    assertThat(song.keys().at(9999)).as("99 sharps").contains(new KeySignature(4, true));
    assertThat(song.markers()).extracting(Marker::tick).containsExactly(960L, 3840L);
    assertThat(song.markers().get(1).name()).isEqualTo("End");
  }

  @Test
  void they_go_out_byte_for_byte_through_a_project_too() throws Exception {
    SmfFile out = SmfExport.of(imported());
    assertThat(out.tracks().get(0).events()).containsAll(EVENTS);
  }

  @Test
  void a_section_goes_out_as_a_marker_where_it_begins() throws Exception {
    Song song = imported();
    Timeline timeline = song.timeline().withSections(List.of(new Section(1920, "Chorus")));
    Song named = TestSongs.reopened(song.withTimeline(timeline));
    assertThat(named.sections()).containsExactly(new Section(1920, "Chorus"));
    assertThat(SmfExport.of(named).tracks().get(0).events())
        .containsAll(EVENTS)
        .contains(meta(192, 0x06, "43686F727573"));
  }
}
