/** Date of a day of work, from 1. Weekdays alone are counted: nobody is expected on a Saturday. */
export function dateOf(startOn: string, no: number): string {
  const at = new Date(`${startOn}T00:00:00Z`);
  while (at.getUTCDay() === 0 || at.getUTCDay() === 6) at.setUTCDate(at.getUTCDate() + 1);
  for (let left = no - 1; left > 0;) {
    at.setUTCDate(at.getUTCDate() + 1);
    if (at.getUTCDay() !== 0 && at.getUTCDay() !== 6) left--;
  }
  return at.toISOString().slice(0, 10);
}
