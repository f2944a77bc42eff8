package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.command.CommandSearch;
import flailbeat.app.view.map.MapView;
import flailbeat.core.chore.Cleanup;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.files.SongFiles;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.time.TickRange;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseEvent;
import javafx.stage.Window;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Clips taken in hand on the large map. The first track has clips over bars 1 to 2 and 5. */
class MapWindowTest extends RollWindow {
  private static final long BAR = 3840;

  @BeforeEach
  void openMap() throws Exception {
    Clip two = clip(10, 0, 2 * BAR, note(11, 60, 0), note(12, 64, BAR));
    Clip one = clip(20, 4 * BAR, BAR, note(21, 67, 4 * BAR));
    Song empty = SongEdits.addTrack(Song.empty(), Instrument.melodic(32));
    TrackId first = empty.tracks().get(0).id();
    Song song = empty.withTrack(first, t -> t.withClips(List.of(two, one))).withNextId(100);
    ui.run(() -> ui.session.open(song, Optional.empty()));
    ui.choose("map-large");
    ui.run(() -> ui.stage.getScene().getRoot().layout());
    ui.run(map()::fit);
  }

  private static Clip clip(long id, long start, long length, Note... notes) {
    return Clip.of(new ClipId(id), new TickRange(start, start + length), List.of(notes));
  }

  private static Note note(long id, int pitch, long onset) {
    return Note.placed(new NoteId(id), pitch, 80, onset, 480);
  }

  private MapView map() {
    return (MapView) ui.node("large-map");
  }

  private Point2D place(long tick, int track) {
    return ui.get(() -> map().placeOf(tick, track));
  }

  @Override
  void mouse(javafx.event.EventType<MouseEvent> type, Point2D at, RollWindow.With... with) {
    mouse(field(), type, at, with);
  }

  private Node field() {
    return ui.node("map-field");
  }

  /** Clips of a track in bars: {@code 0-2 4-5x3}, with how often one goes round. */
  private String clips(int track) {
    return ui.get(
        () ->
            ui.session.song().tracks().get(track).clips().stream()
                .map(
                    c ->
                        bars(c.start())
                            + "-"
                            + bars(c.end())
                            + (c.loops() ? "x" + Math.ceilDiv(c.length(), c.period()) : ""))
                .collect(Collectors.joining(" ")));
  }

  private static String bars(long tick) {
    return tick % BAR == 0 ? String.valueOf(tick / BAR) : String.valueOf((double) tick / BAR);
  }

  @Test
  void a_clip_is_dragged_in_time_and_to_another_track_and_lies_over_what_is_there() {
    assertThat(clips(0)).isEqualTo("0-2 4-5");
    stroke(place(BAR / 2, 0), place(4 * BAR + BAR / 2, 1));
    assertThat(clips(0)).isEqualTo("4-5");
    assertThat(clips(1)).isEqualTo("4-6");
    stroke(place(5 * BAR, 1), place(5 * BAR, 0));
    assertThat(clips(0)).isEqualTo("4-6");
    ui.run(() -> ui.session.editing().undo());
    assertThat(clips(0)).isEqualTo("4-5");
  }

  @Test
  void with_shift_what_lies_there_is_pushed_on_and_off_the_map_it_stops_at_the_edge() {
    Point2D from = place(BAR, 0);
    press(from);
    drag(place(4 * BAR, 0), With.SHIFT);
    letGo(place(4 * BAR, 0), With.SHIFT);
    assertThat(clips(0)).isEqualTo("3-5 5-6");
    stroke(place(3 * BAR + 960, 0), new Point2D(-500, 5000));
    assertThat(clips(0)).isEqualTo("5-6");
    assertThat(clips(1)).isEqualTo("0-2");
  }

