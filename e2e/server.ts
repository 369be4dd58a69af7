import { spawn, type ChildProcess } from 'node:child_process';
import { DEMO_NOW } from '../demo/names';
import { SERVING } from './run';

/** The application on a data folder of its own, to be stopped and started again. */
export interface Started {
  url: string;
  /** All that it has printed so far. */
  printed(): string;
  stop(): Promise<void>;
  signal(name: NodeJS.Signals): void;
}

export async function startServer(
  dataFolder: string,
  port: number,
  {
    lan = false,
    fromSource = false,
    env: more = {},
  }: { lan?: boolean; fromSource?: boolean; env?: Record<string, string> } = {},
): Promise<Started> {
  const env = {
    ...process.env,
    PEBBLE_LANE_DATA: dataFolder,
    PEBBLE_NOW: DEMO_NOW,
    NEXT_TELEMETRY_DISABLED: '1',
    HOST: lan ? '0.0.0.0' : '127.0.0.1',
    PORT: String(port),
    ...more,
  };
  // One process, so that a signal reaches the server and nothing else.
  const child: ChildProcess = spawn(
    process.execPath,
    [
      // As `./pebble start` does it, and bundled, which is quicker.
      ...(fromSource ? ['--import', 'tsx', 'serving/main.ts'] : [SERVING]),
      ...(lan ? ['--lan'] : []),
    ],
    { env, stdio: 'pipe' },
  );
  let printed = '';
  await new Promise<void>((resolve, reject) => {
    child.stdout!.on('data', (text: Buffer) => {
      printed += String(text);
      if (/Pebble Lane: https?:.*\n/.test(printed) && (!lan || printed.includes('Fingerprint')))
        resolve();
    });
    child.stderr!.on('data', (text: Buffer) => (printed += String(text)));
    child.on('exit', (code) => reject(new Error(`the server ended with ${code}:\n${printed}`)));
  });
  return {
    url: /Pebble Lane: (\S+)/.exec(printed)![1]!,
    printed: () => printed,
    signal: (name) => void child.kill(name),
    stop: () =>
      new Promise((resolve) => {
        child.removeAllListeners('exit');
        child.on('exit', () => resolve());
        child.kill('SIGTERM');
      }),
  };
}
