package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.view.map.MapView;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import java.util.List;
import java.util.stream.Collectors;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseEvent;
import org.junit.jupiter.api.Test;

/**
 * From an empty song to 32 bars of four parts, as a person does it: a beat by loop, a bass by
 * steps, chords by keys, a line by mouse. What is struck and dragged is counted.
 */
class SongFromNothingTest extends RollWindow {
  private static final long BAR = 3840;

  /** As the README says. */
  private static final int KEYS = 35;

  private static final int GESTURES = 19;

  private int keys;

  private void key(KeyCode... held) throws Exception {
    keys++;
    type(held);
  }

  private MapView map() {
    return (MapView) ui.node("large-map");
  }

  private Point2D place(double bar, int track) {
    return ui.get(() -> map().placeOf(Math.round(bar * BAR), track));
  }

  private void onMap(Point2D from, Point2D to, With... with) {
    gestures++;
    Node field = ui.node("map-field");
    mouse(field, MouseEvent.MOUSE_PRESSED, from, with);
    mouse(field, MouseEvent.MOUSE_DRAGGED, from.midpoint(to), with);
    mouse(field, MouseEvent.MOUSE_DRAGGED, to, with);
    mouse(field, MouseEvent.MOUSE_RELEASED, to, with);
  }

  private void turnToMap() throws Exception {
    key(KeyCode.F10);
    ui.run(() -> ui.stage.getScene().getRoot().layout());
  }

  private Track track(int index) {
    return ui.get(() -> ui.session.song().tracks().get(index));
  }

  private String clips(int index) {
    return track(index).clips().stream()
        .map(c -> c.start() / BAR + "-" + c.end() / BAR)
        .collect(Collectors.joining(" "));
  }

  private void waitUntil(double bar) throws Exception {
    ui.await(() -> ui.session.runControl().positionTicks() >= bar * BAR);
  }

  @Test
  void thirty_two_bars_from_an_empty_song_without_a_file_dialog() throws Exception {
    ui.run(
        () ->
            ui.session.runControl().setSettings(PlaySettings.standard().withCountIn(CountIn.NONE)));
    beatByLoop();
    bassBySteps();
    chordsByKeysABarLate();
    lineByMouse();
    oneLinkedCopyChanged();
    Song song = ui.get(ui.session::song);
    assertThat(song.tracks()).hasSize(4);
    for (Track track : song.tracks()) {
      assertThat(track.clips().getLast().end()).as(track.name()).isEqualTo(32 * BAR);
    }
    assertThat(keys).isEqualTo(KEYS);
    assertThat(gestures).isEqualTo(GESTURES);
  }

  /** One bar goes round while it is played; then its clip goes round, with a break in bar 8. */
  private void beatByLoop() throws Exception {
    key(KeyCode.ALT, KeyCode.UP);
    assertThat(track(0).instrument().kit()).isTrue();
    ui.run(() -> ui.session.run().loop(new flailbeat.core.time.TickRange(0, BAR)));
    gestures++;
    key(KeyCode.SHIFT, KeyCode.SPACE);
    for (int beat = 0; beat < 4; beat++) {
      waitUntil(beat * 0.25 + 0.02);
      key(beat % 2 == 0 ? KeyCode.A : KeyCode.S);
    }
    key(KeyCode.SPACE);
    key(KeyCode.CONTROL, KeyCode.L);
    assertThat(clips(0)).isEqualTo("0-1");
    turnToMap();
    onMap(place(1, 0).add(-2, 0), place(7, 0));
    onMap(place(0.5, 0), place(8.5, 0), With.CTRL);
    ui.choose("fit");
    gestures++;
    ui.run(() -> map().zoom(0.5));
    gestures++;
    onMap(place(15, 0).add(-2, 0), place(32, 0));
    assertThat(clips(0)).isEqualTo("0-7 8-32");
  }

