/** Opens the database when the server starts, before the first page: migrations and demo data run in here. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { openOrEnd } = await import('./data/house');
  await openOrEnd();
  const { answerBackups, backUpDaily } = await import('./data/backups');
  answerBackups();
  backUpDaily();
}
