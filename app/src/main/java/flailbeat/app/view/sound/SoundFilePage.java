package flailbeat.app.view.sound;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Form;
import flailbeat.app.control.Segments;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.Page;
import flailbeat.app.view.base.PageBox;
import flailbeat.audio.wav.WavSettings;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;

/** Writes what is heard to sound files. */
public final class SoundFilePage extends PageBox {
  private final Session session;
  private final Segments<Boolean> what;
  private final Segments<Integer> bits;
  private final Segments<Integer> rate;
  private final CheckBox apart;
  private final Label says = Form.remark("");
  private WavSettings settings = WavSettings.STANDARD;
  private boolean loop;

  /** Writes sound files. */
  @FunctionalInterface
  public interface Writer {
    /**
     * Asks where to, and writes.
     *
     * @param loop the loop alone, not the whole song
     * @param apart each track by itself
     */
    void write(WavSettings settings, boolean loop, boolean apart);
  }

  public static Page page(Session session, Writer writer) {
    return new Page(
        "sound-file",
        "Sound file",
        "",
        "What is heard, as WAV files",
        "",
        "M3 9 H5 M6 5 V13 M9 2 V16 M12 6 V12 M15 4 V14 M18 8 V10",
        () -> new SoundFilePage(session, writer));
  }

  private SoundFilePage(Session session, Writer writer) {
    super("sound-file-page");
    this.session = session;
    what =
        new Segments<Boolean>(
                v -> {
                  loop = v;
                  refresh();
                })
            .add(false, "Song", "From its start to the end of its last bar with notes")
            .add(true, "Loop", "The range that is gone round, once")
            .named("wav-what");
    bits =
        new Segments<Integer>(n -> set(new WavSettings(n, settings.frameRate())))
            .add(16, "16", "As on a compact disc; dithered")
            .add(24, "24", "For whoever works on with it")
            .named("wav-bits");
    rate =
        new Segments<Integer>(n -> set(new WavSettings(settings.bits(), n)))
            .add(44_100, "44.1 kHz", "As on a compact disc")
            .add(48_000, "48 kHz", "As films have it")
            .named("wav-rate");
    apart =
        Form.check(
            "wav-apart",
            "Each track apart",
            "One file a track; laid over one another they are the song",
            on -> refresh());
    Button write =
        Buttons.text(
            "Write \u2026",
            "Asks for a name first; what has sounded until then stays",
            () -> writer.write(settings, loop, apart.isSelected()));
    write.setId("wav-write");
    write.getStyleClass().add("default");
    says.setId("wav-says");
    getChildren()
        .addAll(
            Form.heading("What is heard, as a file"),
            Form.row("Of", what),
            Form.row("Bits", bits),
            Form.row("Rate", rate),
            apart,
            write,
            says);
    Follow.changes(this, session, this::refresh, Aspect.SONG, Aspect.LOOP);
  }

  private void set(WavSettings value) {
    settings = value;
    refresh();
  }

  private void refresh() {
    what.show(loop);
    bits.show(settings.bits());
    rate.show(settings.frameRate());
    long tracks =
        session.song().tracks().stream()
            .filter(t -> session.song().isAudible(t) && t.noteCount() > 0)
            .count();
    boolean noLoop = loop && session.runControl().looping().range().isEmpty();
    says.setText(
        noLoop
            ? "There is no loop yet: drag along the ruler."
            : String.format(
                Locale.ROOT,
                "%s; muted tracks are not in it, nor the click. It ends when the last sound has died away.",
                apart.isSelected() && tracks != 1
                    ? tracks + " files"
                    : "One file, with all that is heard"));
  }
}
