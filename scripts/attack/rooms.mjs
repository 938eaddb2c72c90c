/** The rooms as a cook opens them: none may go down by what was kept. */
const ROOMS =
  `/ /dogs /dogs/1 /dogs/2 /dogs/3 /dogs/2/eaten /dogs/2/diary /dogs/2/vet /household/learned /recipes /recipes/1 /recipes/rotation /plan /plan/1 /plan/weeks /plan/buy /batches /batches/1 /batches/2
/batches/4 /store /store/ahead /store/count /store/power /store/trace /store/value /store/waste /store/table /sitter /household
/api/stock/movements /api/stock/packs`.split(/\s+/);

/** Rooms that do not answer, each with how. */
export async function roomsDown({ address }) {
  const down = [];
  for (const room of ROOMS) {
    const { status } = await fetch(address + room).catch((error) => ({ status: String(error.cause ?? error) }));
    if (!(status < 500)) down.push(`${room} answers ${status}`);
  }
  return down;
}
