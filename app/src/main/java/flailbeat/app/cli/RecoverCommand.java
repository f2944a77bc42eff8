package flailbeat.app.cli;

import flailbeat.app.formats.Formats;
import flailbeat.app.place.Places;
import flailbeat.core.journal.Journals;
import flailbeat.core.journal.Locks;
import flailbeat.core.session.lost.Recovered;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "recover",
    mixinStandardHelpOptions = true,
    description = "Lists songs that were not saved when the window ended, or writes one of them.")
final class RecoverCommand implements Callable<Integer> {
  @Mixin private Verbose verbose;
  @Spec private CommandSpec spec;

  @Parameters(index = "0", arity = "0..1", paramLabel = "N", description = "Which of the list.")
  private Integer number;

  @Parameters(
      index = "1",
      arity = "0..1",
      paramLabel = "OUT",
      description = "Where it is written: a .flail or .mid file.")
  private Path out;

  @Override
  public Integer call() throws CommandFault {
    Path folder = Places.journals();
    try (Locks locks = new Locks(folder)) {
      PrintWriter err = spec.commandLine().getErr();
      List<Journals.Listed> all =
          new Journals(folder, locks, System::currentTimeMillis)
              .list(wrong -> err.println(CommandLineApp.plain(wrong)));
      if (number == null) {
        list(all);
        return 0;
      }
      if (out == null) {
        throw new CommandFault("say where to write it: flailbeat recover " + number + " OUT.flail");
      }
      if (number < 1 || number > all.size()) {
        throw new CommandFault(
            "there is no number " + number + ": " + all.size() + " can be brought back");
      }
      write(Recovered.of(all.get(number - 1).reading()));
      return 0;
    }
  }

  private void list(List<Journals.Listed> all) {
    PrintWriter to = spec.commandLine().getOut();
    if (all.isEmpty()) {
      to.println("Nothing was lost: there is nothing to bring back.");
    }
    for (int i = 0; i < all.size(); i++) {
      Journals.Listed each = all.get(i);
      Recovered recovered = Recovered.of(each.reading());
      String file =
          each.reading().state().file().map(f -> "; of " + f.path()).orElse("; in no file yet");
      String state = each.aside() ? "; declined before" : "";
      String window =
          each.open()
              ? "; open in another window"
                  + each.holder().map(h -> " (process " + h.pid() + ")").orElse("")
              : "";
      String damage = each.reading().damage().map(d -> "; damaged: " + d).orElse("");
      to.println(
          CommandLineApp.plain(
              (i + 1)
                  + "  "
                  + Times.of(recovered.lostMillis())
                  + "  "
                  + recovered.song().title()
                  + ": "
                  + recovered.words()
                  + file
                  + state
                  + window
                  + damage));
    }
  }

  private void write(Recovered recovered) throws CommandFault {
    try {
      Formats.ALL.write(recovered.song(), out);
      spec.commandLine()
          .getErr()
          .println(
              CommandLineApp.plain(
                  out + ": " + recovered.song().title() + ", " + recovered.words()));
    } catch (IOException e) {
      throw CommandLineApp.fault(out, e);
    }
  }
}
