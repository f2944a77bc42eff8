package flailbeat.core.journal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HexFormat;
import java.util.zip.CRC32C;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * The checksum of journals, as published: RFC 3720, B.4 (iSCSI, CRC examples). The RFC gives the
 * bytes in the order in which they are sent, the lowest first.
 */
class ChecksumTest {
  @ParameterizedTest
  @CsvSource({
    // 32 bytes of zeroes, of ones, rising, falling; a read command PDU.
    "0000000000000000000000000000000000000000000000000000000000000000, aa36918a",
    "ffffffffffffffffffffffffffffffffffffffffffffffffffffffffffffffff, 43aba862",
    "000102030405060708090a0b0c0d0e0f101112131415161718191a1b1c1d1e1f, 4e79dd46",
    "1f1e1d1c1b1a191817161514131211100f0e0d0c0b0a09080706050403020100, 5cdb3f11",
    "01c00000000000000000000000000000140000000000040000000014000000182800000000000000"
        + "0200000000000000, 563a96d9"
  })
  void it_is_crc_32c_as_rfc_3720_has_it(String bytes, String sent) {
    CRC32C crc = new CRC32C();
    crc.update(HexFormat.of().parseHex(bytes));
    assertThat(HexFormat.of().toHexDigits(Integer.reverseBytes((int) crc.getValue())))
        .isEqualTo(sent);
  }

  @ParameterizedTest
  @CsvSource({"0", "7", "16", "40"})
  void a_journal_s_entry_is_told_from_one_in_which_a_bit_is_another(int at) {
    byte[] frame = JournalFile.framed(new byte[30], 1_764_445_200_000L);
    assertThat(JournalFile.isWhole(frame)).isTrue();
    frame[at] ^= 4;
    assertThat(JournalFile.isWhole(frame)).isFalse();
  }
}
