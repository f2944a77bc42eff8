package flailbeat.core.quantize;

/**
 * How far notes were played from their lines, in milliseconds; negative is early.
 *
 * @param deviationsMs one for each note
 * @param lagMs their median; 0 without notes
 * @param spreadMs their standard deviation about the mean (n - 1 in the divisor); 0 for fewer than
 *     two notes
 */
public record Timing(double[] deviationsMs, double lagMs, double spreadMs) {
  /** Of deviations in any order, in O(n) on average. */
  public static Timing of(double[] deviationsMs) {
    return new Timing(deviationsMs, median(deviationsMs.clone()), standardDeviation(deviationsMs));
  }

  public int count() {
    return deviationsMs.length;
  }

  private static double median(double[] values) {
    int n = values.length;
    if (n == 0) {
      return 0;
    }
    double upper = select(values, n / 2);
    if (n % 2 == 1) {
      return upper;
    }
    double lower = values[0];
    for (int i = 1; i < n / 2; i++) {
      lower = Math.max(lower, values[i]);
    }
    return (lower + upper) / 2;
  }

  /**
   * The k-th smallest, after which none before place k is larger: C. A. R. Hoare, Algorithm 65
   * (Find), Communications of the ACM 4(7), 1961; from memory.
   */
  private static double select(double[] values, int k) {
    int low = 0;
    int high = values.length - 1;
    while (low < high) {
      double pivot = values[(low + high) >>> 1];
      int i = low;
      int j = high;
      while (i <= j) {
        while (values[i] < pivot) {
          i++;
        }
        while (values[j] > pivot) {
          j--;
        }
        if (i <= j) {
          double swapped = values[i];
          values[i++] = values[j];
          values[j--] = swapped;
        }
      }
      if (k <= j) {
        high = j;
      } else if (k >= i) {
        low = i;
      } else {
        return values[k];
      }
    }
    return values[k];
  }

  private static double standardDeviation(double[] values) {
    if (values.length < 2) {
      return 0;
    }
    double sum = 0;
    for (double value : values) {
      sum += value;
    }
    double mean = sum / values.length;
    double squares = 0;
    for (double value : values) {
      squares += (value - mean) * (value - mean);
    }
    return Math.sqrt(squares / (values.length - 1));
  }
}
