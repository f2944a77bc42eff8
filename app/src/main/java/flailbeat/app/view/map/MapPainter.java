package flailbeat.app.view.map;

import flailbeat.app.control.Hairline;
import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.control.Pixels;
import flailbeat.app.view.bench.paint.TimeLines;
import flailbeat.core.edit.tracks.TrackEdits;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ClipTraits;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.text.TextAlignment;

/**
 * Draws the clips of a song on the large map: a post where each begins, a line below it and a foot
 * where it ends; a smaller foot with a number at each of its rounds.
 */
final class MapPainter {
  private static final double POST = 3;
  private static final double BASE = 2;
  private static final double FOOT = 8;
  private static final double ROUND_FOOT = 6;
  private static final double PAD = 5;
  private static final double NAME_HEIGHT = 14;
  private static final double LEAST_NAMED = 34;
  private static final double LEAST_ROUND = 14;
  private static final double LEAST_NOTES = 3;
  private static final double LETTER = 15;

  /** How wide a letter is, of the size of the font. */
  private static final double LETTER_SHARE = 0.56;

  /** Words drawn over the picture once it stands. */
  private record Word(String text, double x, double y, double most, Color color, boolean small) {}

  private record Badge(String letter, double x, double y, Color color) {}

  private final Palette palette;
  private final Pixels pixels;
  private final NoteMarks.Kept marks;
  private final LaneScale scale;
  private final double width;
  private final double height;
  private final List<Word> words = new ArrayList<>();
  private final List<Badge> badges = new ArrayList<>();

  MapPainter(
      Palette palette,
      Pixels pixels,
      NoteMarks.Kept marks,
      LaneScale scale,
      double width,
      double height) {
    this.palette = palette;
    this.pixels = pixels;
    this.marks = marks;
    this.scale = scale;
    this.width = width;
    this.height = height;
  }

  /** Lanes and bars, under the clips. */
  void ground(GraphicsContext g, Song song, int chosen) {
    g.setFill(palette.color(Ink.RAISED));
    g.fillRect(0, 0, width, height);
    int tracks = song.tracks().size();
    if (chosen >= 0) {
      g.setFill(palette.color(Ink.ROW_DARK));
      g.fillRect(0, scale.laneTop(chosen), width, scale.laneHeight());
    }
    new TimeLines(palette, scale, width, Math.min(height, scale.laneTop(tracks)))
        .bars(g, song.meters());
    for (int i = 1; i <= tracks; i++) {
      Hairline.across(g, palette.color(Ink.RULE), scale.laneTop(i) - 1, 0, width);
    }
  }

  /** All clips in sight. */
  void clips(
      GraphicsContext g, Song song, Set<ClipId> selected, LinkLetters letters, double density) {
    pixels.begin(width, height, density);
    marks.begin();
    for (int i = 0; i < song.tracks().size(); i++) {
      double top = scale.laneTop(i);
      if (top + scale.laneHeight() > 0 && top < height) {
        Track track = song.tracks().get(i);
        boolean heard = song.isAudible(track);
        for (Clip clip : track.clips()) {
          clip(
              clip,
              TrackEdits.color(song, track),
              top,
              selected.contains(clip.id()),
              heard,
              letters.of(clip));
        }
      }
    }
    pixels.end();
    pixels.show(g);
    g.setTextBaseline(VPos.CENTER);
    words.forEach(w -> write(g, w));
    badges.forEach(b -> draw(g, b));
  }

  private void clip(
      Clip clip, int color, double top, boolean selected, boolean trackHeard, String letter) {
    double left = scale.xOf(clip.start());
    double right = Math.max(left + POST, scale.xOf(clip.end()));
    if (right < 0 || left > width) {
      return;
    }
    boolean heard = trackHeard && clip.isAudible();
    Ink ink = inkOf(clip, color);
    Color paint = palette.color(ink, heard ? 1 : 0.45);
    double y = top + PAD;
    double bottom = top + scale.laneHeight() - PAD;
    pixels.bar(left, y, right - left, bottom - y, argb(ink, heard ? selected ? 0.26 : 0.11 : 0.05));
    int line = Pixels.argb(paint);
    pixels.bar(left, y, POST, bottom - y, line);
    pixels.bar(left, bottom - BASE, right - left, BASE, line);
    pixels.bar(right - BASE, bottom - FOOT, BASE, FOOT, line);
    boolean named = right - left > LEAST_NAMED && bottom - y > 2 * NAME_HEIGHT;
    rounds(clip, left, bottom, paint, named);
    notes(
        clip,
        y + (named ? NAME_HEIGHT + 1 : 3),
        bottom - BASE - (named && clip.loops() ? ROUND_FOOT + 3 : 4),
        line);
    if (selected) {
      frame(left - 2, y - 2, right + 2, bottom + 2);
    }
    if (named) {
      label(clip, left, right, y, paint, letter);
    }
  }

