/**
 * Powers: the language's own bring tables that weigh more than the whole loop, and a browser's own may differ from the server's in the last
 * digit. Two series instead, right to 1e-13.
 */
const LN2: f64 = 0.6931471805599453;
const SQRT2: f64 = 1.4142135623730951;
const BIAS: i64 = 1023;
const MANTISSA: i64 = 0x000fffffffffffff;

/** x to the power of y, x above 0. */
export function raised(x: f64, y: f64): f64 {
  return exponential(y * logarithm(x));
}

/** By halves and doubles to within a root of two of one, there by the series of the inverse hyperbolic tangent. */
function logarithm(x: f64): f64 {
  const bits = reinterpret<i64>(x);
  let doubles = <f64>(((bits >> 52) & 0x7ff) - BIAS);
  let m = reinterpret<f64>((bits & MANTISSA) | (BIAS << 52));
  if (m > SQRT2) {
    m *= 0.5;
    doubles += 1;
  }
  const s = (m - 1) / (m + 1);
  let sum: f64 = 0;
  for (let n: f64 = 23; n >= 1; n -= 2) sum = sum * s * s + 1 / n;
  return doubles * LN2 + 2 * s * sum;
}

/** As a power of two and what is left, that by Taylor's series. */
function exponential(x: f64): f64 {
  const doubles = nearest(x / LN2);
  if (doubles < -1022) return 0;
  if (doubles > 1023) return Infinity;
  const left = x - doubles * LN2;
  let sum: f64 = 1;
  for (let n: f64 = 14; n >= 1; n--) sum = 1 + (sum * left) / n;
  return sum * reinterpret<f64>((<i64>doubles + BIAS) << 52);
}
