package flailbeat.core.model.carried;

import java.util.Arrays;
import java.util.HexFormat;

/** An unchanging run of bytes. */
public final class Payload {
  private final byte[] bytes;

  private Payload(byte[] bytes) {
    this.bytes = bytes;
  }

  public static Payload of(byte... bytes) {
    return new Payload(bytes.clone());
  }

  /** From pairs of hexadecimal digits. */
  public static Payload ofHex(String hex) {
    return new Payload(HexFormat.of().parseHex(hex));
  }

  public byte[] bytes() {
    return bytes.clone();
  }

  public int length() {
    return bytes.length;
  }

  public String hex() {
    return HexFormat.of().formatHex(bytes);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Payload p && Arrays.equals(bytes, p.bytes);
  }

  @Override
  public int hashCode() {
    return Arrays.hashCode(bytes);
  }

  @Override
  public String toString() {
    return hex();
  }
}