  @Test
  void copies_have_their_own_notes_or_share_them_as_one_chooses() {
    stroke(place(BAR / 2, 0), place(2 * BAR + BAR / 2, 0), With.CTRL);
    assertThat(clips(0)).isEqualTo("0-2 2-4 4-5");
    ui.choose("clip-links");
    stroke(place(BAR / 2, 0), place(6 * BAR + BAR / 2, 0), With.CTRL);
    assertThat(clips(0)).isEqualTo("0-2 2-4 4-5 6-8");
    Note first = ui.get(() -> track().clips().get(0).content().notes().getFirst());
    ui.run(() -> ui.session.document().select(Selection.ofNotes(Set.of(first.id()))));
    ui.run(() -> ui.session.notes().move(0, 1));
    assertThat(pitchesOf(0)).startsWith(61);
    assertThat(pitchesOf(1)).startsWith(60);
    assertThat(pitchesOf(3)).startsWith(61);
    ui.run(() -> ui.session.editing().undo());
    assertThat(pitchesOf(3)).startsWith(60);
  }

  private Track track() {
    return ui.session.song().tracks().get(0);
  }

  private List<Integer> pitchesOf(int clip) {
    return ui.get(
        () -> track().clips().get(clip).placed().sounding().stream().map(Note::pitch).toList());
  }

  @Test
  void an_end_that_is_dragged_beyond_what_is_in_the_clip_goes_round_and_with_shift_is_silent() {
    Point2D end = place(5 * BAR, 0).add(-2, 0);
    stroke(end, place(8 * BAR, 0));
    assertThat(clips(0)).isEqualTo("0-2 4-8x4");
    ui.run(() -> ui.session.editing().undo());
    press(end);
    drag(place(8 * BAR, 0), With.SHIFT);
    letGo(place(8 * BAR, 0), With.SHIFT);
    assertThat(clips(0)).isEqualTo("0-2 4-8");
    stroke(place(0, 0).add(2, 0), place(BAR, 0));
    assertThat(clips(0)).isEqualTo("1-2 4-8");
    assertThat(pitchesOf(0)).as("it stays where it sounds").containsExactly(64);
  }

  @Test
  void with_a_clip_in_hand_a_drag_lays_it_down_again_and_again() throws Exception {
    press(place(4 * BAR + 960, 0));
    letGo(place(4 * BAR + 960, 0));
    ui.choose("clip-in-hand");
    stroke(place(6 * BAR + 10, 0), place(9 * BAR + 960, 0));
    assertThat(clips(0)).isEqualTo("0-2 4-5 6-7 7-8 8-9 9-10");
    stroke(place(BAR + 10, 1), place(BAR + 960, 1));
    assertThat(clips(1)).as("the same on another track").isEqualTo("1-2");
    type(KeyCode.ESCAPE);
    assertThat(ui.get(() -> ui.session.clips().inHand())).isEmpty();
    assertThat(ui.get(() -> ui.session.performer().keysMode())).isEqualTo(KeysMode.PLAY);
  }

  @Test
  void letters_stay_notes_on_the_map_and_while_a_clip_is_in_hand_or_on_the_mouse()
      throws Exception {
    press(KeyCode.A);
    assertThat(sounding()).containsExactly(60);
    ui.choose("clip-in-hand");
    press(KeyCode.S);
    assertThat(sounding()).containsExactly(60, 62);
    release(KeyCode.A);
    press(place(6 * BAR + 10, 0));
    press(KeyCode.D);
    assertThat(sounding()).containsExactly(62, 64);
    letGo(place(6 * BAR + 10, 0));
    type(KeyCode.ESCAPE);
    release(KeyCode.S, KeyCode.D);
    assertThat(sounding()).isEmpty();
  }

  @Test
  void laying_out_is_typed_as_well() throws Exception {
    press(place(4 * BAR + 960, 0));
    letGo(place(4 * BAR + 960, 0));
    ui.choose("page-clip");
    ui.run(() -> ui.field("clip-times").requestFocus());
    ui.run(() -> ui.field("clip-times").setText("x3"));
    type(KeyCode.ENTER);
    assertThat(clips(0)).isEqualTo("0-2 4-5 5-6 6-7 7-8");
    assertThat(firstFound("x 8")).isEqualTo("clip-repeat");
    assertThat(firstFound("lay out 12")).isEqualTo("clip-repeat");
  }

