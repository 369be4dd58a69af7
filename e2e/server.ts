import { spawn, type ChildProcess } from 'node:child_process';
import { NOW } from '../playwright.config';

/** The application on a data folder of its own, to be stopped and started again. */
export async function startServer(
  dataFolder: string,
  port: number,
): Promise<{ url: string; stop(): Promise<void> }> {
  const env = {
    ...process.env,
    PEBBLE_LANE_DATA: dataFolder,
    PEBBLE_NOW: NOW,
    NEXT_TELEMETRY_DISABLED: '1',
  };
  const child: ChildProcess = spawn(
    'npx',
    ['next', 'start', '--hostname', '127.0.0.1', '--port', String(port)],
    { env, stdio: 'pipe', detached: true },
  );
  const url = `http://127.0.0.1:${port}`;
  await new Promise<void>((resolve, reject) => {
    child.stdout!.on('data', (text: Buffer) => String(text).includes('Ready') && resolve());
    child.on('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  });
  return {
    url,
    stop: () =>
      new Promise((resolve) => {
        child.removeAllListeners('exit');
        child.on('exit', () => resolve());
        // The whole group: npx, next and its worker.
        process.kill(-child.pid!, 'SIGTERM');
      }),
  };
}
