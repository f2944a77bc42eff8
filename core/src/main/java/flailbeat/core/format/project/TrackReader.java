package flailbeat.core.format.project;

import flailbeat.core.format.project.ProjectDto.HandsDto;
import flailbeat.core.format.project.ProjectDto.OwnDto;
import flailbeat.core.format.project.ProjectDto.TrackDto;
import flailbeat.core.model.roll.NoteStart;
import flailbeat.core.model.roll.PitchRows;
import flailbeat.core.model.roll.RollTraits;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.Mix;
import flailbeat.core.model.sound.OwnPreset;
import flailbeat.core.model.sound.TrackSound;
import flailbeat.core.model.track.HandTraits;
import flailbeat.core.model.track.TrackTraits;
import java.util.Map;
import java.util.Optional;

/** Makes what is set for a track of the record that was read; what is not there is as usual. */
final class TrackReader {
  private TrackReader() {}

  static TrackSound sound(TrackDto t) {
    return new TrackSound(
        new Instrument(t.program(), t.kit(), own(t.own())),
        t.channel(),
        new Mix(t.mix() == null ? Map.of() : t.mix()),
        t.transpose(),
        orEmpty(t.port()));
  }

  private static OwnPreset own(OwnDto own) {
    return own == null
        ? OwnPreset.NONE
        : new OwnPreset(
            orEmpty(own.file()),
            orEmpty(own.fingerprint()),
            own.bank(),
            own.program(),
            orEmpty(own.name()));
  }

  static RollTraits roll(TrackDto t) {
    Optional<NoteStart> start =
        Optional.ofNullable(t.newNotes()).map(n -> new NoteStart(n.length(), n.velocity()));
    PitchRows rows =
        t.rows() == null
            ? PitchRows.ALL
            : new PitchRows(
                ProjectReader.read("row", t.rows().order(), r -> r), t.rows().onlyUsed());
    return new RollTraits(start, rows);
  }

  static TrackTraits personal(TrackDto t) {
    return new TrackTraits(
        t.color() == null ? TrackTraits.BY_PLACE : t.color(),
        orEmpty(t.group()),
        t.folded(),
        hands(t.hands()));
  }

  private static HandTraits hands(HandsDto h) {
    return h == null
        ? HandTraits.NONE
        : new HandTraits(
            orEmpty(h.arrangement()), chosen(h.base()), chosen(h.floor()), chosen(h.ceiling()));
  }

  private static int chosen(Integer value) {
    return value == null ? HandTraits.USUAL : value;
  }

  private static String orEmpty(String text) {
    return text == null ? "" : text;
  }
}
