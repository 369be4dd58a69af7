/** Runs once when the server starts: PEBBLE_SOLVE_BOOK=1 makes the whole book's water ready in the background. */
export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.PEBBLE_SOLVE_BOOK !== '1') return;
  const { requestWholeBook } = await import('./services/solver');
  await requestWholeBook();
}