  /** Half a bar of steps; linked copies are laid out in two drags. */
  private void bassBySteps() throws Exception {
    key(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.A);
    ui.run(() -> ui.session.runControl().seek(0));
    key(KeyCode.F3);
    assertThat(ui.session.performer().keysMode()).isEqualTo(KeysMode.STEPS);
    key(KeyCode.DIGIT4);
    for (KeyCode note : List.of(KeyCode.A, KeyCode.A, KeyCode.G, KeyCode.D)) {
      key(note);
    }
    key(KeyCode.F2);
    assertThat(clips(1)).isEqualTo("0-1");
    onMap(place(0.5, 1), place(0.5, 1));
    key(KeyCode.ALT, KeyCode.K);
    key(KeyCode.ALT, KeyCode.W);
    onMap(place(1.01, 1), place(6.9, 1));
    onMap(place(8.01, 1), place(31.9, 1));
    key(KeyCode.ESCAPE);
    assertThat(track(1).clips()).hasSize(31);
  }

  /** Played along from the second bar on, and put right; then again and again. */
  private void chordsByKeysABarLate() throws Exception {
    key(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.A);
    ui.run(() -> ui.session.runControl().seek(0));
    int before = keys;
    playTwoChords();
    for (int again = 0; again < 12 && !isInTime(); again++) {
      // The machine stood still just then: nobody plays so late.
      ui.run(ui.session.editing()::undo);
      ui.run(() -> ui.session.runControl().seek(0));
      keys = before;
      playTwoChords();
    }
    assertThat(clips(2)).isEqualTo("0-2");
    onMap(place(1.5, 2), place(1.5, 2));
    key(KeyCode.ALT, KeyCode.J);
    assertThat(clips(2)).isEqualTo("0-1");
    assertThat(track(2).notes().getFirst().onset()).isLessThan(BAR / 4);
    key(KeyCode.ALT, KeyCode.W);
    onMap(place(1.01, 2), place(31.9, 2));
    key(KeyCode.ESCAPE);
  }

  private void playTwoChords() throws Exception {
    key(KeyCode.SHIFT, KeyCode.SPACE);
    for (int chord = 0; chord < 2; chord++) {
      waitUntil(1.02 + chord * 0.4);
      keys++;
      press(KeyCode.A, KeyCode.D, KeyCode.G);
      waitUntil(1.12 + chord * 0.4);
      release(KeyCode.A, KeyCode.D, KeyCode.G);
    }
    key(KeyCode.SPACE);
  }

  private boolean isInTime() {
    long first = track(2).notes().getFirst().onset();
    long apart = track(2).notes().getLast().onset() - first;
    return clips(2).equals("0-2")
        && first >= BAR
        && first < BAR + BAR / 8
        && Math.abs(apart - 0.4 * BAR) < BAR / 16.0;
  }

  private void lineByMouse() throws Exception {
    key(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.A);
    key(KeyCode.ALT, KeyCode.N);
    key(KeyCode.F10);
    ui.run(() -> ui.stage.getScene().getRoot().layout());
    for (int i = 0; i < 4; i++) {
      Point2D at = at(i * BAR / 4 + 10, 64 + i);
      press(at);
      letGo(at);
    }
    turnToMap();
    onMap(place(0.5, 3), place(0.5, 3));
    key(KeyCode.ALT, KeyCode.W);
    onMap(place(1.01, 3), place(31.9, 3));
    key(KeyCode.ESCAPE);
  }

  private void oneLinkedCopyChanged() throws Exception {
    List<Integer> before = lasts();
    mouse(ui.node("map-field"), MouseEvent.MOUSE_PRESSED, place(4.5, 1), With.TWICE);
    gestures++;
    ui.run(() -> ui.stage.getScene().getRoot().layout());
    Clip fifth = track(1).clips().get(4);
    Note first = fifth.placed().notes().getFirst();
    Point2D at = at(first.onset() + 100, first.pitch());
    press(at);
    letGo(at);
    key(KeyCode.CONTROL, KeyCode.UP);
    assertThat(lasts()).allMatch(p -> p == before.getFirst() + 1);
    assertThat(track(1).clips()).hasSize(31);
  }

  private List<Integer> lasts() {
    return track(1).clips().stream().map(c -> c.placed().notes().getFirst().pitch()).toList();
  }
}
