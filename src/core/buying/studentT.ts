/* Student's t distribution. Its cumulative probability is an incomplete beta function, evaluated by the continued
 * fraction of Didonato and Morris (1992) in Lentz's form; the gamma function by Lanczos' series (g = 7, 9 terms). */

const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
  12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
];

/** Logarithm of the gamma function of a positive number. */
function logGamma(x: number): number {
  const t = x + 6.5;
  const sum = LANCZOS.reduce((total, term, i) => (i === 0 ? term : total + term / (x + i - 1)), 0);
  return 0.5 * Math.log(2 * Math.PI) + (x - 0.5) * Math.log(t) - t + Math.log(sum);
}

const TINY = 1e-300;
const MAX_TERMS = 500;

/** The regularised incomplete beta function, for a, b > 0 and x from 0 to 1. */
function incompleteBeta(a: number, b: number, x: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  // The fraction converges fast on this side only.
  if (x > (a + 1) / (a + b + 2)) return 1 - incompleteBeta(b, a, 1 - x);
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x)) / a;
  let [f, c, d] = [1, 1, 0];
  for (let i = 0; i <= MAX_TERMS; i += 1) {
    const m = i >> 1;
    const term =
      i === 0
        ? 1
        : i % 2 === 0
          ? (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m))
          : (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / (Math.abs(1 + term * d) < TINY ? TINY : 1 + term * d);
    c = Math.abs(1 + term / c) < TINY ? TINY : 1 + term / c;
    f *= c * d;
    if (Math.abs(1 - c * d) < 1e-15) break;
  }
  return front * (f - 1);
}

/**
 * The probability that a value of Student's t distribution is at most t.
 *
 * @param degrees degrees of freedom, more than 0
 * @returns 0 to 1
 * @throws RangeError without degrees of freedom
 */
export function studentTCdf(t: number, degrees: number): number {
  if (!(degrees > 0)) throw new RangeError("degrees of freedom must be more than 0");
  if (t === Infinity) return 1;
  if (t === -Infinity) return 0;
  const tail = 0.5 * incompleteBeta(degrees / 2, 0.5, degrees / (degrees + t * t));
  return t > 0 ? 1 - tail : tail;
}
