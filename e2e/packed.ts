import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { DEMO_NOW } from '../demo/names';
import { madeOnce } from '../testing/kept';
import { RUN } from './run';

/** The application packed, once a run. */
export const packedApp = (): string =>
  madeOnce(join(RUN, 'packed'), (into) =>
    execFileSync(process.execPath, ['scripts/pack.mjs', into]),
  );

/** Starts a packed folder with the demo in it; nothing of this repository is near. Resolves when it answers. */
export async function startPacked(
  app: string,
  port: number,
  env: Record<string, string>,
): Promise<ChildProcess> {
  const running = spawn(process.execPath, [join(app, 'start.mjs'), 'demo'], {
    cwd: '/',
    stdio: ['ignore', 'pipe', 'pipe'],
    env: {
      NODE_ENV: 'production',
      PATH: process.env.PATH,
      PORT: String(port),
      PEBBLE_NOW: DEMO_NOW,
      PEBBLE_DEMO_HISTORY: 'none',
      ...env,
    },
  });
  let printed = '';
  await new Promise<void>((resolve, reject) => {
    const hear = (text: Buffer) => {
      printed += String(text);
      if (/Pebble Lane: https?:/.test(printed)) resolve();
    };
    running.stdout.on('data', hear);
    running.stderr.on('data', hear);
    running.once('exit', (code) => reject(new Error(`it ended with ${code}:\n${printed}`)));
  });
  return running;
}