  /** The colour of a clip on a track of a colour. */
  static Ink inkOf(Clip clip, int track) {
    int own = clip.traits().color();
    return Ink.ofTrack(own == ClipTraits.AS_TRACK ? track : own);
  }

  private void frame(double left, double top, double right, double bottom) {
    int wheat = Pixels.argb(palette.color(Ink.WHEAT));
    pixels.bar(left, top, right - left, 2, wheat);
    pixels.bar(left, bottom - 2, right - left, 2, wheat);
    pixels.bar(left, top, 2, bottom - top, wheat);
    pixels.bar(right - 2, top, 2, bottom - top, wheat);
  }

  private int argb(Ink ink, double opacity) {
    return Pixels.argb(palette.color(ink, opacity));
  }

  private void label(Clip clip, double left, double right, double y, Color color, String letter) {
    double from = Math.max(left, 0) + POST + 4;
    double room = right - from - 4;
    if (!letter.isEmpty() && right - left > 2 * LETTER) {
      badges.add(new Badge(letter, right - LETTER / 2 - 4, y + LETTER / 2 + 1, color));
      room -= LETTER + 4;
    }
    String text = clip.traits().name() + ClipWords.asHeard(clip);
    words.add(
        new Word(text.strip(), from, y + NAME_HEIGHT / 2 + 1, room, palette.color(Ink.INK), false));
  }

  private void rounds(Clip clip, double left, double bottom, Color color, boolean numbered) {
    double each = clip.period() * scale.pixelsPerTick();
    if (!clip.loops() || each < LEAST_ROUND) {
      return;
    }
    long first = Math.max(1, (long) Math.floor(-left / each));
    for (long round = first; round * clip.period() < clip.length(); round++) {
      double x = left + round * each;
      if (x > width) {
        return;
      }
      pixels.bar(x - 1, bottom - ROUND_FOOT - BASE, 1.5, ROUND_FOOT, Pixels.argb(color));
      if (numbered) {
        words.add(
            new Word(
                String.valueOf(round + 1),
                x + 4,
                bottom - BASE - 5,
                each,
                palette.color(Ink.INK_SOFT),
                true));
      }
    }
  }

  private void notes(Clip clip, double top, double bottom, int argb) {
    NoteMarks notes = marks.of(clip.content());
    double perTick = scale.pixelsPerTick();
    double each = clip.contentLength() * perTick;
    if (notes.onset.length == 0 || bottom - top < 2 || each < LEAST_NOTES) {
      return;
    }
    double thick = Math.clamp((bottom - top) / (notes.high - notes.low + 1), 1.6, 3);
    long first = clip.loops() ? (long) Math.max(0, Math.floor(-scale.xOf(clip.start()) / each)) : 0;
    for (long round = first; round * clip.contentLength() < clip.length(); round++) {
      long start = clip.start() + round * clip.contentLength();
      double x = scale.xOf(start);
      if (x > width) {
        return;
      }
      long ends = Math.min(clip.contentLength(), clip.end() - start);
      for (int i = 0; i < notes.onset.length && notes.onset[i] < ends; i++) {
        double left = x + notes.onset[i] * perTick;
        double length = Math.min(notes.length[i], ends - notes.onset[i]) * perTick;
        if (left > width) {
          break;
        }
        if (left + length < 0) {
          continue;
        }
        double at =
            notes.high == notes.low
                ? 0.5
                : (double) (notes.high - notes.pitch[i]) / (notes.high - notes.low);
        double y = top + at * (bottom - top - thick);
        if (pixels.take(left, y, 1)) {
          pixels.bar(left, y, Math.max(1, length - 0.5), thick, argb);
        }
      }
    }
  }

  private void write(GraphicsContext g, Word word) {
    if (word.text().isEmpty() || word.most() < 8) {
      return;
    }
    g.setFont(word.small() ? palette.font(9.5) : palette.bold(11));
    g.setTextAlign(TextAlignment.LEFT);
    g.setFill(word.color());
    g.fillText(cut(word.text(), word.most()), word.x(), word.y());
  }

  /** As much of a text as has room: measuring each would take longer than drawing it. */
  private String cut(String text, double most) {
    int room = (int) (most / (palette.bold(11).getSize() * LETTER_SHARE));
    return text.length() <= room ? text : text.substring(0, Math.max(0, room - 1)) + "\u2026";
  }

  private void draw(GraphicsContext g, Badge badge) {
    g.setFill(badge.color());
    g.fillOval(badge.x() - LETTER / 2, badge.y() - LETTER / 2, LETTER, LETTER);
    g.setFill(palette.color(Ink.RAISED));
    g.setFont(palette.bold(10));
    g.setTextAlign(TextAlignment.CENTER);
    g.fillText(badge.letter(), badge.x(), badge.y());
  }
}
