/** Runs once when the server starts: takes up the waters that wait to be solved; PEBBLE_SOLVE_BOOK=1 asks for those of the whole book. */
export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { requestWholeBook, watchSolves } = await import('./services/solver');
  watchSolves();
  if (process.env.PEBBLE_SOLVE_BOOK === '1') await requestWholeBook();
}
