package flailbeat.core.session.settings;

import flailbeat.core.chore.Chore;
import flailbeat.core.edit.notes.Stencil;
import flailbeat.core.keys.ArrangementKind;
import flailbeat.core.keys.BendSettings;
import flailbeat.core.keys.KeyGhosting;
import flailbeat.core.keys.KeyLayout;
import flailbeat.core.keys.KeySign;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.keys.Touch;
import flailbeat.core.pitch.Scale;
import flailbeat.core.playback.SoundSettings;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.lag.KnownLag;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.LaneActions;
import flailbeat.core.session.bench.MouseDrawing;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.person.Appearance;
import flailbeat.core.session.person.FirstSteps;
import flailbeat.core.session.person.Folds;
import flailbeat.core.session.person.KeySets;
import flailbeat.core.session.person.SongsAtHand;
import flailbeat.core.session.person.SoundTaste;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.session.run.RecordSettings;
import flailbeat.core.step.PatternFill;
import flailbeat.core.step.StepSettings;
import flailbeat.core.time.NoteValue;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a person has set and would not like to set again; what is missing is as at the very first
 * start.
 *
 * @param layout the name of a layout; see {@link KeyLayout}
 * @param learned what was learned of each key, where the layout was learned
 * @param midiInput the name of the MIDI input device that was chosen
 * @param arrangement for tracks that are no kits
 * @param kits the arrangement for kits
 * @param used how often each command was chosen where commands are looked for
 * @param blocked combinations of keys that the keyboard does not let through
 */
public record Settings(
    String layout,
    Map<PhysicalKey, KeySign> learned,
    ArrangementKind arrangement,
    Integer tonic,
    Scale scale,
    Touch touch,
    BendSettings bend,
    PlaySettings play,
    RecordSettings record,
    NoteValue repeat,
    QuantizeSettings quantize,
    Map<String, QuantizeSettings> presets,
    Set<Set<PhysicalKey>> blocked,
    SoundSettings sound,
    Set<Folds.WindowPart> folded,
    KeySets.Kept keys,
    StepSettings steps,
    PatternFill pattern,
    MouseDrawing.Kept drawing,
    Map<String, Stencil> stencils,
    Map<String, Integer> amounts,
    Map<String, KnownLag> lags,
    LaneActions.Kept lanes,
    Map<String, Chore> chores,
    String midiInput,
    Appearance.Kept appearance,
    Boolean linkedClips,
    ArrangementKind kits,
    SoundTaste.Kept sounds,
    SongsAtHand.Kept songs,
    Set<Folds.Extra> extras,
    Map<String, Integer> used,
    FirstSteps.Kept firstSteps,
    Boolean latching) {

  /** What is set in a session now. */
  public static Settings of(Session session) {
    Performer performer = session.performer();
    return new Settings(
        performer.layout().name(),
        performer.layout().signs(),
        session.trackHands().usual(),
        performer.tonic(),
        performer.scale(),
        performer.hands().touch(),
        performer.pedals().settings(),
        session.runControl().settings(),
        session.runControl().recordSettings(),
        session.runControl().repeater().value(),
        session.timing().settings(),
        session.person().presets().all(),
        session.keyboard().ghosting().combinations(),
        session.sound().settings(),
        session.person().folds().folded(),
        session.person().keySets().kept(),
        session.steps().settings().withOntoRhythm(false),
        session.steps().pattern(),
        session.drawing().kept(),
        session.drawing().stencils().all(),
        session.person().commandNumbers().all(),
        session.lags().all(),
        session.lanes().kept(),
        session.chores().own().all(),
        performer.chosenDevice().orElse(null),
        session.person().appearance().kept(),
        session.clips().isLinking(),
        session.trackHands().usualForKits(),
        session.person().taste().kept(),
        session.person().songs().kept(),
        session.person().folds().open(),
        session.person().commandUse().all(),
        session.person().firstSteps().kept(),
        session.person().ease().isLatching());
  }

  /** Sets it all in a session, as far as it is there. */
  public void applyTo(Session session) {
    Performer performer = session.performer();
    applyLayout(performer);
    performer.chooseDevice(Optional.ofNullable(midiInput));
    if (arrangement != null) {
      performer.arrange(
          arrangement, tonic == null ? 0 : tonic, scale == null ? Scale.MAJOR : scale);
      session.trackHands().setUsual(arrangement, kits == null ? ArrangementKind.PADS : kits);
    }
    if (sounds != null) {
      session.person().taste().set(sounds);
    }
    if (extras != null) {
      session.person().folds().setOpen(extras);
    }
    if (songs != null) {
      session.person().songs().set(songs);
    }
    if (touch != null) {
      performer.setTouch(touch);
    }
    if (bend != null) {
      performer.setBend(bend);
    }
    if (play != null) {
      session.runControl().setSettings(play);
    }
    if (record != null) {
      session.runControl().setRecordSettings(record);
    }
    if (repeat != null) {
      session.runControl().setRepeat(false, repeat);
    }
    if (quantize != null) {
      session.timing().setSettings(quantize);
    }
    if (presets != null) {
      session.person().presets().setAll(presets);
    }
    if (sound != null) {
      session.sound().set(sound);
    }
    if (linkedClips != null) {
      session.clips().setLinking(linkedClips);
    }
    if (appearance != null) {
      session.person().appearance().set(appearance);
    }
    if (folded != null) {
      session.person().folds().setFolded(folded);
    }
    if (keys != null) {
      session.person().keySets().setAll(keys);
    }
    if (steps != null) {
      session.steps().set(steps);
    }
    if (pattern != null) {
      session.steps().setPattern(pattern);
    }
    if (drawing != null) {
      session.drawing().set(drawing);
    }
    if (stencils != null) {
      session.drawing().stencils().setAll(stencils);
    }
    if (lags != null) {
      session.lags().setAll(lags);
    }
    if (lanes != null) {
      session.lanes().set(lanes);
    }
    if (chores != null) {
      session.chores().own().setAll(chores);
    }
    if (amounts != null) {
      session.person().commandNumbers().setAll(amounts);
    }
    if (firstSteps != null) {
      session.person().firstSteps().set(firstSteps);
    }
    if (latching != null) {
      session.person().ease().setLatching(latching);
    }
    if (used != null) {
      session.person().commandUse().setAll(used);
    }
    if (blocked != null) {
      session.keyboard().setGhosting(new KeyGhosting(blocked));
    }
  }

  private void applyLayout(Performer performer) {
    if (layout != null && layout.equals(KeyLayout.LEARNED) && learned != null) {
      performer.setLayout(KeyLayout.learned(learned, KeyLayout.QWERTY));
    } else if (layout != null) {
      KeyLayout.named(layout).ifPresent(performer::setLayout);
    }
  }
}
