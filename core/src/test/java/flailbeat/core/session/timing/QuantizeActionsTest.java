package flailbeat.core.session.timing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.Selection;
import flailbeat.core.files.SongFiles;
import flailbeat.core.journal.SavedFile;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.PhraseBeat.Taking;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.session.FakePlayer;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.run.NoteVersion;
import flailbeat.core.time.Grid;
import flailbeat.core.time.TickRange;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** With the demo open: its lead is late, with three doubtful notes. 96 bpm: a bar lasts 2.5 s. */
class QuantizeActionsTest {
  private static final long MS = 1_000_000;

  private long nowMs = 5_000;
  private final FakePlayer player = new FakePlayer(() -> nowMs * MS);
  private final Session session = new Session(() -> nowMs * MS, player);
  private final DoubtWalk walk = session.doubts();
  @TempDir private Path folder;

  @BeforeEach
  void openDemo() {
    session.open(HarbourLamps.song(), Optional.empty());
  }

  private List<Note> lamps() {
    return session.song().tracks().get(0).notes();
  }

  private Note lamp(NoteId id) {
    return lamps().stream().filter(n -> n.id().equals(id)).findFirst().orElseThrow();
  }

  private NotePlan asked() {
    return walk.current().orElseThrow().notes().getFirst();
  }

  @Test
  void three_keys_decide_three_doubtful_notes_and_quantizing_obeys() {
    session.doubts().start();
    assertThat(walk.left()).isEqualTo(3);
    assertThat(walk.says()).startsWith("Doubtful 1 of 3");
    NotePlan first = asked();
    assertThat(player.sounding).as("it sounds").hasSize(1);
    walk.choose(false);
    NotePlan second = asked();
    walk.choose(true);
    NotePlan third = asked();
    Optional<Notice> said = walk.keep();
    assertThat(said.orElseThrow().text()).contains("Every doubtful note is decided");
    assertThat(walk.isOn()).isFalse();
    assertThat(player.sounding).as("none hangs").isEmpty();
    session.quantizing().quantize();
    assertThat(lamp(first.note().id()).onset())
        .isEqualTo(Math.min(first.line(), first.otherLine()));
    assertThat(lamp(second.note().id()).onset())
        .isEqualTo(Math.max(second.line(), second.otherLine()));
    assertThat(lamp(third.note().id()).onset()).isEqualTo(third.line());
  }

  @Test
  void a_doubtful_end_is_decided_by_the_same_keys_and_stays_where_it_was_put() {
    session.timing().setSettings(session.timing().settings().withEnds(QuantizeSettings.Ends.MEANT));
    int lines = session.timing().plan().doubtful();
    int ends = session.timing().plan().doubtfulEnds();
    assertThat(ends).isPositive();
    walk.start();
    while (!walk.current().orElseThrow().ofEnds()) {
      walk.keep();
      lines--;
    }
    assertThat(lines).as("lines are asked of first").isZero();
    DoubtWalk.Question question = walk.current().orElseThrow();
    assertThat(walk.says()).contains("later end");
    boolean later = question.other() > question.likely();
    walk.choose(later);
    NoteId first = question.notes().getFirst().note().id();
    assertThat(session.timing().plan().doubtfulEnds()).isLessThan(ends);
    while (walk.isOn()) {
      walk.keep();
    }
    assertThat(session.timing().plan().doubtfulEnds()).isZero();
    session.quantizing().quantize();
    assertThat(lamp(first).end()).isEqualTo(question.other());
  }

  @Test
  void the_walk_goes_on_and_back_without_deciding_and_ends_when_another_song_is_opened() {
    session.doubts().start();
    NoteId first = asked().note().id();
    walk.step(1);
    assertThat(asked().note().id()).isNotEqualTo(first);
    walk.step(-1);
    assertThat(asked().note().id()).isEqualTo(first);
    assertThat(walk.left()).isEqualTo(3);
    nowMs += 1000;
    session.tick();
    assertThat(player.sounding).as("a sounded note ends by itself").isEmpty();
    session.open(Song.empty(), Optional.empty());
    assertThat(walk.isOn()).isFalse();
    session.doubts().start();
    assertThat(session.notices().current().text()).contains("No note is doubtful");
  }

