/** Opens the database when the server starts, before the first page: migrations and demo data run in here. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { closeWhenAsked, openOrEnd } = await import('./data/house');
  await openOrEnd();
  // Where the framework ends the process itself (in development) it does so at once.
  if (process.env.NEXT_MANUAL_SIG_HANDLE) closeWhenAsked();
  const { answerBackups, backUpDaily } = await import('./data/backups');
  answerBackups();
  backUpDaily();
}
