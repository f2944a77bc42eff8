package flailbeat.core.format.smf;

import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** What a MIDI file cannot tell of a song's sounds, since it has sixteen channels and no more. */
final class SharedChannels {
  private SharedChannels() {}

  /** A line for each channel on which tracks will not sound elsewhere as they do here. */
  static List<String> remarks(Song song) {
    List<String> result = new ArrayList<>();
    Map<Integer, List<Track>> byChannel = new TreeMap<>();
    for (Track track : song.tracks()) {
      if (track.noteCount() > 0) {
        byChannel.computeIfAbsent(track.channel(), c -> new ArrayList<>()).add(track);
      }
    }
    byChannel.forEach(
        (channel, tracks) -> {
          boolean differ = tracks.stream().map(Track::instrument).distinct().count() > 1;
          boolean mixed = tracks.stream().map(t -> t.sound().mix()).distinct().count() > 1;
          if (!differ && mixed) {
            result.add(
                names(tracks)
                    + " share channel "
                    + (channel + 1)
                    + ": other programs may play them at one level and tone");
          }
          if (differ) {
            result.add(
                names(tracks)
                    + " share channel "
                    + (channel + 1)
                    + ": other programs may play them with one sound");
          }
        });
    for (Track track : song.tracks()) {
      boolean kit = track.instrument().kit();
      if (track.noteCount() > 0 && kit != (track.channel() == Track.DRUM_CHANNEL)) {
        result.add(
            track.name()
                + (kit ? " is a kit on channel " : " is on channel ")
                + (track.channel() + 1)
                + (kit
                    ? ": other programs play it as notes"
                    : ": other programs play it as drums"));
      }
    }
    return result;
  }

  private static String names(List<Track> tracks) {
    return tracks.stream().map(Track::name).collect(Collectors.joining(", "));
  }
}
