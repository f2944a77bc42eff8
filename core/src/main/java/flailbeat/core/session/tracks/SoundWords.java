package flailbeat.core.session.tracks;

import flailbeat.core.model.sound.GeneralMidi;
import flailbeat.core.model.sound.Instrument;
import java.util.Locale;
import java.util.Map;

/** By which other words people look for a sound than by its name; common practice. */
final class SoundWords {
  private static final Map<Integer, String> OTHERS =
      Map.ofEntries(
          Map.entry(0, "concert piano"),
          Map.entry(1, "upright piano pop"),
          Map.entry(3, "saloon ragtime detuned"),
          Map.entry(4, "e-piano tine stage"),
          Map.entry(5, "e-piano fm"),
          Map.entry(6, "cembalo baroque"),
          Map.entry(7, "clavinet funk"),
          Map.entry(8, "bells"),
          Map.entry(9, "bells orchestra bells"),
          Map.entry(11, "vibes mallets"),
          Map.entry(12, "mallets wood"),
          Map.entry(13, "mallets wood"),
          Map.entry(14, "chimes church bells"),
          Map.entry(15, "hammered santur cimbalom"),
          Map.entry(16, "tonewheel jazz gospel"),
          Map.entry(19, "pipe organ cathedral"),
          Map.entry(20, "harmonium"),
          Map.entry(22, "blues harp mouth organ"),
          Map.entry(23, "bandoneon"),
          Map.entry(24, "classical spanish acoustic"),
          Map.entry(25, "folk western acoustic"),
          Map.entry(28, "palm mute"),
          Map.entry(29, "crunch drive rock"),
          Map.entry(30, "metal heavy lead"),
          Map.entry(32, "double bass upright contrabass string bass jazz"),
          Map.entry(33, "bass guitar e-bass"),
          Map.entry(34, "bass guitar plectrum"),
          Map.entry(38, "acid analog"),
          Map.entry(43, "double bass bowed string bass"),
          Map.entry(45, "plucked strings"),
          Map.entry(47, "kettledrum"),
          Map.entry(48, "orchestra violins strings"),
          Map.entry(49, "slow strings orchestra"),
          Map.entry(52, "voices choir"),
          Map.entry(53, "voices choir humming"),
          Map.entry(55, "stab"),
          Map.entry(60, "horns"),
          Map.entry(64, "saxophone"),
          Map.entry(65, "saxophone"),
          Map.entry(66, "saxophone"),
          Map.entry(67, "saxophone"),
          Map.entry(69, "cor anglais"),
          Map.entry(74, "blockflute"),
          Map.entry(75, "panpipes"),
          Map.entry(80, "chip square wave synth"),
          Map.entry(81, "saw wave synth"),
          Map.entry(88, "fantasia"),
          Map.entry(89, "soft analog"),
          Map.entry(109, "bagpipes"),
          Map.entry(110, "folk violin"),
          Map.entry(114, "steel pan steelpan"),
          Map.entry(116, "big drum"),
          Map.entry(122, "waves sea wind noise"),
          Map.entry(126, "clapping crowd"),
          Map.entry(127, "shot"));

  private SoundWords() {}

  /** All words by which a sound is found, in small letters. */
  static String of(Instrument instrument) {
    String family =
        instrument.kit()
            ? "kit drums percussion drum set"
            : GeneralMidi.families().get(GeneralMidi.family(instrument.program()));
    String own = instrument.own().isNone() ? "" : instrument.own().file();
    String others =
        instrument.kit() || !instrument.own().isNone()
            ? ""
            : OTHERS.getOrDefault(instrument.program(), "");
    return String.join(" ", instrument.title(), family, own, others).toLowerCase(Locale.ROOT);
  }
}
