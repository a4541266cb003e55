/** What begins with the server. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { begin } = await import('./server/care');
  begin();
  if (process.env.SOLENIX_METER !== 'off') {
    const { beginMeter } = await import('./server/meter/simulated');
    beginMeter();
  }
}
