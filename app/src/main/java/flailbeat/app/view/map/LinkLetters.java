package flailbeat.app.view.map;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/** A letter for all clips that share what is in them: A for the first that share, then B. */
final class LinkLetters {
  private static final int LETTERS = 26;

  private final Map<Long, String> letters = new HashMap<>();

  LinkLetters(Song song) {
    for (Track track : song.tracks()) {
      Set<Long> once = new HashSet<>();
      for (Clip clip : track.clips()) {
        long link = clip.traits().link();
        if (clip.traits().isLinked() && !once.add(link) && !letters.containsKey(link)) {
          letters.put(link, letter(letters.size()));
        }
      }
    }
  }

  private static String letter(int number) {
    String last = String.valueOf((char) ('A' + number % LETTERS));
    return number < LETTERS ? last : letter(number / LETTERS - 1) + last;
  }

  /** The letter of a clip; empty for one that shares with none. */
  String of(Clip clip) {
    return clip.traits().isLinked() ? letters.getOrDefault(clip.traits().link(), "") : "";
  }
}
