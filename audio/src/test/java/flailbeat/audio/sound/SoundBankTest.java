package flailbeat.audio.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.audio.TestSounds;
import flailbeat.audio.synth.Synth;
import flailbeat.core.model.sound.GeneralMidi;
import flailbeat.core.model.sound.Instrument;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.DoubleSummaryStatistics;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** The sounds that ship: all of General MIDI's, as themselves, even and in tune. */
class SoundBankTest {
  /** General MIDI level 1 has 128 programs and a kit; level 2 names more kits. */
  @Test
  void every_program_and_eight_kits_have_a_preset_of_their_own() throws Exception {
    Set<String> addresses = new HashSet<>();
    SoundLibrary library = new SoundLibrary();
    for (int program = 0; program < GeneralMidi.PROGRAMS; program++) {
      PlayedInstrument played = library.prepare(Instrument.melodic(program));
      addresses.add(played.bank() + " " + played.program());
      assertThat(played.keys().sounds(48)).as(GeneralMidi.title(program)).isTrue();
    }
    for (int kit : GeneralMidi.kits()) {
      PlayedInstrument played = library.prepare(Instrument.kit(kit));
      addresses.add(played.bank() + " " + played.program());
      // The percussion key map of level 1 goes from 35 to 81.
      // The bank that ours is cut from leaves three of them out of the analog kit.
      assertThat(IntStream.rangeClosed(35, 81).filter(k -> !played.keys().sounds(k)).boxed())
          .as(GeneralMidi.kitTitle(kit))
          .isEqualTo(kit == 25 ? List.of(58, 65, 66) : List.of());
    }
    assertThat(addresses).hasSize(GeneralMidi.PROGRAMS + 8);
    assertThat(Sound.playing(Instrument.kit(26)).instrument()).isEqualTo(Instrument.kit(25));
  }

  @Test
  void the_sounds_are_small_enough_to_ship_and_their_licence_is_beside_them() throws IOException {
    Map<String, Long> sizes = new HashMap<>();
    for (Sound sound : Sound.all()) {
      if (!sizes.containsKey(sound.file())) {
        try (InputStream in = sound.open()) {
          sizes.put(sound.file(), (long) in.readAllBytes().length);
        }
      }
    }
    assertThat(sizes.values().stream().mapToLong(s -> s).sum()).isLessThan(60_000_000);
    assertThat(sizes.values()).allMatch(s -> s < 7_500_000);
    try (InputStream in = Sound.class.getResourceAsStream("SOUNDS-LICENCE.txt")) {
      assertThat(new String(in.readAllBytes())).contains("MIT", "Frank Wen");
    }
  }

  /**
   * EBU R 128: a sine of 1 kHz at -23 dBFS in both channels has -23 LUFS (EBU Tech 3341, test 1),
   * and one of 997 Hz at 0 dBFS in one has -3.01 LKFS (ITU-R BS.1770-4).
   */
  @Test
  void the_meter_of_loudness_reads_what_the_standards_say() {
    double[] tone = sine(1000, Math.pow(10, -23 / 20.0));
    assertThat(Loudness.integrated(tone, tone, 44_100)).isCloseTo(-23, within(0.1));
    double[] full = sine(997, 1);
    assertThat(Loudness.integrated(full, new double[full.length], 48_000 * 44_100 / 48_000))
        .isCloseTo(-3.01, within(0.1));
  }

  private static double[] sine(double hertz, double level) {
    double[] result = new double[5 * 44_100];
    for (int i = 0; i < result.length; i++) {
      result[i] = level * Math.sin(2 * Math.PI * hertz * i / 44_100);
    }
    return result;
  }

  @Test
  void all_programs_are_about_as_loud_as_one_another() {
    DoubleSummaryStatistics loudness =
        IntStream.range(0, GeneralMidi.PROGRAMS)
            .mapToDouble(p -> SoundMeasure.loudness(Instrument.melodic(p)))
            .summaryStatistics();
    assertThat(loudness.getMax() - loudness.getMin()).isLessThan(6);
  }

  /** ISO 16:1975, equal temperament around 440 Hz: the middle of two A's, within 5 cents. */
  @Test
  void programs_that_have_a_pitch_are_in_tune() {
    List<String> off = new ArrayList<>();
    for (int program = 0; program < GeneralMidi.PROGRAMS; program++) {
      if (SoundMeasure.isTonal(program)) {
        Instrument instrument = Instrument.melodic(program);
        double middle =
            IntStream.of(SoundMeasure.tuned(instrument))
                .mapToDouble(p -> SoundMeasure.cents(instrument, p).orElseThrow())
                .average()
                .orElseThrow();
        if (Math.abs(middle) > 5) {
          off.add(instrument.title() + " by " + middle);
        }
      }
    }
    assertThat(off).isEmpty();
  }

  /**
   * Each drum that is there is heard, and from the middle or its own side of it: a snare once was
   * silent, since the JDK's director lost count of presets whose ranges do not meet.
   */
  @Test
  void every_drum_of_every_kit_is_heard() {
    List<String> silent = new ArrayList<>();
    for (int kit : GeneralMidi.kits()) {
      Instrument instrument = Instrument.kit(kit);
      try (Synth synth = TestSounds.synth()) {
        TestSounds.load(synth, instrument);
        synth.choose(0, instrument);
        for (int key = 35; key <= 81; key++) {
          boolean missing = kit == 25 && Set.of(58, 65, 66).contains(key);
          if (!missing && !isHeard(synth, key)) {
            silent.add(instrument.title() + " " + key);
          }
        }
      }
    }
    assertThat(silent).isEmpty();
  }

  private static boolean isHeard(Synth synth, int key) {
    float[] block = new float[2 * Synth.BLOCK_FRAMES];
    double left = 0;
    double right = 0;
    synth.noteOn(0, key, 96);
    for (int i = 0; i < 60; i++) {
      synth.render(block);
      for (int k = 0; k < block.length; k += 2) {
        left += block[k] * block[k];
        right += block[k + 1] * block[k + 1];
      }
    }
    synth.silence();
    for (int i = 0; i < 4; i++) {
      synth.render(block);
    }
    return left + right > 1e-3 && Math.min(left, right) > 0.02 * Math.max(left, right);
  }
}
