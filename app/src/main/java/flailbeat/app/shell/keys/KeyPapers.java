package flailbeat.app.shell.keys;

import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Commands;
import flailbeat.app.command.KeySheet;
import flailbeat.app.shell.files.Ending;
import flailbeat.app.shell.files.Prompts;
import flailbeat.app.shell.work.Background;
import flailbeat.app.view.base.Look;
import flailbeat.core.files.SongFiles;
import flailbeat.core.format.SafeFile;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Notice;
import java.nio.charset.StandardCharsets;
import java.util.List;
import javafx.print.PageLayout;
import javafx.print.PageOrientation;
import javafx.print.Printer;
import javafx.print.PrinterJob;
import javafx.scene.Scene;
import javafx.scene.layout.Region;
import javafx.scene.transform.Scale;
import javafx.stage.Window;

/** The keys on paper, a sheet for each position of the Keys switch, or as a page of its own. */
public final class KeyPapers {
  private static final List<KeyContext> SHEETS =
      List.of(KeyContext.PLAY, KeyContext.STEPS, KeyContext.COMMANDS);

  private final Session session;
  private final Commands commands;
  private final Prompts prompts;
  private final Background background;

  public KeyPapers(Session session, Commands commands, Prompts prompts, Background background) {
    this.session = session;
    this.commands = commands;
    this.prompts = prompts;
    this.background = background;
  }

  /** Prints them, after asking how; where there is no printer it says what can be done instead. */
  public void print(Window owner) {
    PrinterJob job = Printer.getAllPrinters().isEmpty() ? null : PrinterJob.createPrinterJob();
    if (job == null) {
      tell("No printer was found: save the keys as a page, which any browser prints", true);
      return;
    }
    if (!job.showPrintDialog(owner)) {
      job.cancelJob();
      return;
    }
    PageLayout page =
        job.getPrinter()
            .createPageLayout(
                job.getJobSettings().getPageLayout().getPaper(),
                PageOrientation.LANDSCAPE,
                Printer.MarginType.DEFAULT);
    boolean printed = true;
    for (KeyContext where : SHEETS) {
      printed &= job.printPage(page, sheet(where, page));
    }
    boolean sent = printed && job.endJob();
    tell(sent ? "The keys were sent to the printer" : "The printer did not take the keys", !sent);
  }

  private Region sheet(KeyContext where, PageLayout page) {
    KeySheetPane pane = new KeySheetPane();
    pane.fill(
        "Flailbeat: the keys, with " + where.title(), commands, where, KeySheetPane.InSight.ANY);
    Look.dress(new Scene(pane));
    pane.applyCss();
    pane.layout();
    pane.autosize();
    pane.layout();
    double scale =
        Math.min(
            page.getPrintableWidth() / pane.getWidth(),
            page.getPrintableHeight() / pane.getHeight());
    pane.getTransforms().add(new Scale(scale, scale));
    return pane;
  }

  /** Saves them as a page for a browser, which it asks a place for. */
  public void savePage() {
    prompts
        .pageToSave("Flailbeat keys.html")
        .map(Ending.PAGE::on)
        .ifPresent(
            file ->
                background.write(
                    "Saving " + file.getFileName(),
                    () -> {
                      byte[] page =
                          KeySheet.html(commands, SHEETS).getBytes(StandardCharsets.UTF_8);
                      SafeFile.write(file, out -> out.write(page));
                      return file;
                    },
                    saved -> tell("Saved " + file.getFileName(), false),
                    e -> tell(SongFiles.describe(file, e), true)));
  }

  private void tell(String text, boolean warning) {
    session.notices().tell(new Notice(text, warning));
  }
}
