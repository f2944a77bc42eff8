package flailbeat.app.window;

import java.awt.AWTException;
import java.awt.Robot;
import java.awt.event.KeyEvent;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.locks.LockSupport;

/**
 * Presses keys of the real window system from a process of its own, so that nothing of the window's
 * gets in its way. Reads lines {@code +A}, {@code -A} or {@code ~20} (wait so many ms after the
 * last moment), and answers each key with the nanoTime just before it went; on Linux that clock is
 * one for all processes.
 */
public final class KeyInjector {
  private KeyInjector() {}

  public static void main(String[] args) throws AWTException, IOException {
    Robot robot = new Robot();
    robot.setAutoDelay(0);
    BufferedReader in =
        new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
    long moment = System.nanoTime();
    for (String line = in.readLine(); line != null; line = in.readLine()) {
      char kind = line.charAt(0);
      String rest = line.substring(1);
      if (kind == '~') {
        moment += (long) (Double.parseDouble(rest) * 1e6);
        waitUntil(moment);
      } else if (kind == '=') {
        moment = System.nanoTime();
      } else if (kind == '!') {
        System.out.println(System.nanoTime());
        System.out.flush();
      } else {
        int code = code(rest);
        long now = System.nanoTime();
        if (kind == '+') {
          robot.keyPress(code);
        } else {
          robot.keyRelease(code);
        }
        System.out.println(now);
        System.out.flush();
      }
    }
  }

  private static void waitUntil(long moment) {
    for (long left = moment - System.nanoTime(); left > 0; left = moment - System.nanoTime()) {
      if (left > 300_000) {
        LockSupport.parkNanos(left - 200_000);
      } else {
        Thread.onSpinWait();
      }
    }
  }

  private static int code(String name) {
    try {
      return KeyEvent.class.getField("VK_" + name).getInt(null);
    } catch (ReflectiveOperationException e) {
      throw new IllegalArgumentException("No key " + name, e);
    }
  }
}
