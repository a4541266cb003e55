/** Root of a falling function of volts by Newton's steps within a bracket. */
export const MOST_ROUNDS: i32 = 60;

let low: f64 = 0;
let high: f64 = 0;

/** Begins a search between two volts. @returns where to look first. */
export function bracket(guess: f64, lowV: f64, highV: f64): f64 {
  low = lowV;
  high = highV;
  return guess > low && guess < high ? guess : (low + high) / 2;
}

/** Takes what the function and its slope are at v, A and A a volt. @returns where to look next; v itself when that is near enough. */
export function narrowed(v: f64, sum: f64, slope: f64): f64 {
  if (abs(sum) < 1e-7) return v;
  if (sum > 0) low = v;
  else high = v;
  if (high - low < 1e-9) return v;
  const to = v - sum / slope;
  return slope < 0 && to > low && to < high ? to : (low + high) / 2;
}