  @Test
  void the_keys_switch_takes_the_keys_from_the_walk() {
    session.doubts().start();
    session.keysSwitch().set(flailbeat.core.keys.KeysMode.COMMANDS);
    assertThat(walk.isOn()).isFalse();
    assertThat(walk.says()).isEmpty();
  }

  @Test
  void the_lag_alone_is_taken_out_and_the_feel_is_kept() {
    double lag = session.timing().plan().timing().lagMs();
    List<Long> before = lamps().stream().map(Note::onset).toList();
    session.quantizing().takeOutLag();
    assertThat(session.notices().current().text()).contains("late").contains("feel");
    long moved = before.get(5) - lamps().get(5).onset();
    assertThat(moved / 1.536).isCloseTo(lag, within(1.0));
    assertThat(before.get(9) - lamps().get(9).onset()).isCloseTo(moved, within(1L));
  }

  @Test
  void as_played_comes_back_for_any_selection_after_saving_and_reopening() throws IOException {
    List<Long> played = lamps().stream().map(Note::onset).toList();
    session.quantizing().quantize();
    Path file = folder.resolve("lamps.flail");
    SongFiles.standard().write(session.song(), file);
    session.open(SongFiles.standard().read(file).song(), Optional.of(SavedFile.of(file)));
    session
        .document()
        .select(Selection.ofNotes(java.util.Set.of(lamps().get(4).id(), lamps().get(7).id())));
    session.quantizing().bringBackPlayed();
    assertThat(lamps().get(4).onset()).isEqualTo(played.get(4));
    assertThat(lamps().get(7).onset()).isEqualTo(played.get(7));
    assertThat(lamps().get(5).onset() % 240).as("not selected").isZero();
  }

  @Test
  void rounds_alternate_between_as_played_and_as_quantized() {
    session.run().loop(new TickRange(0, 3840));
    session.run().compareRounds();
    assertThat(session.timing().version()).isEqualTo(NoteVersion.PLAYED);
    nowMs += 2_300;
    session.tick();
    assertThat(player.log).as("the next round is made ready in time").contains("ready");
    nowMs += 300;
    session.tick();
    assertThat(session.timing().version()).isEqualTo(NoteVersion.QUANTIZED);
    nowMs += 2_500;
    session.tick();
    assertThat(session.timing().version()).isEqualTo(NoteVersion.PLAYED);
    session.run().stop();
    assertThat(session.timing().version()).isEqualTo(NoteVersion.STANDING);
    assertThat(session.runControl().isComparing()).isFalse();
  }

  @Test
  void all_tracks_are_quantized_each_with_a_lag_of_its_own() {
    Song before = session.song();
    session.quantizing().quantizeAllTracks();
    assertThat(session.notices().current().text())
        .contains("Lamps")
        .contains("late")
        .doesNotContain("Hull");
    assertThat(session.song().tracks().get(1)).isEqualTo(before.tracks().get(1));
    assertThat(lamps()).allMatch(n -> n.onset() % 240 == 0);
    session.editing().undo();
    assertThat(session.song()).isSameAs(before);
  }

  @Test
  void a_stretch_of_the_histogram_selects_its_notes() {
    session.timing().selectDeviating(60, Double.MAX_VALUE);
    assertThat(session.document().selection().notes()).isNotEmpty().hasSizeLessThan(20);
    double[] off = session.timing().plan().timing().deviationsMs();
    assertThat(off).hasSize(session.document().selection().notes().size());
  }

  /** Eighths at 120 bpm, all 83 ms late, or else 42 ms early of the sixteenths that follow. */
  @Test
  void what_was_recorded_with_a_calibrated_offset_is_expected_to_be_nearly_in_time() {
    List<Note> late = new java.util.ArrayList<>();
    for (int i = 0; i < 6; i++) {
      long onset = i * 480L + 160;
      late.add(
          Note.asPlayed(
              new NoteId(i + 1L), 60, 80, new flailbeat.core.model.Played(onset, onset + 200)));
    }
    Song song = Song.empty().withNextId(100);
    Song with =
        song.mapTracks(
            t -> t.withClips(List.of(Clip.around(new ClipId(90), late, List.of(), song.meters()))));
    session.open(with, Optional.empty());
    assertThat(session.timing().plan().timing().lagMs()).isCloseTo(83, within(1.0));
    double before = early(session.timing().plan());
    assertThat(before).as("told, and less likely").isBetween(0.05, 0.5);
    session.runControl().setRecordSettings(session.runControl().recordSettings().withOffsetMs(30));
    assertThat(early(session.timing().plan())).as("now it is likelier").isGreaterThan(before + 0.1);
    assertThat(session.timing().settings().lag()).as("as it was set").isEqualTo(new Lag.Auto());
  }

