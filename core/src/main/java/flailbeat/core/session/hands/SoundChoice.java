package flailbeat.core.session.hands;

import flailbeat.core.playback.SoundSettings;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;

/** Where sound goes, as the person has chosen, and what was found to work there. */
public final class SoundChoice {
  private final Changes changes;
  private SoundSettings settings = SoundSettings.standard();

  public SoundChoice(Changes changes) {
    this.changes = changes;
  }

  public SoundSettings settings() {
    return settings;
  }

  public void set(SoundSettings value) {
    if (!value.equals(settings)) {
      settings = value;
      changes.fire(Aspect.SETTINGS);
    }
  }
}
