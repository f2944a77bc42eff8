package flailbeat.core.quantize.fit;

/** Ways over slots that all belong to one division, or to divisions that are never at odds. */
final class PlainWays extends Ways {
  PlainWays(int near, Occupancy occupancy) {
    super(near, occupancy);
  }

  @Override
  void forward(double[] p, int at, int from, int to, double stays) {
    double onTheWay = 0;
    int end = from + near;
    int to2 = at + near - to;
    int s = from;
    int before = Math.min(end, to);
    for (; s < before; s++) {
      onTheWay = onTheWay * (1 - played[s]) + p[at + s - from];
    }
    for (; s < end; s++) {
      double mass = p[at + s - from];
      p[to2 + s] = onTheWay * played[s] + mass * stays;
      onTheWay = onTheWay * (1 - played[s]) + mass;
    }
    for (s = Math.max(s, resumeAt(from, to)); s < to; s++) {
      onTheWay *= 1 - played[s];
    }
    for (; s < to + near; s++) {
      p[to2 + s] = onTheWay * played[s];
      onTheWay *= 1 - played[s];
    }
  }

  @Override
  void backward(double[] coming, double[] back, int from, int to, double stays) {
    double ahead = 0;
    int end = from + near;
    int s = to + near - 1;
    int after = Math.max(end, to);
    for (; s >= after; s--) {
      ahead = ahead * (1 - played[s]) + played[s] * coming[s - to];
    }
    if (resumeAt(from, to) == end) {
      for (; s >= end; s--) {
        ahead *= 1 - played[s];
      }
    }
    for (s = end - 1; s >= to; s--) {
      double here = coming[s - to];
      back[s - from] = ahead + here * stays;
      ahead = ahead * (1 - played[s]) + played[s] * here;
    }
    for (; s >= from; s--) {
      back[s - from] = ahead;
      ahead *= 1 - played[s];
    }
  }

  @Override
  void best(double[] best, double[] next, byte[] origin, int at, int from, int to, double stays) {
    double onTheWay = 0;
    int whence = 0;
    int end = from + near;
    for (int s = from; s < to + near; s = s + 1 == end ? resumeAt(from, to) : s + 1) {
      double mass = s < end ? best[s - from] : 0;
      if (s >= to) {
        double moved = onTheWay * played[s];
        double stayed = mass * stays;
        next[s - to] = Math.max(moved, stayed);
        origin[at + s - to] = (byte) (stayed > moved ? s - from : whence);
      }
      onTheWay *= 1 - played[s];
      if (mass > onTheWay) {
        onTheWay = mass;
        whence = s - from;
      }
    }
  }
}
