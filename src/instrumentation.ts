/** What begins with the server. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { begin } = await import('./server/care');
  begin();
}
