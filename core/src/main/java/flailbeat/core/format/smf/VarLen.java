package flailbeat.core.format.smf;

/** Variable-length quantities: seven bits a byte, the highest bit set on all but the last. */
final class VarLen {
  static final int MOST_BYTES = 4;
  static final long LARGEST = 0x0FFFFFFF;

  private VarLen() {}

  /** Writes 0 to {@value #LARGEST}. */
  static void write(Bytes out, long value) {
    if (value < 0 || value > LARGEST) {
      throw new IllegalArgumentException(value + " does not fit a variable-length quantity");
    }
    for (int shift = 21; shift > 0; shift -= 7) {
      if (value >> shift != 0) {
        out.write((int) (value >> shift & 0x7F | 0x80));
      }
    }
    out.write((int) (value & 0x7F));
  }
}
