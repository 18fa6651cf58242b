/** What a fan gives against a pressure: a curve through the points of its table. */

/** Flow and the pressure it is given at, m³/s and Pa. */
export interface FanPoint {
  flow: number;
  pa: number;
}

export interface FanGain {
  pa: number;
  slope: number;
}

/** A curve through two or more points, falling all the way; beyond its ends it goes on straight. */
export interface FanCurve {
  at(flow: number): FanGain;
}

/**
 * The points by a monotone cubic: F. N. Fritsch and R. E. Carlson, "Monotone piecewise cubic interpolation", SIAM J. Numer.
 * Anal. 17 (1980). It rises nowhere between points that fall.
 *
 * @throws RangeError when there are fewer than two points, or the pressure does not fall as the flow grows.
 */
export function fanCurve(points: readonly FanPoint[]): FanCurve {
  const sorted = [...points].sort((one, other) => one.flow - other.flow);
  if (sorted.length < 2) throw new RangeError('a fan needs two points of its table, or more');
  const secants = sorted.slice(1).map(({ flow, pa }, i) => {
    const before = sorted[i]!;
    const slope = (pa - before.pa) / (flow - before.flow);
    if (!(slope < 0))
      throw new RangeError(
        `a fan's pressure falls as its flow grows: it does not from ${before.flow} to ${flow} m³/s`,
      );
    return slope;
  });
  const slopes = sorted.map((_, i) => {
    const [left, right] = [secants[i - 1], secants[i]];
    if (left === undefined || right === undefined) return (left ?? right)!;
    // The harmonic mean never overshoots.
    return (2 * left * right) / (left + right);
  });
  const first = sorted[0]!;
  const last = sorted[sorted.length - 1]!;
  return {
    at(flow) {
      if (flow <= first.flow) return { pa: first.pa + slopes[0]! * (flow - first.flow), slope: slopes[0]! };
      if (flow >= last.flow) {
        const slope = slopes[slopes.length - 1]!;
        return { pa: last.pa + slope * (flow - last.flow), slope };
      }
      const i = sorted.findIndex((point) => point.flow > flow) - 1;
      const [a, b] = [sorted[i]!, sorted[i + 1]!];
      const width = b.flow - a.flow;
      const t = (flow - a.flow) / width;
      const [m, n] = [slopes[i]! * width, slopes[i + 1]! * width];
      const pa =
        (2 * t ** 3 - 3 * t ** 2 + 1) * a.pa +
        (t ** 3 - 2 * t ** 2 + t) * m +
        (-2 * t ** 3 + 3 * t ** 2) * b.pa +
        (t ** 3 - t ** 2) * n;
      const rise =
        (6 * t ** 2 - 6 * t) * a.pa +
        (3 * t ** 2 - 4 * t + 1) * m +
        (-6 * t ** 2 + 6 * t) * b.pa +
        (3 * t ** 2 - 2 * t) * n;
      return { pa, slope: rise / width };
    },
  };
}

/** The same fan at another speed, by the fan laws: flow as the speed, pressure as its square. */
export const atSpeed = (curve: FanCurve, share: number): FanCurve => ({
  at(flow) {
    const { pa, slope } = curve.at(flow / share);
    return { pa: pa * share ** 2, slope: slope * share };
  },
});
