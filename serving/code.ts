import { closeBook, inFours, nowMs, pairingCode } from '../services/index';

/** `./pebble code`: the code that lets the next phone in, for who is at the machine of a server without a window. */
async function show(): Promise<void> {
  const { code } = await pairingCode(nowMs());
  console.log(`Pairing code: ${inFours(code)}   (once, within ten minutes)`);
  await closeBook();
}

show().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : String(error));
  process.exitCode = 1;
});
