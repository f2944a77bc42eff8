package flailbeat.core.transport;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.transport.Transport.State;
import org.junit.jupiter.api.Test;

class TransportTest {
  private long now;
  private final Transport transport = new Transport(() -> now);

  @Test
  void a_count_in_runs_up_to_the_place_and_becomes_recording() {
    transport.setPlaceNanos(4000);
    transport.start(true, 2000, 100);
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
    transport.setPlaceNanos(500);
    transport.start(false, 0, 0);
    now = 300;
    assertThat(transport.positionNanos()).isEqualTo(800);
    transport.stop();
    assertThat(transport.state()).isEqualTo(State.STOPPED);
    assertThat(transport.positionNanos()).isEqualTo(500);
  }

  @Test
  void position_follows_what_is_heard() {
    transport.start(false, 0, 0);
    transport.follow(-70);
    now = 1000;
    assertThat(transport.positionNanos()).isEqualTo(930);
    assertThat(transport.songNanosAt(900)).isEqualTo(830);
  }
}
