package flailbeat.core.transport;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.time.Loop;
import flailbeat.core.transport.Transport.Start;
import flailbeat.core.transport.Transport.State;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class TransportTest {
  private long now;
  private final Transport transport = new Transport(() -> now);

  @Test
  void a_count_in_runs_up_to_the_place_and_becomes_recording() {
    transport.setPlayStartNanos(4000);
    transport.start(new Start(true, 4000, 2000, Optional.empty()), 100);
    now = 100;
    assertThat(transport.state()).isEqualTo(State.COUNTING_IN);
    assertThat(transport.positionNanos()).isEqualTo(2000);
    assertThat(transport.isRecording()).isTrue();
    now = 2099;
    assertThat(transport.state()).isEqualTo(State.COUNTING_IN);
    now = 2100;
    assertThat(transport.state()).isEqualTo(State.RECORDING);
    assertThat(transport.positionNanos()).isEqualTo(4000);
  }

  @Test
  void stopping_goes_back_to_the_place() {
    transport.setPlayStartNanos(500);
    transport.start(new Start(false, 500, 0, Optional.empty()), 0);
    now = 300;
    assertThat(transport.positionNanos()).isEqualTo(800);
    transport.stop();
    assertThat(transport.state()).isEqualTo(State.STOPPED);
    assertThat(transport.positionNanos()).isEqualTo(500);
  }

  @Test
  void position_follows_what_is_heard() {
    transport.start(new Start(false, 0, 0, Optional.empty()), 0);
    transport.follow(-70);
    now = 1000;
    assertThat(transport.positionNanos()).isEqualTo(930);
    assertThat(transport.songNanosAt(900)).isEqualTo(830);
  }

  @Test
  void a_loop_folds_song_time_back_at_its_end() {
    transport.start(new Start(false, 50, 0, Optional.of(new Loop(100, 400))), 0);
    now = 349;
    assertThat(transport.positionNanos()).isEqualTo(399);
    now = 350;
    assertThat(transport.positionNanos()).isEqualTo(100);
    now = 350 + 7 * 300 + 20;
    assertThat(transport.positionNanos()).isEqualTo(120);
    assertThat(transport.unrolledAt(now)).isEqualTo(2520);
    assertThat(transport.loop().orElseThrow().turn(2520)).isEqualTo(8);
  }
}
