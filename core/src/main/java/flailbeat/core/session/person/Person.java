package flailbeat.core.session.person;

import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.session.document.Changes;

/** What a person keeps for every song: ways, numbers, looks and keys of their own. */
public final class Person {
  private final Named<QuantizeSettings> presets;
  private final CommandNumbers commandNumbers;
  private final CommandUse commandUse;
  private final FirstSteps firstSteps;
  private final Ease ease;
  private final Folds folds;
  private final Appearance appearance;
  private final KeySets keySets;
  private final SoundTaste taste;
  private final SongsAtHand songs;

  public Person(Changes changes) {
    presets = new Named<>(changes);
    commandNumbers = new CommandNumbers(changes);
    commandUse = new CommandUse(changes);
    firstSteps = new FirstSteps(changes);
    ease = new Ease(changes);
    folds = new Folds(changes);
    appearance = new Appearance(changes);
    keySets = new KeySets(changes);
    taste = new SoundTaste(changes);
    songs = new SongsAtHand(changes);
  }

  /** Ways to quantize. */
  public Named<QuantizeSettings> presets() {
    return presets;
  }

  /** The numbers that commands go by. */
  public CommandNumbers commandNumbers() {
    return commandNumbers;
  }

  /** Which commands are chosen often. */
  public CommandUse commandUse() {
    return commandUse;
  }

  /** What a newcomer has done so far. */
  public FirstSteps firstSteps() {
    return firstSteps;
  }

  /** What makes keys easier to press. */
  public Ease ease() {
    return ease;
  }

  /** Which rooms of the window are folded. */
  public Folds folds() {
    return folds;
  }

  /** How the window looks. */
  public Appearance appearance() {
    return appearance;
  }

  /** Keys for commands. */
  public KeySets keySets() {
    return keySets;
  }

  /** The files that were used last, and how songs are opened and saved. */
  public SongsAtHand songs() {
    return songs;
  }

  /** Which sounds the person likes. */
  public SoundTaste taste() {
    return taste;
  }
}
