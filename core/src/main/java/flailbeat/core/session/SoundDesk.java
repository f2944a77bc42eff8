package flailbeat.core.session;

import flailbeat.core.playback.SoundSettings;

/** Where sound goes, as the person has chosen, and what was found to work there. */
public final class SoundDesk {
  private final Changes changes;
  private SoundSettings settings = SoundSettings.standard();

  SoundDesk(Changes changes) {
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
