package flailbeat.core.session.settings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.core.capture.RecordingMode;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.notes.MoveStep;
import flailbeat.core.edit.notes.NoteResize;
import flailbeat.core.edit.notes.Stencil;
import flailbeat.core.format.FileFault;
import flailbeat.core.keys.ArrangementKind;
import flailbeat.core.keys.BendSettings;
import flailbeat.core.keys.KeyGhosting;
import flailbeat.core.keys.KeyLayout;
import flailbeat.core.keys.KeySign;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.keys.Touch;
import flailbeat.core.model.Song;
import flailbeat.core.pitch.Scale;
import flailbeat.core.playback.ClickSound;
import flailbeat.core.quantize.Groove;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.session.FakePlayer;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.MouseDrawing;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.session.run.RecordSettings;
import flailbeat.core.step.PatternFill;
import flailbeat.core.step.StepLength;
import flailbeat.core.step.StepSettings;
import flailbeat.core.time.Grid;
import flailbeat.core.time.NoteValue;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SettingsTest {
  @TempDir private Path folder;

  private static Session session() {
    return new Session(() -> 0, new FakePlayer(() -> 0));
  }

  @Test
  void what_was_set_is_there_again_the_next_time() throws IOException {
    Session before = session();
    before
        .performer()
        .setLayout(
            KeyLayout.learned(
                Map.of(PhysicalKey.A, new KeySign("DEAD_ACUTE", "")), KeyLayout.AZERTY));
    before.performer().arrange(ArrangementKind.SCALE, 2, Scale.DORIAN);
    before.performer().setTouch(new Touch(40, 100, 8, 30, 5, 12));
    before.performer().setBend(new BendSettings(12, 400));
    before.performer().chooseDevice(Optional.of("Harbour keys"));
    before
        .runControl()
        .setSettings(
            PlaySettings.standard()
                .withCountIn(new CountIn(3, CountIn.Unit.BEATS))
                .withClick(ClickSound.WOOD, 35));
    before
        .runControl()
        .setRecordSettings(
            RecordSettings.standard().withMode(RecordingMode.TAKES).withOffsetMs(23.4));
    before.runControl().setRepeat(true, NoteValue.triplet(8));
    before
        .keyboard()
        .setGhosting(new KeyGhosting(Set.of(Set.of(PhysicalKey.A, PhysicalKey.D, PhysicalKey.G))));
    QuantizeSettings own =
        QuantizeSettings.recommended()
            .withGrid(Grid.parse("1/16+1/8T"))
            .withLag(new Lag.Millis(12))
            .withGroove(new Groove("Ferry", 1, 40, List.of(new Groove.Slot(0, 480, 30, 90))));
    before.timing().setSettings(own);
    before.person().presets().keep("Mine", own.withLag(new Lag.Off()));
    before
        .steps()
        .set(
            StepSettings.standard()
                .withLength(StepLength.of(8).triplet())
                .withGate(60)
                .withAdds(true));
    before.steps().setPattern(new PatternFill(3, 2, -5));
    before
        .drawing()
        .set(
            new MouseDrawing.Kept(
                false,
                true,
                true,
                MouseDrawing.Start.TRACK,
                NoteResize.Together.PLACE,
                MoveStep.FIVE_MS));
    before
        .drawing()
        .stencils()
        .keep("Gallop", new Stencil(List.of(new Stencil.Part(0, 0, 240, 90)), 960));
    before.person().commandNumbers().give("repeat", 5);
    Path file = folder.resolve("deep/settings.json");
    SettingsFile.write(Settings.of(before), file);
    Session after = session();
    SettingsFile.read(file).orElseThrow().settings().applyTo(after);
    assertThat(Settings.of(after)).isEqualTo(Settings.of(before));
    assertThat(after.timing().settings()).isEqualTo(own);
    assertThat(after.performer().chosenDevice()).contains("Harbour keys");
    Files.writeString(file, Files.readString(file).replace("\"filter\"", "\"reach\""));
    assertThat(SettingsFile.read(file).orElseThrow().settings().quantize())
        .as("as earlier files call it")
        .isEqualTo(own);
    assertThat(after.timing().grid()).as("the bench shows the same lines").isEqualTo(own.grid());
    assertThat(after.performer().layout().placeOf("DEAD_ACUTE", "")).contains(PhysicalKey.A);
    assertThat(after.performer().layout().placeOf("S", "s")).contains(PhysicalKey.S);
    assertThat(after.runControl().repeater().isOn()).as("it would surprise").isFalse();
  }

  @Test
  void at_the_first_start_there_is_nothing_and_what_is_damaged_is_told() throws IOException {
    Path file = folder.resolve("settings.json");
    assertThat(SettingsFile.read(file)).isEmpty();
    Files.writeString(file, "{\"touch\":");
    assertThatThrownBy(() -> SettingsFile.read(file))
        .isInstanceOf(FileFault.class)
        .hasMessageContaining("are damaged");
  }

  @Test
  void of_damaged_settings_nothing_is_lost_but_what_is_damaged() throws IOException {
    Path file = folder.resolve("settings.json");
    Files.writeString(
        file,
        """
        {"touch": {"floor": 90, "ceiling": 10},
         "tonic": 2,
         "amounts": {"repeat-notes": 5, "split-parts": "many"},
         "chores": {
           "Sound": {"when": [], "then": "REMOVE", "amount": 0},
           "Slips": {"when": [], "then": "VANISH", "amount": 0},
           "Loud": {"when": [[{"of": "VELOCITY", "is": "ABOVE", "from": 900}]], "then": "MARK"}
         }}
        """);
    SettingsFile.Found found = SettingsFile.read(file).orElseThrow();
    assertThat(found.settings().tonic()).isEqualTo(2);
    assertThat(found.settings().amounts()).containsOnlyKeys("repeat-notes");
    assertThat(found.settings().chores()).containsOnlyKeys("Sound");
    assertThat(found.settings().touch()).isNull();
    assertThat(found.damage())
        .hasSize(4)
        .anyMatch(d -> d.contains("touch") && d.contains("not from 90 to 10"))
        .anyMatch(d -> d.contains("\u201csplit-parts\u201d: there is no \u201cmany\u201d"))
        .anyMatch(
            d -> d.contains("\u201cSlips\u201d: there is no \u201cVANISH\u201d, only MARK, REMOVE"))
        .anyMatch(d -> d.contains("\u201cLoud\u201d: The velocity goes from 1 to 127, not 900"));
  }

  @Test
  void it_lies_where_each_system_keeps_such_things() {
    Path home = Path.of("/home/ada");
    assertThat(SettingsPlace.of(Map.of(), "Linux", home))
        .isEqualTo(home.resolve(".config/flailbeat/settings.json"));
    assertThat(SettingsPlace.of(Map.of("XDG_CONFIG_HOME", "/etc/own"), "Linux", home))
        .isEqualTo(Path.of("/etc/own/flailbeat/settings.json"));
    assertThat(SettingsPlace.of(Map.of(), "Mac OS X", home))
        .isEqualTo(home.resolve("Library/Application Support/Flailbeat/settings.json"));
  }

  /** XDG Base Directory Specification 0.8: a place that is not absolute is to be passed over. */
  @Test
  void journals_lie_where_each_system_keeps_what_outlives_a_program() {
    Path home = Path.of("/home/ada");
    assertThat(StatePlace.of(Map.of(), "Linux", home))
        .isEqualTo(home.resolve(".local/state/flailbeat"));
    assertThat(StatePlace.of(Map.of("XDG_STATE_HOME", "/var/own"), "Linux", home))
        .isEqualTo(Path.of("/var/own/flailbeat"));
    assertThat(StatePlace.of(Map.of("XDG_STATE_HOME", "own"), "Linux", home))
        .isEqualTo(home.resolve(".local/state/flailbeat"));
    assertThat(StatePlace.of(Map.of(), "Mac OS X", home))
        .isEqualTo(home.resolve("Library/Application Support/Flailbeat/State"));
    assertThat(StatePlace.of(Map.of("LOCALAPPDATA", "/c/Local"), "Windows 11", home))
        .isEqualTo(Path.of("/c/Local/Flailbeat"));
  }

  @Test
  void songs_used_lately_come_back_the_latest_first_each_once() throws IOException {
    Path file = folder.resolve("settings.json");
    Session session = new Session(() -> 0, new FakePlayer(() -> 0));
    session.person().songs().used("/a.flail", HarbourLamps.song(), 5);
    session.person().songs().used("/b.flail", Song.empty(), 6);
    session.person().songs().used("/a.flail", HarbourLamps.song(), 7);
    session.person().songs().setReopens(true);
    session.person().songs().setAutosaveMinutes(5);
    SettingsFile.write(Settings.of(session), file);
    Session later = new Session(() -> 0, new FakePlayer(() -> 0));
    SettingsFile.read(file).orElseThrow().settings().applyTo(later);
    assertThat(later.person().songs().kept()).isEqualTo(session.person().songs().kept());
    assertThat(later.person().songs().kept().recent())
        .extracting(r -> r.path() + " " + r.millis() + " " + r.length())
        .containsExactly("/a.flail 7 0:40", "/b.flail 6 0:00");
  }
}