  @Test
  void what_is_asked_about_notes_is_seen_on_the_bench() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    type(KeyCode.CONTROL, KeyCode.D);
    assertThat(ui.get(() -> ui.session.doubts().isOn())).isTrue();
    assertThat(ui.get(() -> ui.node("roll"))).isNotNull();
    type(KeyCode.ESCAPE);
    type(KeyCode.F10);
    assertThat(ui.get(() -> ui.node("large-map"))).isNotNull();
    ui.run(() -> ui.session.chores().tryOut(Cleanup.FADE));
    assertThat(ui.get(() -> ui.node("large-map"))).isNull();
    assertThat(ui.get(() -> ui.node("roll"))).isNotNull();
  }

  @Test
  void clips_in_hand_that_find_no_track_are_told() throws Exception {
    stroke(place(BAR / 2, 0), place(BAR / 2, 1), With.CTRL);
    type(KeyCode.CONTROL, KeyCode.A);
    ui.choose("clip-in-hand");
    stroke(place(8 * BAR + 10, 1), place(8 * BAR + 960, 1));
    assertThat(clips(0)).as("as high as all find a track").contains("8-10");
    assertThat(clips(1)).isEqualTo("0-2 8-10");
    ui.run(() -> ui.session.open(Song.empty(), Optional.empty()));
    ui.run(map()::fit);
    stroke(place(10, 0), place(960, 0));
    assertThat(clips(0)).isEqualTo("0-2 4-5");
    assertThat(ui.text("notice")).startsWith("1 clip of those in hand found no track");
  }

  @Test
  void a_box_takes_clips_of_several_tracks_and_they_move_together() {
    stroke(place(BAR / 2, 0), place(BAR / 2, 1), With.CTRL);
    assertThat(clips(1)).isEqualTo("0-2");
    stroke(place(3 * BAR, 0), place(BAR, 1));
    assertThat(ui.get(() -> ui.session.document().selection().clips())).hasSize(2);
    stroke(place(BAR, 1), place(8 * BAR, 1));
    assertThat(clips(0)).isEqualTo("4-5 7-9");
    assertThat(clips(1)).isEqualTo("7-9");
  }

  @Test
  void all_of_it_is_done_by_keys_and_on_the_bench_they_mean_notes_again() throws Exception {
    press(place(BAR, 0));
    letGo(place(BAR, 0));
    type(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.RIGHT);
    assertThat(clips(0)).isEqualTo("1-3 4-5");
    type(KeyCode.CONTROL, KeyCode.DOWN);
    assertThat(clips(1)).isEqualTo("1-3");
    type(KeyCode.ALT, KeyCode.D);
    type(KeyCode.ALT, KeyCode.D);
    assertThat(clips(1)).isEqualTo("1-3 3-5 5-7");
    type(KeyCode.CONTROL, KeyCode.C);
    ui.run(() -> ui.session.runControl().seek(9 * BAR));
    type(KeyCode.CONTROL, KeyCode.V);
    assertThat(clips(1)).isEqualTo("1-3 3-5 5-7 9-11");
    type(KeyCode.DELETE);
    assertThat(clips(1)).isEqualTo("1-3 3-5 5-7");
    type(KeyCode.CONTROL, KeyCode.A);
    assertThat(ui.get(() -> ui.session.document().selection().clips())).hasSize(4);
    type(KeyCode.F10);
    ui.choose("map-large");
    type(KeyCode.ALT, KeyCode.N);
    type(KeyCode.F10);
    assertThat(ui.get(() -> ui.node("roll").getScene())).isNotNull();
    type(KeyCode.CONTROL, KeyCode.A);
    type(KeyCode.DELETE);
    assertThat(clips(1)).isEqualTo("1-3 3-5 5-7");
    assertThat(ui.get(() -> ui.session.document().track().noteCount())).isZero();
  }

  @Test
  void pressed_twice_a_clip_opens_on_the_bench_at_its_place() {
    mouse(MouseEvent.MOUSE_PRESSED, place(4 * BAR + 960, 0), With.TWICE);
    ui.run(() -> ui.stage.getScene().getRoot().layout());
    Point2D note = ui.get(() -> bench().placeOf(4 * BAR, 67));
    double width = ui.get(() -> ui.node("roll").getLayoutBounds().getWidth());
    assertThat(note.getX()).isBetween(-1.0, width / 4);
    ui.run(() -> ui.window.commands().get("delete").press().run());
    assertThat(clips(0)).as("on the bench Delete means notes").isEqualTo("0-2 4-5");
    assertThat(ui.get(() -> bench().placeOf(5 * BAR, 67).getX())).isBetween(width / 2, width + 1);
  }

  @Test
  void an_undo_while_a_clip_hangs_on_the_mouse_leaves_all_as_it_was() {
    ui.run(() -> ui.session.clips().traits().toggleMuted());
    press(place(BAR / 2, 0));
    drag(place(7 * BAR, 0));
    ui.run(() -> ui.session.editing().undo());
    drag(place(9 * BAR, 0));
    letGo(place(9 * BAR, 0));
    assertThat(ui.get(() -> ui.session.document().redoLabel())).isPresent();
    assertThat(ui.text("notice")).contains("left as it was");
  }

  @Test
  void while_a_recording_runs_clips_stay_where_they_are_and_that_is_told() throws Exception {
    ui.run(() -> ui.session.run().recordOrStop());
    stroke(place(BAR / 2, 0), place(6 * BAR, 0));
    assertThat(ui.text("notice")).startsWith("Stop recording first");
    ui.run(() -> ui.session.run().stop());
    assertThat(clips(0)).isEqualTo("0-2 4-5");
  }

  @Test
  void a_step_entered_on_the_map_makes_its_clip() throws Exception {
    ui.run(() -> ui.session.document().chooseTrack(ui.session.song().tracks().get(1).id()));
    ui.run(() -> ui.session.keysSwitch().set(KeysMode.STEPS));
    type(KeyCode.A);
    type(KeyCode.D);
    assertThat(clips(1)).isEqualTo("0-1");
    assertThat(ui.get(() -> ui.node("large-map").getScene())).isNotNull();
  }

  @Test
  void the_page_names_colours_and_transposes_and_a_note_recorded_there_stays_what_it_was()
      throws Exception {
    press(place(BAR, 0));
    letGo(place(BAR, 0));
    ui.choose("page-clip");
    ui.run(() -> ui.field("clip-name-field").requestFocus());
    ui.run(() -> ui.field("clip-name-field").setText("theme"));
    type(KeyCode.ENTER);
    ui.run(() -> ui.field("clip-transpose-field").requestFocus());
    ui.run(() -> ui.field("clip-transpose-field").setText("2"));
    type(KeyCode.ENTER);
    ui.press("clip-color-3");
    Clip clip = ui.get(() -> track().clips().get(0));
    assertThat(clip.traits().name()).isEqualTo("theme");
    assertThat(clip.traits().color()).isEqualTo(2);
    assertThat(pitchesOf(0)).containsExactly(62, 66);
    ui.run(() -> ui.field("clip-transpose-field").requestFocus());
    ui.run(() -> ui.field("clip-transpose-field").setText("99"));
    type(KeyCode.ENTER);
    assertThat(pitchesOf(0)).containsExactly(62, 66);
    type(KeyCode.ESCAPE);
    NewNote struck = new NewNote(70, 80, new Played(960, 1440));
    ui.run(
        () ->
            ui.session
                .editing()
                .edit(
                    "Recorded",
                    s -> NoteEdits.add(s, track().id(), List.of(struck), new TickRange(0, BAR))));
    assertThat(pitchesOf(0)).as("as it was struck").containsExactly(62, 70, 66);
  }

  @Test
  void what_is_put_on_the_shelf_is_a_file_and_can_be_laid_out_in_another_song() throws Exception {
    ui.run(() -> ui.window.shelf().keepIn(folder.resolve("shelf")));
    press(place(BAR, 0));
    letGo(place(BAR, 0));
    ui.run(() -> ui.session.clips().traits().rename("beat: one"));
    ui.choose("clip-shelve");
    ui.await(() -> ui.session.shelf().items().size() == 1);
    assertThat(folder.resolve("shelf").resolve("beat one.flail")).exists();
    SongFiles.standard().write(HarbourLamps.song(), folder.resolve("shelf").resolve("lamps.mid"));
    Files.writeString(folder.resolve("shelf").resolve("bad.flail"), "no song");
    ui.run(() -> ui.session.open(Song.empty(), Optional.empty()));
    ui.choose("page-shelf");
    ui.await(() -> ui.session.shelf().items().size() == 2);
    assertThat(ui.text("notice")).contains("Not on the shelf", "bad.flail");
    ui.run(() -> ui.session.clips().take(ui.session.shelf().items().getFirst().pattern()));
    ui.run(map()::fit);
    stroke(place(2 * BAR + 10, 0), place(5 * BAR, 0));
    assertThat(clips(0)).isEqualTo("2-4 4-6");
    assertThat(pitchesOf(1)).containsExactly(60, 64);
    ui.run(() -> ui.window.shelf().takeOff("beat one"));
    ui.await(() -> ui.session.shelf().items().size() == 1);
    Path aside = folder.resolve("shelf").resolve("taken off");
    assertThat(aside.resolve("beat one.flail")).exists();
    ui.run(() -> ui.window.shelf().put("beat one"));
    ui.await(() -> ui.session.shelf().items().size() == 2);
    ui.run(() -> ui.window.shelf().takeOff("beat one"));
    ui.await(() -> ui.session.shelf().items().size() == 1);
    assertThat(aside.resolve("beat one.flail")).as("the one before stays").exists();
    assertThat(aside.resolve("beat one 2.flail")).exists();
  }

  @Test
  void a_shelf_that_cannot_be_written_to_is_told() throws Exception {
    ui.run(() -> ui.window.shelf().keepIn(Path.of("/proc/self/shelf")));
    ui.choose("clip-shelve");
    ui.await(() -> ui.session.notices().current().warning());
    assertThat(ui.session.shelf().items()).isEmpty();
  }

  @Test
  void the_right_button_selects_a_clip_and_shows_what_can_be_done_to_it() {
    ui.run(() -> map().zoom(1.5));
    Point2D at = place(4 * BAR + 1900, 0);
    mouse(MouseEvent.MOUSE_PRESSED, at, With.RIGHT);
    mouse(MouseEvent.MOUSE_RELEASED, at, With.RIGHT);
    ui.run(
        () -> {
          Point2D screen = field().localToScreen(at);
          Point2D scene = field().localToScene(at);
          field()
              .fireEvent(
                  new ContextMenuEvent(
                      ContextMenuEvent.CONTEXT_MENU_REQUESTED,
                      scene.getX(),
                      scene.getY(),
                      screen.getX(),
                      screen.getY(),
                      false,
                      null));
        });
    ContextMenu menu =
        ui.get(
            () ->
                (ContextMenu)
                    Window.getWindows().stream()
                        .filter(w -> w instanceof ContextMenu c && "short-menu".equals(c.getId()))
                        .findFirst()
                        .orElseThrow());
    assertThat(ui.get(() -> ui.session.document().selection().clips()))
        .containsExactly(new ClipId(20));
    ui.run(
        () ->
            menu.getItems().stream()
                .filter(i -> "short-split-mouse".equals(i.getId()))
                .findFirst()
                .orElseThrow()
                .fire());
    assertThat(clips(0)).as("split where the button was pressed").isEqualTo("0-2 4-4.5 4.5-5");
    ui.run(menu::hide);
  }

  @Test
  void thirty_tracks_and_a_low_window_leave_the_map_whole() throws Exception {
    Song song = HarbourLamps.song();
    for (int i = 0; i < 26; i++) {
      song = SongEdits.addTrack(song, Instrument.melodic(0));
    }
    Song many = song;
    ui.run(() -> ui.session.open(many, Optional.empty()));
    ui.run(() -> ui.session.document().chooseTrack(many.tracks().getLast().id()));
    ui.run(() -> ui.stage.getScene().getRoot().layout());
    Point2D last = place(0, 29);
    assertThat(last.getY()).as("the chosen track is in sight").isBetween(0.0, fieldHeight());
  }

  private double fieldHeight() {
    return ui.get(() -> field().getLayoutBounds().getHeight());
  }

  private String firstFound(String words) {
    return ui.get(() -> new CommandSearch(ui.window.commands(), id -> 0).find(words).getFirst())
        .command()
        .id();
  }
}