  /** How likely it is that everything was early. */
  private static double early(QuantizePlan plan) {
    return plan.readings().stream()
        .filter(r -> r.lagMs() < -30)
        .mapToDouble(QuantizePlan.WholeReading::weight)
        .sum();
  }

  @Test
  void another_reading_is_taken_by_the_lag_that_it_means() {
    session.timing().takeReading(new QuantizePlan.WholeReading(-66, 0.3, 1));
    assertThat(session.timing().settings().lag()).isEqualTo(new Lag.Millis(-66));
  }

  @Test
  void a_reading_that_swings_is_taken_by_its_lines_and_the_lag_is_still_found() {
    QuantizePlan.Lines swung = new QuantizePlan.Lines(Grid.parse("1/8"), 62);
    session.timing().takeReading(new QuantizePlan.WholeReading(20, 0.9, 0, Optional.of(swung)));
    assertThat(session.timing().settings().grid()).isEqualTo(swung.grid());
    assertThat(session.timing().settings().swing()).isEqualTo(62);
    assertThat(session.timing().settings().lag()).isEqualTo(new Lag.Auto());
  }

  @Test
  void the_beat_of_the_lead_is_found_heard_and_taken() {
    session.beat().find();
    assertThat(session.beat().guesses().get(0).bpm()).isCloseTo(96, within(1.0));
    assertThat(session.beat().beatTicks()).hasSizeGreaterThan(60);
    session.beat().hear();
    assertThat(player.playing).isTrue();
    assertThat(player.plan().clicks().size()).isGreaterThan(60);
    session.run().stop();
    Song before = session.song();
    session.beat().take(Taking.PHRASE_FITS);
    assertThat(session.beat().isOn()).isFalse();
    assertThat(lamps()).hasSameSizeAs(before.tracks().get(0).notes());
    session.editing().undo();
    assertThat(session.song()).isSameAs(before);
  }

  @Test
  void presets_are_kept_by_name_and_a_name_is_needed() {
    QuantizeSettings own = session.timing().settings().withStrength(70);
    session.person().presets().keep(" Soft ", own);
    session.timing().setSettings(session.person().presets().all().get("Soft"));
    assertThat(session.timing().settings()).isEqualTo(own);
    org.assertj.core.api.Assertions.assertThatThrownBy(
            () -> session.person().presets().keep(" ", own))
        .hasMessageContaining("name");
    session.person().presets().remove("Soft");
    assertThat(session.person().presets().all()).isEmpty();
  }

  @Test
  void notes_of_the_same_pitches_are_selected() {
    session.document().select(Selection.ofNotes(java.util.Set.of(lamps().get(0).id())));
    session.quantizing().selectSamePitches();
    int pitch = lamps().get(0).pitch();
    long alike = lamps().stream().filter(n -> n.pitch() == pitch).count();
    assertThat(session.document().selection().notes()).hasSize((int) alike);
  }

  @Test
  void what_is_to_be_decided_is_as_many_notes_as_are_doubtful_and_says_in_how_many_steps() {
    session.open(Song.empty(), Optional.empty());
    Random random = new Random(3);
    List<NoteEdits.NewNote> many = new ArrayList<>();
    for (int i = 0; i < 400; i++) {
      long onset = random.nextInt(30_000);
      many.add(new NoteEdits.NewNote(40 + i % 40, 90, new Played(onset, onset + 100)));
    }
    session
        .editing()
        .edit(
            "Many", s -> NoteEdits.add(s, s.tracks().get(0).id(), many, new TickRange(0, 30_000)));
    int doubtful = session.timing().plan().doubtful();
    assertThat(doubtful).isGreaterThan(session.doubts().left());
    assertThat(session.doubts().offer())
        .isEqualTo("Decide " + doubtful + " in " + session.doubts().left() + " steps");
    session.doubts().start();
    assertThat(session.doubts().says()).startsWith("Step 1 of " + session.doubts().left());
  }
}
