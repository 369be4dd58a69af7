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
    HOST: '127.0.0.1',
    PORT: String(port),
  };
  const child: ChildProcess = spawn('npx', ['tsx', 'serving/main.ts'], {
    env,
    stdio: 'pipe',
    detached: true,
  });
  const url = `http://127.0.0.1:${port}`;
  await new Promise<void>((resolve, reject) => {
    child.stdout!.on('data', (text: Buffer) => String(text).includes('Pebble Lane:') && resolve());
    child.on('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  });
  return {
    url,
    stop: () =>
      new Promise((resolve) => {
        child.removeAllListeners('exit');
        child.on('exit', () => resolve());
        // The whole group: npx, and the server with its threads.
        process.kill(-child.pid!, 'SIGTERM');
      }),
  };
}
