package flailbeat.app.window;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** The other end of {@link KeyInjector}. */
final class RealKeys implements AutoCloseable {
  private final Process process;
  private final PrintStream to;
  private final BufferedReader from;

  RealKeys() throws IOException {
    String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
    process =
        new ProcessBuilder(
                java,
                "-XX:+UseSerialGC",
                "-cp",
                System.getProperty("java.class.path"),
                KeyInjector.class.getName())
            .redirectError(ProcessBuilder.Redirect.INHERIT)
            .start();
    to = new PrintStream(process.getOutputStream(), true, StandardCharsets.UTF_8);
    from =
        new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
  }

  /** Sends words such as {@code +A ~100 -A}; gives the moments of the keys when all is done. */
  List<Long> send(String words) throws IOException {
    String[] lines = words.strip().split("\\s+");
    to.println("=");
    int keys = 0;
    for (String line : lines) {
      keys += line.startsWith("~") ? 0 : 1;
      to.println(line);
    }
    to.println("!");
    List<Long> moments = new ArrayList<>();
    for (int i = 0; i < keys; i++) {
      moments.add(Long.parseLong(from.readLine()));
    }
    from.readLine();
    return moments;
  }

  /** Presses keys together and lets go. */
  void chord(String... keys) throws IOException {
    StringBuilder words = new StringBuilder();
    for (String key : keys) {
      words.append('+').append(key).append(' ');
    }
    words.append("~30 ");
    for (int i = keys.length - 1; i >= 0; i--) {
      words.append('-').append(keys[i]).append(' ');
    }
    send(words.append("~40").toString());
  }

  @Override
  public void close() {
    to.close();
    process.destroy();
  }
}
